/** What these screens say: footSwitch. */
export const say = {
  spaceAndBackspace: "Space and backspace",
  simulatedFootSwitch: "Simulated foot switch",
  howToUseIt:
    "To use it in Work on another screen, sign in there as the same person and turn it on under “Table settings”. It sends the keys that a real one sends.",
};
