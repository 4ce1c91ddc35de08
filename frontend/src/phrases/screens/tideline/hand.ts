/** What these screens say: tideline, hand. */
export const say = {
  lookingWhereItMayGo: "Looking where it may go …",
  isHere: (name: string) => `${name} is here`,
  hereNothingMoreBetweenStrokes: (name: string) => `${name} here: nothing more between strokes`,
  hereBetweenStrokes: (name: string, time: string, moreOrLess: string) =>
    `${name} here: ${time} ${moreOrLess} between strokes`,
  lengthOf: (name: string) => `Length of ${name}`,
  thisSideOnly: ", this side only",
};
