/** Reading a file of contacts. */
import type { Table } from "../../../api/client";

export function kindOf(text: string): "vcard" | "table" {
  return /^\s*BEGIN:VCARD/im.test(text) ? "vcard" : "table";
}

/** Which field each column, by its number, seems to be. */
export function fieldsOf(table: Table): Record<string, string> {
  return Object.fromEntries(
    table.columns.flatMap(({ field }, column) => (field ? [[String(column), field]] : [])),
  );
}
