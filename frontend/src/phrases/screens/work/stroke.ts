/** What these screens say: work, stroke. */
export const say = {
  enoughGoOnSoftly: "Enough; go on softly",
  of: (pass: number, passes: number) => `${pass} of ${passes}`,
  breathInRelease: "Breath in: release",
  breathOutSinkIn: "Breath out: sink in",
  andLetGo: "and let go",
  holdOfS: (seconds: number, each: number) => `Hold: ${seconds} of ${each} s`,
  startAt: (depth: number, why: string) => `Start at ${depth}, ${why}`,
  pressOnOutBreath: "Lean in on each out-breath",
  askEarlyHere: "· ask early here",
  addedToPlan: "Added to the plan",
  washYourHandsFirst: "△ Wash your hands first.",
};
