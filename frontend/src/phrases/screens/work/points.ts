/** What these screens say: work, points. */
export const say = {
  setByMistake: "Set by mistake: remove it",
  clientsNumberNoneToWorst: "The client’s number, 0 none to 10 the worst",
  slowToEaseLeaveIt: "Slow to ease: leave it",
  pressOnBreathOutWait: "Press on the breath out; wait.",
  letItComeUpWith: "Let it come up with the breath in.",
  sorePoints: (entry: string) => `Sore points, ${entry}`,
  noneYetInThisRegion: "None yet in this region.",
  inOrderToTreatThem: "In the order to treat them",
  namedByClient: "named by the client",
  doneForToday: "done for today",
  timeForPoints: "Time for points",
  hereAreEnoughFor: (seconds: string, now: string, taken: string) =>
    `The ${seconds} here are enough for ${now} (${taken}).`,
  thereIsNoTimeLeft: "There is no time left here for any of them.",
  leftForAnotherDay: (left: string) => ` Left for another day: ${left}.`,
  newPoint: "A new point",
  isThatSpotPointAt: "Is that the spot? Point at it, or choose:",
  clientNamedIt: "The client named it",
};
