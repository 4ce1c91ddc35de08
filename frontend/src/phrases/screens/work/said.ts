/** What these screens say: work, said. */
export const say = {
  whatClientSaysOfPressure: "What the client says of the pressure",
  here: (points: number) => `${points} here`,
  whatBodySaysAndSkipping: "What the body says, and skipping",
  skipThisStroke: "Skip this stroke",
  skipRegion: "Skip the region",
  skipPassage: (passage: string) => `Skip the ${passage}`,
};
