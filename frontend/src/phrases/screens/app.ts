/** What these screens say: app. */
export const say = {
  nothingAtThisAddress: "There is nothing at this address.",
  goBackTo: "Go back to",
  andOpenItFromThere: "and open it from there.",
  toBeLogged: "to be logged",
  stagesOfSession: "Stages of the session",
  skipToPage: "Skip to the page",
  openingPage: "Opening the page",
  homeLink: "Mellow Tide: go to Today",
  caution:
    "Mellow Tide is an aid to planning for trained people. It does not diagnose. Local law, scope of practice, licence and the client’s own clinician decide; when in doubt, do not work there, or do not work at all.",
  settingsOf: (practice: string) => `Settings of ${practice}`,
  sharedDemo: "demo, shared",
  accountOf: (name: string) => `Account of ${name}`,
};
