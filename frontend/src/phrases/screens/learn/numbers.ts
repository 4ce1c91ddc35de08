/** What these screens say: learn, numbers. */
export const say = {
  addingUp: "Adding up the sessions",
  title: "Numbers",
  fromTo: (first: string, last: string, sessions: number) =>
    `${first} to ${last}: ${sessions} ${sessions === 1 ? "session" : "sessions"}.`,
  none: "No session has ended in these months. The numbers begin with the first one.",
  minutesSay: (taken: string, planned: string, more: string, less: string) =>
    `${taken} worked, ${planned} planned. ${more}${less}`,
  longerThanPlanned: (region: string, time: string) => `Most over the plan: ${region}, ${time}. `,
  shorterThanPlanned: (region: string, time: string) => `Most under it: ${region}, ${time}.`,
  outlineIsPlan: "Filled: worked. Line: planned.",
  cell: (taken: string, planned: string) => `${taken}, planned ${planned}`,
  regionsByMonth: "Minutes by region and month",
  depthMet: "How often the depth was right",
  depthSay: (right: number, heard: number, lighter: number, deeper: number) =>
    `You asked ${heard} times: ${right} just right, ${lighter} lighter, ${deeper} deeper.`,
  nobodySaid: "Nobody was asked about the depth in these months.",
  rightOf: (month: string, right: number, heard: number) => `${month}: just right ${right} of ${heard} times`,
  yourHands: "Your thumbs by week",
  handsSay: (over: number, weeks: number) =>
    over === 0
      ? `In ${weeks} ${weeks === 1 ? "week" : "weeks"} of work your thumbs stayed within what they can take.`
      : `In ${over} of ${weeks} weeks your thumbs worked more than they can take.`,
  weekOf: (day: string, thumbs: string, budget: string) =>
    `Week of ${day}: ${thumbs} of thumb work, ${budget} at most`,
  lineIsMost: "The line is what the thumbs can take on the days worked.",
  asTable: "Download as CSV",
};
