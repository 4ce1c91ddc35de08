/** What these screens say: ui. */
export const say = {
  keysOfThisScreen: "Keys of this screen",
  timeZone: "Time zone",
  notSaid: "Not said",
  pageFailed: "Something went wrong on this page.",
  savedIsSafe: "What was saved is safe. Reload the page.",
  showArchived: "Show archived",
};
