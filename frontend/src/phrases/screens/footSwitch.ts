/** What these screens say: footSwitch. */
export const say = {
  spaceAndBackspace: "Space and backspace",
  simulatedFootSwitch: "Simulated foot switch",
  howToUseIt:
    "Signed in as the same person, the table’s screen listens to it once that is switched on under “Table settings”. It sends the keys a real one sends.",
};
