/** What was just done on the day, and how it is taken back. */
export interface Done {
  words: string;
  /** The session that it was done to, where one can look at it. */
  sessionId?: string;
  undo?: () => Promise<unknown>;
}
