/** What these screens say: sheet. */
export const say = {
  howToReadIt: "One or two pages of A4. A stroke reads: name, place, depth/passes.",
  handsOnAt: "Hands on at",
  forTo: (time: string) => `, for ${time}, to`,
  layOut: (packing: string) => `Lay out: ${packing}.`,
};
