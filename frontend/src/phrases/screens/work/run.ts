/** What these screens say: work, run. */
export const say = {
  tapsKept: (title: string) => `△ ${title} Your taps are kept on this device.`,
  browserKeepsNothing:
    "△ This browser cannot store taps: they reach the server only while it is connected. Do not reload this page.",
  notConnected: "Not connected: taps are kept here.",
  noFootSwitch: "The simulated foot switch cannot be reached: use keys or taps.",
};
