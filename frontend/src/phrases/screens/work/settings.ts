/** What these screens say: work, settings. */
export const say = {
  softTone: "A soft tone",
  noVoice: "This device has no voice of its own.",
  onePictureOneSentence: "One picture, one sentence",
  shortBuzzWithIt: "A short buzz with it",
  goesOnByItselfAt: "Goes on by itself, at the plan’s pace",
  listenToSimulatedFootSwitch: "Listen to the simulated foot switch",
  footSwitchKeys: "A foot switch that sends page, arrow or space keys works as it is. The",
  pageOfItsOwn: "is a page of its own, for another device.",
};
