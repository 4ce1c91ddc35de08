/** An id for something of the practice's own. */
export function newId(): string {
  return `own-${crypto.getRandomValues(new Uint32Array(1))[0]?.toString(36)}`;
}
