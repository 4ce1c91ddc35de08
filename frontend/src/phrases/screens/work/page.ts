/** What these screens say: work. */
export const say = {
  oneStrokeIsOwed: "1 stroke skipped",
  strokesAreOwed: (owed: number) => `${owed} strokes skipped`,
  timeStandsStill: "Paused",
  goesOnByItself: "Goes on by itself",
  waitsForYou: "Waits for you",
  timeGoesOn: "Resume",
  lastHold: "The last hold",
  bringingSessionToTable: "Loading the session at the table",
};
