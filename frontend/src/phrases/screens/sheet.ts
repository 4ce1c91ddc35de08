/** What these screens say: sheet. */
export const say = {
  onTwoPages: "One or two pages of A4, in plain words.",
  howToReadIt: "One or two pages of A4. A stroke reads: name, place, depth/passes.",
  handsOnAt: "Hands on at",
  forTo: (time: string) => `, for ${time}, to`,
  layOut: (packing: string) => `Lay out: ${packing}.`,
  askHowDeep: "Ask: is it right so, lighter, or deeper?",
};
