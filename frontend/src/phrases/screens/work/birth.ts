/** What these screens say: work, birth. */
export const say = {
  minSoFar: (minutes: number) => `${minutes} min so far`,
  callNow:
    "△ Five minutes apart, a minute long, for an hour: the usual advice is to call now. Your care team’s own advice goes before it.",
  nowOnHerWord: (place: string) => `Now, on her word: ${place}`,
  lastLong: (length: string) => `last ${length} long`,
  apart: (spacing: string) => `${spacing} apart`,
  timed: (contractions: number) => `${contractions} timed`,
  timeThemHere: "Time them here.",
  whenToCallEarlier:
    "Before 37 weeks, with bleeding, fever or waters broken, or in doubt: call the care team.",
  itHasPassed: (time: string) => `It has passed (${time})`,
  contractionBegins: "A contraction begins",
};
