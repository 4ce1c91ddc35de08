/** What these screens say: ui. */
export const say = {
  pageFailed: "Something went wrong on this page.",
  savedIsSafe: "What was saved is safe. Reload the page.",
  withThosePutAway: "With those put away",
};
