/** What these screens say: tideline. */
export const say = {
  at: (time: string) => `At ${time}:`,
  firstContact: (name: string) => `first contact, ${name}`,
  close: (name: string) => `close, ${name}`,
  forWhole: (name: string) => `for the whole, ${name}`,
  partFrom: (name: string, length: string, start: string, deepest: number) =>
    `${name}, ${length} from ${start}, depth up to ${deepest}`,
  uncoveredWhile: (name: string, time: string) => `Uncovered: ${name}, ${time}`,
  standWhile: (place: string, time: string) => `You stand: ${place}, ${time}`,
  label: "Tide line: the session from left to right",
  alone: (name: string) => `${name} alone`,
};
