/** What these screens say: learn. */
export const say = {
  draftingNextPlan: "Drafting the next plan",
  nextPlan: "The next plan",
  nextPlanDrafted: "The next plan, drafted",
  nothingToChange: "Same as last time: nothing calls for a change.",
  putDraftAway: "Close the draft",
  layItOverLastPlan: "Compare with the last plan",
  depthChanges: (after: number | string, before: number | string, start: string) =>
    `to depth ${after} (it was ${before}), since it ${start}`,
  moreTimeSincePointWasLeft: (places: string) => `more time, since a point was left: ${places}`,
  yourOwnPace: "Your own pace",
  strokeByStroke: "Stroke by stroke",
  earlierVisits: (visits: number) => (visits === 1 ? "One earlier visit" : `${visits} earlier visits`),
  paceNotKnown: "Not known yet. It is learnt from strokes that you work without a pause.",
  fromSessions: (sessions: number) =>
    `From ${sessions === 1 ? "one session" : `your last ${sessions} sessions`}, weighed with the usual pace until there are more.`,
  plansGoByIt: "New plans use it.",
  clockGoesByUsualPace: "Plans use the usual pace until you accept yours.",
  besideUsualPace: "Compared with the usual pace",
  useItThoughOdd: "unusual: use it anyway",
  updateMyPace: "Update my pace",
  useMyPace: "Use my pace",
  backToUsualPace: "Back to the usual pace",
  pointsOverVisits: "Points over visits",
  sorePointsOverVisits: "Sore points over visits",
  whatTheNumbersAre: "The client’s numbers, 0 none to 10 the worst. They are no diagnosis.",
  setWishByHand: "Set a wish by hand",
  letItCount: "Let it count",
  whatItRestsOn: "What it is based on",
  noVisitYet: "No visit yet.",
  leftOutBy: (by: string, reason: string) => ` Left out by ${by}: ${reason}.`,
  setOrSaid: "Set by hand, or said in an intake",
  wishSetAt: (at: string, region: string, depth: number, reason: string) =>
    `${at}: ${region} at depth ${depth}${reason}`,
  nothingWasSaidOfPressure: "nothing was said about the pressure.",
  saidAtDepth: (region: string, depth: number, word: string) => `${region} at ${depth} “${word}”`,
  itCountsAfterAll: "counted again",
  letItCountAgain: "Count it again",
  thatVisitWasUnusual: "That visit was unusual",
  whyItWasUnusual: "Why it was unusual",
  wishBetween: (mean: number, low: number, high: number) =>
    `Wish about ${mean}, likely between ${low} and ${high}`,
  readingWhatWasLearnt: "Putting together what was learnt",
  wishesByRegion: "Wishes by region",
  depthThatSuitsByRegion: "The depth that suits, by region",
  fromVisits: (visits: number, next: number) =>
    `From ${visits === 1 ? "one visit" : `${visits} visits`}. A wide hill is a guess, a narrow one is sure. The mark shows where visit ${next} starts.`,
  nothingSaidYet:
    "Nothing has been said about pressure yet. Ask in every region and tap the answer in Work: this page learns from each one.",
  lightToDeep: "Light to deep, 1 to 5",
  onTable: "On the table",
  howToReadTheBody:
    "The deeper, the darker. A solid outline means sure, a dashed one fairly sure, a dotted one a guess.",
  nextPlanStartsThere: (client: string) =>
    `The next plan for ${client} starts from this. A plan that is already made tells you what would change. `,
  allThatIsKnown: "All that is known",
};
