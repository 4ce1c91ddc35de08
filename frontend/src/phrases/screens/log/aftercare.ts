/** What these screens say: aftercare. */
export const say = {
  writing: "Writing it",
  stretch: "A stretch to go with it",
  noStretch: "No stretch",
  noneFits: "No stretch is offered: what was worked is spared on this client, or they are pregnant.",
  copyText: "Copy the text",
  copied: "Copied.",
  downloadPdf: "Download as a PDF",
  textOfPractice: "The practice’s text",
  howItWorks: (names: string) =>
    `It is filled in for each client from the signed log: ${names}. Nothing of your notes goes into it.`,
  useUsual: "Use the text that ships",
  savedText: "Saved for all clients.",
  afterSigning: "Sign the log first: what the client takes home is written from it.",
  toTheLog: "To the log",
};
