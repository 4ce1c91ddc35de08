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
  openOfYourOwn: "Create your own practice",
  whoYouAre: "Who you are",
  whoSeesYourName: "It appears under what you write.",
  yourPassword: "Your password",
  whyPassword: "You sign in with your e-mail, so please enter your password.",
  saved: "Saved.",
  changePassword: "Password",
  passwordNow: "Current password",
  newPassword: "New password",
  othersAreSignedOut: "Your other devices are signed out.",
  changeIt: "Change password",
  passwordChanged: "Password changed. Your other devices are signed out.",
  codeToSignIn: "Sign-in code",
  whatCodeIsFor:
    "With a code from your phone as well, somebody who only knows your password cannot sign in. You need an authenticator app.",
  codeIsAsked: (left: number) =>
    `You are asked for a code when you sign in. ${left === 1 ? "One recovery code is" : `${left} recovery codes are`} left.`,
  switchCodeOff: "Turn off the code",
  setUpCode: "Set up a code",
  scanIt: "Scan this with your authenticator app, then type the code that it shows.",
  orTypeSecret: "Or type this secret into the app:",
  firstCode: "Code from the app",
  useCodeFromNowOn: "Turn on the code",
  recoveryCodes: "Recovery codes",
  keepTheseCodes:
    "Keep these recovery codes somewhere other than on your phone. Each works once if you lose it. They are not shown again.",
  haveKeptThem: "I have saved them",
  signedInAt: "Devices signed in",
  unknownDevice: "Unknown device",
  thisDevice: "this one",
  lastUsed: (when: string) => `last used ${when}`,
  yourCalendar: "Your sessions in your own calendar",
  whatFeedIs:
    "Your calendar can subscribe to your sessions at a private address. Whoever has the address can read them, so do not pass it on.",
  clientNamesThere: "Show the clients’ names there",
  makeAddress: "Create an address",
  newAddress: "Create a new address",
  withdrawAddress: "Delete the address",
  addressSince: (when: string) => `There is an address, created ${when}.`,
  oldAddressStops: "The old address stops working at once.",
  address: "The address",
  shownOnce: "Copy it now: it is not shown again. Your calendar must be able to reach this server.",
  addressDeleted: "Nothing can be read at the address any more.",
};
