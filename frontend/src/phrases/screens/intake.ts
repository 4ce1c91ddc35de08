/** What these screens say: intake. */
export const say = {
  noneOfThese: "None of these",
  nowhereYouWork: "Nowhere you would work",
  yesFoldedBack: "Yes, with the sheet folded back",
  askMeThen: "Ask me then",
  asYouThink: "As you think",
  seenFromBehind: "Seen from behind",
  seenFromFront: "Seen from the front",
  whyThere: (place: string) => `Why, if you want to say: ${place}`,
  chooseAPlaceNotToTouch: "Or choose a place not to be touched",
  chooseAPlaceOfTension: "Or choose a place that carries tension",
  thereIsNoFormHere: "There is no form here.",
  openTheWholeLink: "Open the link that you were given, whole.",
  thankYou: "Thank you.",
  handedIn:
    "It has been handed in, and nothing of it is left on this device. If it is not yours, give it back now.",
  thereIsNoConnection: "There is no connection.",
  opensByItself: "The form opens by itself as soon as there is one. Keep this page.",
  openingForm: "Opening the form",
  sectionOf: (practice: string, at: number, sections: number) => `${practice} · section ${at} of ${sections}`,
  answersAreKept:
    "No connection just now. Your answers are kept on this device and sent as soon as there is one.",
  cannotBeRightYet: "” cannot be right yet.",
  waitingForConnection: "Waiting for a connection …",
  handItIn: "Hand it in",
  whoReadsIt:
    "What you wrote is read by the person who works with you, before you are touched. It is no examination: if you are not sure whether a massage is right for you, ask your own clinician first.",
};
