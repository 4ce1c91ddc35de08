/** What these screens say: clients, describing. */
export const say = {
  yesAndNo: "Yes and no",
  mayItBeTouched: (name: string) => `${name}: may it be touched?`,
  betweenAnd: (least: number, most: number) => `Between ${least} and ${most}.`,
  weightInKgIfKnown: "Weight in kg, if known",
  yearOfBirthIfWanted: "Year of birth, if wanted",
  breathsAtRest: "Breaths a minute at rest",
  dryTakesMoreOil: "dry: takes more oil",
  muchTakesMoreOil: "much: takes more oil",
  clothingInChair: "Clothing in the chair",
  noSessionRefer: "No session: refer",
  dueDateOfPregnancy: "Due date of a pregnancy",
  addCondition: "Add a condition",
  whatTickingDoes:
    "What stands here changes the plan of every session to come, and says so there. It is no diagnosis: the client’s own clinician decides.",
  pressureByRegion: "Pressure by region",
  regionToWishFor: "A region with a wish of its own",
  doesNotLike: "Does not like",
  whatMakesItGoodHour: "What makes it a good hour",
  strokeOrToolOf: (label: string) => `${label}: a stroke or a tool`,
  strokeOrTool: "A stroke or a tool",
  place: (label: string) => `${label}: a place`,
};
