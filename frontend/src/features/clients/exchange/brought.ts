/** Reading a file of contacts. */
import type { Table } from "../../../api/client";

/** The file's text: UTF-8, or what older programs write if it cannot be that. */
export async function readFile(file: Blob): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

export function kindOf(text: string): "vcard" | "table" {
  return /^\s*BEGIN:VCARD/im.test(text) ? "vcard" : "table";
}

/** Which field each column, by its number, seems to be. */
export function fieldsOf(table: Table): Record<string, string> {
  return Object.fromEntries(
    table.columns.flatMap(({ field }, column) => (field ? [[String(column), field]] : [])),
  );
}
