/** What these screens say: intake. */
export const say = {
  noneOfThese: "None of these",
  nowhereYouWork: "Nowhere you would work",
  yesFoldedBack: "Yes, with the sheet folded back",
  askMeThen: "Ask me on the day",
  asYouThink: "As you think best",
  seenFromBehind: "Seen from behind",
  seenFromFront: "Seen from the front",
  whyThere: (place: string) => `Why, if you want to say: ${place}`,
  chooseAPlaceNotToTouch: "Or choose a place not to be touched",
  chooseAPlaceOfTension: "Or choose a place that feels tense",
  thereIsNoFormHere: "There is no form here.",
  openTheWholeLink: "Open the full link you were given.",
  thankYou: "Thank you.",
  handedIn:
    "Your answers have been handed in, and none of them are left on this device. If it is not your device, please give it back now.",
  thereIsNoConnection: "No connection.",
  opensByItself: "The form opens as soon as you are connected. Keep this page open.",
  openingForm: "Opening the form",
  sectionOf: (practice: string, at: number, sections: number) => `${practice} · section ${at} of ${sections}`,
  answersAreKept: "No connection. Your answers are saved on this device and sent once you are connected.",
  cannotBeRightYet: "” needs another look.",
  waitingForConnection: "Waiting for a connection …",
  handItIn: "Hand in the form",
  whoReadsIt:
    "Your therapist reads this before touching you. It is not a medical examination: if you are not sure whether a massage is right for you, ask your own clinician first.",
};
