/** What these screens say: work, undone. */
export const say = {
  addRegion: "Add a region",
  addRegionNow: "Add a region now",
  howAddingWorks: "As they lie now, as short as is worth it. The rest then gives, and says what.",
  nothingCanBeAddedIn: "Nothing can be added in this position.",
  goOnWithPlan: "Go on with the plan",
  leftUndoneHere: "Left undone here",
  beforeCoverGoesBack: "Before the cover goes back",
  leftUndoneAloud: "Left undone here:",
  manyStrokes: (count: number, places: string) => `${count} strokes on ${places}`,
  doItNow: "Do it now",
  whyItIsLeftOut: "Why it is left out, if you want to say",
  thatWasLastHold: "That was the last hold.",
  endSession: "End the session?",
  stillOwed: (strokes: string) => `△ Still to do: ${strokes}.`,
  goOnEndsIt: "Go on ends it; go back stays.",
};
