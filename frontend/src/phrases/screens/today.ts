/** What these screens say: today. */
export const say = {
  alsoUnderWay: "Also under way",
  readingDay: "Reading the day",
  stillWater: "Still water.",
  nothingBooked:
    "No session is booked today. When one is, it appears here at its hour, with its plan ready to be looked at.",
  dayInOrder: "The day in order",
  lookAtPlan: "Look at the plan",
  goOnWorking: "Go on working",
  stillToLog: "Still to log",
};
