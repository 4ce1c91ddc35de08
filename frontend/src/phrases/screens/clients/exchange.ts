/** What these screens say: clients, exchange. */
import { listed } from "../../words";

export const say = {
  becomesPartOf: "becomes part of",
  visitsIntakesAndAllThat:
    ": visits, intakes and all that was told come here, and the other entry is gone. Where the two differ, the stricter holds: conditions add up, a no goes before a yes, the lighter wish stands. This cannot be taken back.",
  putThemTogether: "Put them together",
  leaveThemApart: "Leave them apart",
  merged: (visits: number) => `They are one now, with ${visits} visits.`,
  otherEntry: "The other entry of the same person",
  nobodyElseIsCalledSo: "Nobody else is called so.",
  recordAsPaper: "The whole record, to read (PDF)",
  recordAsData: "The whole record, for another program (JSON)",
  contactAsCard: "The contact alone (vCard)",
  rightToTheRecord:
    "Whoever is written about may have all of it. The files leave the practice’s care with you.",
  erased: (gone: string, counts: string) => `${gone} is erased: ${counts}. Copies in backups end with those.`,
  eraseThisPerson: "Erase this person",
  whatErasingDoes:
    "Everything goes, for good: record, intakes, all sessions with their plans, what was tapped and logged, and the history of this page. Only the date of the erasure and the numbers of what went are kept. Local law may oblige you to keep some of it: take the record out first if so.",
  typeNameToErase: (name: string) => `Type the name to erase: ${name}`,
  lineOfHistory: "line of history",
  linesOfHistory: "lines of history",
  nothingButTheEntry: "there was no more than the entry",
  lines: (lines: number) => `${lines} lines`,
  addLine: (line: number, name: string) => `Add line ${line}${name}`,
  line: (line: number) => `Line ${line}`,
  linesUnread: (lines: readonly number[]) =>
    `${lines.length === 1 ? "line" : "lines"} ${listed(lines.map(String))} of the file cannot be read and ${lines.length === 1 ? "is" : "are"} left out`,
  sameAsLine: "△ the same as line",
  yearOfBirth: "Year of birth",
  whatIsInWhichColumn: "What is in which column",
  column: (index: number) => `Column ${index}`,
  columnIs: (heading: number | string) => `Column ${heading} is`,
  bringClientsIn: "Bring clients in",
  whatMayBeBroughtIn:
    "A file of contacts from an address book (vCard) or a table (CSV). Nothing of health is taken from it: that, each client tells you. Nothing is added before you have looked at every line.",
  oneClientWasAdded: "One client was added.",
  clientsWereAdded: (added: number) => `${added} clients were added.`,
  toClients: "To the clients",
  addOneClient: "Add one client",
  addClients: (count: number) => `Add ${count} clients`,
};
