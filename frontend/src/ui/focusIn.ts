/** A ref for what opens over the page: whoever uses keys or hears the page arrives in it. */
export function focusIn(node: HTMLElement | null) {
  node?.focus();
}
