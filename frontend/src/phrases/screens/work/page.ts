/** What these screens say: work. */
export const say = {
  oneStrokeIsOwed: "1 stroke skipped",
  strokesAreOwed: (owed: number) => `${owed} strokes skipped`,
  pausedNow: "Paused",
  goesOnByItself: "Goes on by itself",
  waitsForYou: "Waits for you",
  resumeNow: "Resume",
  lastHold: "The last hold",
  bringingSessionToTable: "Loading the session at the table",
};
