/** What these screens say: tableplan. */
export const say = {
  nothingIsUncovered: "Nothing is uncovered.",
  strokeOn: (stroke: string, place: string, zone: string, direction: string) =>
    `${stroke} on the ${place}${zone}, ${direction}.`,
  clientIs: (position: string, pregnant: string) => `The client is ${position}${pregnant}.`,
  youAreAtBasin: "You are at the basin.",
  youAre: (posture: string, place: string) => `You ${posture} ${place}.`,
  tablePlan: (says: string) => `Table plan. ${says}`,
};
