/** What these screens say: work, begin. */
export const say = {
  setUpFirst: "Set up first",
  asLastTime: "As last time:",
  comfortQuestion: "Then ask: are you warm enough, does anything press?",
  noSessionToday: "There is no session today. Say so kindly, and refer; you do not diagnose.",
  nothingNewBegin: "Nothing new: begin",
  notedPutItIntoPlan: "Noted: put it into the plan",
  howLongAndCaution: (time: string) =>
    `${time} from first touch to last. If something is said that you are not sure of, do not work there, or do not work at all: the client’s own clinician decides.`,
};
