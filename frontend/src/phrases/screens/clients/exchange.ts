/** What these screens say: clients, exchange. */
export const say = {
  becomesPartOf: "becomes part of",
  visitsIntakesAndAllThat:
    ": visits, intakes and all that was told come here, and the other entry is gone. Where the two differ, the stricter holds: conditions add up, a no goes before a yes, the lighter wish stands. This cannot be taken back.",
  putThemTogether: "Put them together",
  leaveThemApart: "Leave them apart",
  theyAreOneNowWith: (visits: number) => `They are one now, with ${visits} visits.`,
  otherEntryOfSamePerson: "The other entry of the same person",
  nobodyElseIsCalledSo: "Nobody else is called so.",
  wholeRecordToReadPdf: "The whole record, to read (PDF)",
  wholeRecordForAnotherProgram: "The whole record, for another program (JSON)",
  contactAloneVcard: "The contact alone (vCard)",
  whoeverIsWrittenAboutMay:
    "Whoever is written about may have all of it. The files leave the practice’s care with you.",
  isErasedCopiesInBackups: (gone: string, counts: string) =>
    `${gone} is erased: ${counts}. Copies in backups end with those.`,
  eraseThisPerson: "Erase this person",
  everythingGoesForGoodRecord:
    "Everything goes, for good: record, intakes, all sessions with their plans, what was tapped and logged, and the history of this page. Only the date of the erasure and the numbers of what went are kept. Local law may oblige you to keep some of it: take the record out first if so.",
  typeNameToErase: (record: string) => `Type the name to erase: ${record}`,
  lineOfHistory: "line of history",
  linesOfHistory: "lines of history",
  thereWasNoMoreThan: "there was no more than the entry",
  lines: (lines: number) => `${lines} lines`,
  addLine: (line: number, one: string) => `Add line ${line}${one}`,
  line: (line: number) => `Line ${line}`,
  sameAsLine: "△ the same as line",
  yearOfBirth: "Year of birth",
  whatIsInWhichColumn: "What is in which column",
  column: (index: number) => `Column ${index}`,
  columnIs: (heading: number | string) => `Column ${heading} is`,
  bringClientsIn: "Bring clients in",
  fileOfContactsFromAddress:
    "A file of contacts from an address book (vCard) or a table (CSV). Nothing of health is taken from it: that, each client tells you. Nothing is added before you have looked at every line.",
  oneClientWasAdded: "One client was added.",
  clientsWereAdded: (added: number) => `${added} clients were added.`,
  toClients: "To the clients",
  addOneClient: "Add one client",
  addClients: (count: number) => `Add ${count} clients`,
};
