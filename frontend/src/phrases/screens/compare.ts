/** What these screens say: compare. */
export const say = {
  waterAndLine: (first: string, second: string) => `${first} as water, ${second} as a line over it`,
  walksRoundTable: "Walks round the table",
  leftAgainstRight: "Left against right",
  thumbsOfAllStrokes: "Thumbs, share of stroke time",
  strainOnHands: "Strain on the hands, out of 10",
  depth: (level: number) => `depth ${level}`,
  minutesByRegion: "Minutes by region",
  nothingChangesMuch: "No region changes by more than a few seconds.",
};
