/** What these screens say: work, said. */
export const say = {
  whatClientSaysOfPressure: "What the client says of the pressure",
  here: (points: number) => `${points} here`,
  whatHappened: "What happened",
  nothingGoOn: "Nothing, go on",
  skipThisStroke: "Skip this stroke",
  skipRegion: "Skip the region",
  skipPassage: (passage: string) => `Skip the ${passage}`,
};
