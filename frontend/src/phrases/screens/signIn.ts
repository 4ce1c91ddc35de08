/** What these screens say: signIn. */
export const say = {
  roomIsWarmComeIn: "The room is warm. Come in.",
  giveYourEmail: "Give the e-mail you sign in with.",
  giveYourPassword: "Give your password.",
};
