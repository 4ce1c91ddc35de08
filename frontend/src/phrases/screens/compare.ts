/** What these screens say: compare. */
export const say = {
  asWaterAsLineOver: (name: string, name2: string) => `${name} as water, ${name2} as a line over it`,
  walksRoundTable: "Walks round the table",
  leftAgainstRight: "Left against right",
  thumbsOfAllStrokes: "Thumbs, of all strokes",
  strainOnHandsOf: "Strain on the hands, of 10",
  depth: (n: number) => `depth ${n}`,
  ml: (n: number) => `${n} ml`,
  minutesByRegion: "Minutes by region",
  noRegionChangesByMore: "No region changes by more than a few seconds.",
};
