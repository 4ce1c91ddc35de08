/** What an address says behind its question mark, as far as it can be that. */

/**
 * `day`: another day than today, as ISO date. `client`, `at` and `flow`: whom a session is to be booked for, at what
 * hour of that day, from which flow of the library.
 */
export type DaySearch = { day?: string; client?: string; at?: string; flow?: string };

type Said = Record<string, unknown>;

const UUID = /^[0-9a-f-]{36}$/;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

export function readDay(search: Said): Pick<DaySearch, "day"> {
  return matching(search, "day", DAY);
}

export function readDaySearch(search: Said): DaySearch {
  return {
    ...readDay(search),
    ...matching(search, "client", UUID),
    ...matching(search, "at", /^\d{2}:\d{2}$/),
    ...matching(search, "flow", UUID),
  };
}

/** What is said under a name, if it has its form. */
function matching(search: Said, name: keyof DaySearch, form: RegExp): DaySearch {
  const said = search[name];
  return typeof said === "string" && form.test(said) ? { [name]: said } : {};
}
