/** What these screens say: flows. */
export const say = {
  bookWithIt: "Book a session with it",
  another: (flow: string) => `${flow}, another`,
  rename: (flow: string) => `Rename ${flow}`,
  forAClientOf: (flow: string) => `Use it for a client: ${flow}`,
  forAClient: "Use it for a client",
  compare: (flow: string) => `Compare ${flow}`,
  restore: (flow: string) => `Restore ${flow}`,
  archive: (flow: string) => `Archive ${flow}`,
  more: (worked: number) => `${worked} more`,
  asLongAsItTakes: "as long as it takes",
  cameWithMellowTide: "came with Mellow Tide",
  whoseSession: "Whose session? You see what changes for them before anything is stored.",
  nothingLeftToPlan: "No session of today is still to be planned.",
  whatTheLibraryIs:
    "Sessions to start from. Each is adapted to the client it is used for, and every change is named first.",
  findFlow: "Find a flow",
  whatToSearchBy: "Name, region, minutes, kind: feet 75",
  flows: (kept: number) => `${kept} flows`,
  shownOfFlows: (shown: number, kept: number) => `${shown} of ${kept} flows`,
  chooseASecond: "Choose a second one to compare with.",
  noFlowFits: "No flow fits all of these words. Try fewer.",
};
