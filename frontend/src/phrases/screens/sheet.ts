/** What these screens say: sheet. */
export const say = {
  oneOrTwoPagesOf: "One or two pages of A4. A stroke reads: name, place, depth/passes.",
  handsOnAt: "Hands on at",
  forTo: (seconds: string) => `, for ${seconds}, to`,
  layOut: (packing: string) => `Lay out: ${packing}.`,
};
