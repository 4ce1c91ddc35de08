/** What these screens say: ui. */
export const say = {
  somethingWentWrongOnThis: "Something went wrong on this page.",
  whatWasSavedIsSafe: "What was saved is safe. Reload the page.",
  withThosePutAway: "With those put away",
};
