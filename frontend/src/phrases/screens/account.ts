/** What these screens say: account. */
export const say = {
  dimScreenForNightRoom: "Dim the screen for the night room",
  signOutNow: "Sign out now?",
  staySignedIn: "Stay signed in",
  tapsStay: (taps: number) =>
    taps === 1
      ? "One tap has not reached the practice yet. It stays on this device, hidden, until you sign in here again."
      : `${taps} taps have not reached the practice yet. They stay on this device, hidden, until you sign in here again.`,
  practiceSettings: "Settings of the practice",
  openingAccount: "Opening your account",
  yourAccount: "Your account",
  whoAt: (name: string, practice: string, role: string) =>
    `${name}, ${role === "owner" ? "owner" : "therapist"} at ${practice}.`,
  demoAccountStays: "The demo is shared, so nobody changes its account.",
  openOfYourOwn: "Open a practice of your own",
  whoYouAre: "Who you are",
  whoSeesYourName: "It stands under what you write down.",
  yourPassword: "Your password",
  whyPassword: "You sign in with the e-mail, so the password is asked.",
  saved: "Saved.",
  changePassword: "Password",
  passwordNow: "The password now",
  newPassword: "New password",
  othersAreSignedOut: "Your other devices are signed out.",
  changeIt: "Change the password",
  passwordChanged: "Changed. Your other devices are signed out.",
  codeToSignIn: "Code to sign in",
  whatCodeIsFor:
    "With a code from your phone beside the password, nobody gets in who only knows the password. You need an authenticator app.",
  codeIsAsked: (left: number) =>
    `A code is asked when you sign in. ${left === 1 ? "One recovery code is" : `${left} recovery codes are`} left.`,
  switchCodeOff: "Switch the code off",
  setUpCode: "Set up a code",
  scanIt: "Scan this with your authenticator app, then type the code that it shows.",
  orTypeSecret: "Or type this secret into the app:",
  firstCode: "Code from the app",
  useCodeFromNowOn: "Ask for it from now on",
  recoveryCodes: "Recovery codes",
  keepTheseCodes:
    "Keep these recovery codes away from your phone. Each opens once when the phone is gone; they are not shown again.",
  haveKeptThem: "I have kept them",
  signedInAt: "Devices signed in",
  unknownDevice: "A device",
  thisDevice: "this one",
  lastUsed: (when: string) => `last used ${when}`,
};
