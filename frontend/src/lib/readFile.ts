/** Reading a file that somebody chose. */

/** The file's text: UTF-8, or what older programs write if it cannot be that. */
export async function readFile(file: Blob): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
