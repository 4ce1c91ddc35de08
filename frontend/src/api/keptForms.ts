/** Forms that clients fill in on this device are kept under this and the token of their link. */
export const FORM_PREFIX = "tide-intake ";

/** Nothing of any form stays on the device. */
export function forgetForms(storage: Storage = localStorage): void {
  for (const key of Object.keys(storage)) if (key.startsWith(FORM_PREFIX)) storage.removeItem(key);
}
