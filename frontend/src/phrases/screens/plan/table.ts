/** What these screens say: plan, table. */
export const say = {
  fromFor: (start: string, time: string) => `from ${start}, for ${time}`,
  howToKeepOff:
    "Point at a place on the plan, or choose it here. The plan keeps off it at once: in every session to come, or in this one only.",
  onlyThisSession: "(this session only)",
  onlyInThisSession: "In this session only",
  allowPlaceAgain: (one: string) => `Allow it again: ${one}`,
  allowAgain: "Allow it again",
  placeToKeepOff: "Place to keep off",
  playItInMinute: "Play the session in a minute",
  momentOfSession: "Moment of the session",
  atTable: "At the table",
  doneWithPlaces: "Done with places",
  placesToKeepOff: "Places to keep off",
  pointAtPlaceFor: "Point at the place for",
  orChooseItInList: ", or choose it in the list.",
};
