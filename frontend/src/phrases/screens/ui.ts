/** What these screens say: ui. */
export const say = {
  keysOfThisScreen: "Keys of this screen",
  timeZone: "Time zone",
  notSaid: "Not said",
  opensOnceConnected: "No connection. This opens as soon as you are connected.",
  pageFailed: "Something went wrong on this page.",
  savedIsSafe: "What was saved is safe. Reload the page.",
  showArchived: "Show archived",
};
