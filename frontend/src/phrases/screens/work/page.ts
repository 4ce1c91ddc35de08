/** What these screens say: work. */
export const say = {
  oneStrokeIsOwed: "One stroke is owed",
  strokesAreOwed: (owed: number) => `${owed} strokes are owed`,
  timeStandsStill: "Time stands still",
  goesOnByItself: "Goes on by itself",
  waitsForYou: "Waits for you",
  timeGoesOn: "Time goes on",
  lastHold: "The last hold",
  bringingSessionToTable: "Bringing the session to the table",
};
