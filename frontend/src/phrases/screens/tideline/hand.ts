/** What these screens say: tideline, hand. */
export const say = {
  lookingWhereItMayGo: "Finding where it can go …",
  isHere: (name: string) => `${name} is here`,
  hereNothingMoreBetweenStrokes: (name: string) => `${name} here: no more time between strokes`,
  hereBetweenStrokes: (name: string, time: string, moreOrLess: string) =>
    `${name} here: ${time} ${moreOrLess} between strokes`,
  lengthOf: (name: string) => `Length of ${name}`,
  thisSideOnly: ", this side only",
};
