/** What these screens say: app. */
export const say = {
  nothingAtThisAddress: "There is nothing at this address.",
  goBackTo: "Go back to",
  andOpenItFromThere: "and open it from there.",
  toBeLogged: "to be logged",
  stagesOfSession: "Stages of the session",
  skipToPage: "Skip to the page",
  homeLink: "Mellow Tide, to Today",
  caution:
    "Mellow Tide is an aid to planning for trained people. It does not diagnose. Local law, scope of practice, licence and the client’s own clinician decide; when in doubt, do not work there, or do not work at all.",
  dimScreenForNightRoom: "Dim the screen for the night room",
  signOutNow: "Sign out now?",
  staySignedIn: "Stay signed in",
  tapsStay: (taps: number) =>
    taps === 1
      ? "One tap has not reached the practice yet. It stays on this device, hidden, until you sign in here again."
      : `${taps} taps have not reached the practice yet. They stay on this device, hidden, until you sign in here again.`,
  signOut: (name: string) => `Sign out ${name}`,
};
