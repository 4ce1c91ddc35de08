/** What these screens say: work, giving. */
export const say = {
  cannotBeReached: "Mellow Tide cannot be reached. Shorten by hand, and keep the close.",
  lookingUpWhatMayGive: "Finding what can be shortened …",
  whatGivesWay: "What gives way",
  leaveAt: "Leave at",
  inMinutes: (minutes: number) => `in ${minutes} min`,
  spare: (region: string) => `Spare the ${region}`,
  shortenAny: "Shorten any region",
  keepPlan: "Keep the plan",
  missingForTheClose: (time: string) =>
    `△ ${time} are missing, even for the close. Leave something out, or go to the last hold.`,
  begunLate: (lateStart: string) => `Begun ${lateStart} late. To end on time: `,
  everythingFits: "Everything fits.",
};
