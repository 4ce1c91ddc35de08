/** What these screens say: work, points. */
export const say = {
  setByMistake: "Set by mistake: remove it",
  clientsNumber: "The client’s number, 0 none to 10 the worst",
  slowToEaseLeaveIt: "Slow to ease: leave it",
  press: "Press on the breath out; wait.",
  release: "Let it come up with the breath in.",
  sorePoints: (place: string) => `Sore points, ${place}`,
  noneYetInThisRegion: "None yet in this region.",
  inOrderToTreatThem: "In the order to treat them",
  namedByClient: "named by the client",
  doneForToday: "done for today",
  timeForPoints: "Time for points",
  enoughFor: (time: string, now: string, taken: string) =>
    `The ${time} here are enough for ${now} (${taken}).`,
  noTimeLeft: "There is no time left here for any of them.",
  leftForAnotherDay: (left: string) => ` Left for another day: ${left}.`,
  newPoint: "A new point",
  isThatTheSpot: "Is that the spot? Point at it, or choose:",
  clientNamedIt: "The client named it",
};
