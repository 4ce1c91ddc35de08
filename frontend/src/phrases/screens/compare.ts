/** What these screens say: compare. */
export const say = {
  waterAndLine: (first: string, second: string) => `${first} as water, ${second} as a line over it`,
  walksRoundTable: "Walks round the table",
  leftAgainstRight: "Left against right",
  thumbsOfAllStrokes: "Thumbs, of all strokes",
  strainOnHands: "Strain on the hands, of 10",
  depth: (level: number) => `depth ${level}`,
  ml: (amount: number) => `${amount} ml`,
  minutesByRegion: "Minutes by region",
  nothingChangesMuch: "No region changes by more than a few seconds.",
};
