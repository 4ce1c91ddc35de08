/** Where the browser takes itself to be, as far as it tells. */

export function guessTimeZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";
}

/** The country of the browser's language, if practices can be there. */
export function guessCountry(known: readonly string[]): string {
  const region = new Intl.Locale(navigator.language).maximize().region ?? "";
  return known.includes(region) ? region : "";
}
