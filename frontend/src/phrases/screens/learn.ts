/** What these screens say: learn. */
export const say = {
  draftingNextPlan: "Drafting the next plan",
  nextPlan: "The next plan",
  nextPlanDrafted: "The next plan, drafted",
  nothingToChange: "As the last one: nothing that was said or left asks for a change.",
  putDraftAway: "Put the draft away",
  layItOverLastPlan: "Lay it over the last plan",
  depthChanges: (after: number | string, before: number | string, start: string) =>
    `to depth ${after} (it was ${before}), since it ${start}`,
  moreTimeSincePointWasLeft: (places: string) => `more time, since a point was left: ${places}`,
  yourOwnPace: "Your own pace",
  paceNotKnown: "Nothing is known of it yet: strokes that were worked without a break in between teach it.",
  fromSessions: (sessions: number) =>
    `From ${sessions === 1 ? "one session" : `your last ${sessions} sessions`}, drawn toward the usual pace until there is enough of it.`,
  plansGoByIt: "Plans to come go by it.",
  clockGoesByUsualPace: "The clock goes by the usual pace until you accept yours.",
  besideUsualPace: "Beside the usual pace",
  useItThoughOdd: "odd: use it all the same",
  takeWhatIsLearnt: "Take what is learnt by now",
  letClockGoByIt: "Let the clock go by it",
  backToUsualPace: "Back to the usual pace",
  pointsOverVisits: "Points over visits",
  sorePointsOverVisits: "Sore points over visits",
  whatTheNumbersAre: "The client’s numbers, 0 none to 10 the worst. They are no diagnosis.",
  setWishByHand: "Set a wish by hand",
  letItCount: "Let it count",
  whatItRestsOn: "What it rests on",
  noVisitYet: "No visit yet.",
  leftOutBy: (by: string, reason: string) => ` Left out by ${by}: ${reason}.`,
  setOrSaid: "Set by hand, or said in an intake",
  wishSetAt: (at: string, region: string, depth: number, reason: string) =>
    `${at}: ${region} at depth ${depth}${reason}`,
  nothingWasSaidOfPressure: "nothing was said of the pressure.",
  saidAtDepth: (region: string, depth: number, word: string) => `${region} at ${depth} “${word}”`,
  itCountsAfterAll: "it counts after all",
  letItCountAgain: "Let it count again",
  thatVisitWasUnusual: "That visit was unusual",
  whyItWasUnusual: "Why it was unusual",
  wishBetween: (mean: number, low: number, high: number) =>
    `Wish about ${mean}, likely between ${low} and ${high}`,
  gatheringVisits: "Putting together what the visits have taught",
  wishesByRegion: "Wishes by region",
  depthThatSuitsByRegion: "The depth that suits, by region",
  fromVisits: (visits: number, next: number) =>
    `From ${visits === 1 ? "one visit" : `${visits} visits`}. A wide hill is a guess, a narrow one is known; the mark is where visit ${next} starts.`,
  nothingSaidYet:
    "Nothing has been said of the pressure yet. Ask in every region, and tap the answer in Work: from then on this page knows more each time.",
  lightToDeep: "Light to deep, 1 to 5",
  onTable: "On the table",
  howToReadTheBody:
    "The deeper, the darker. A whole line around a region is sure, a dashed one fairly sure, dots are a guess.",
  nextPlanStartsThere: (client: string) =>
    `The next plan for ${client} starts there by itself; a plan that stands already says what would change. `,
  allThatIsKnown: "All that is known",
};
