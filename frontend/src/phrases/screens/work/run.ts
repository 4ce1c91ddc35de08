/** What these screens say: work, run. */
export const say = {
  yourTapsAreKeptOn: (title: string) => `△ ${title} Your taps are kept on this device.`,
  thisBrowserKeepsNothingWhat:
    "△ This browser keeps nothing: what is tapped reaches the server only while it is connected. Do not reload this page.",
  notConnectedTapsAreKept: "Not connected: taps are kept here.",
  simulatedFootSwitchCannotBe: "The simulated foot switch cannot be reached: use keys or taps.",
};
