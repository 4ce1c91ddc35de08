/** What these screens say: work, halt. */
export const say = {
  unwellOrDizzy: "Unwell or dizzy",
  stopSignCameUp: "A stop sign came up",
  clientWishesIt: "The client wants to stop",
  stopSession: "Stop the session",
  handsStillThenOff: "Hands still, then off.",
  whatToDoNow:
    "Cover the client and stay within reach. If they are faint, short of breath, confused, in sudden severe pain or weak on one side, call for help at once. You do not diagnose; local rules and their own clinician decide what comes next.",
  whyDoesItEnd: "Why does it end?",
  anotherReasonInWords: "Another reason, in words",
  goOnWithSession: "Go on with the session",
  sessionIsOver: "The session is over.",
  sessionWasStopped: "The session was stopped.",
  helpUp: (client: string) => `Help ${client} to sit up slowly. The log is already filled in.`,
  stayWith: (client: string) =>
    `Stay with ${client}. Up only slowly, with a hand near. When it does not pass at once, or you are not sure, call for help or send them to their clinician, and say what you saw, not what you think it is. The reason and the time are noted.`,
  keptOnThisDevice: (taps: number) =>
    `${taps === 1 ? "1 tap is" : `${taps} taps are`} kept on this device and will be sent when the server can be reached.`,
};
