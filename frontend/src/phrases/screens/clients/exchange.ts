/** What these screens say: clients, exchange. */
import { listed } from "../../words";

export const say = {
  willBeMergedInto: "will be merged into",
  visitsIntakesAndAllThat:
    ": visits, intakes and everything on record come here, and the other record is deleted. Where the two differ, the stricter one is kept: all conditions, a no before a yes, the lighter wish. This cannot be undone.",
  mergeRecords: "Merge the two records",
  keepBothRecords: "Keep both records",
  merged: (visits: number) =>
    visits === 1 ? "Merged: one visit in all." : `Merged: ${visits} visits in all.`,
  otherEntry: "The other record of the same person",
  noOtherOfThatName: "No other client has that name.",
  recordAsPaper: "Whole record as PDF",
  recordAsData: "Whole record as JSON",
  contactAsCard: "Contact only (vCard)",
  rightToTheRecord:
    "Clients may have their whole record. Once you download a file, keeping it safe is up to you.",
  erased: (gone: string, counts: string) =>
    `${gone} is deleted: ${counts}. Copies in backups go when the backups do.`,
  eraseThisPerson: "Delete this client",
  whatErasingDoes:
    "This deletes everything for good: record, intakes, all sessions with their plans and logs, and the history of this page. Only the date and the counts are kept. Local law may require you to keep some of it: export the record first.",
  typeNameToErase: (name: string) => `Type the name to delete: ${name}`,
  lineOfHistory: "line of history",
  linesOfHistory: "lines of history",
  nothingButTheEntry: "nothing but the name",
  lines: (lines: number) => `${lines} lines`,
  addLine: (line: number, name: string) => `Add line ${line}${name}`,
  line: (line: number) => `Line ${line}`,
  linesUnread: (lines: readonly number[]) =>
    `${lines.length === 1 ? "line" : "lines"} ${listed(lines.map(String))} of the file cannot be read and ${lines.length === 1 ? "is" : "are"} left out`,
  sameAsLine: "△ the same as line",
  yearOfBirth: "Year of birth",
  whatIsInWhichColumn: "Columns of the file",
  column: (index: number) => `Column ${index}`,
  columnIs: (heading: number | string) => `Column ${heading} is`,
  bringClientsIn: "Import clients",
  whatMayBeBroughtIn:
    "Choose a file of contacts from an address book (vCard) or a table (CSV). Health details are not imported: clients tell you those themselves. You check every line before anything is added.",
  oneClientWasAdded: "One client was added.",
  clientsWereAdded: (added: number) => `${added} clients were added.`,
  toClients: "To the clients",
  addOneClient: "Add one client",
  addClients: (count: number) => `Add ${count} clients`,
};
