import type { Table } from "../../../api/client";
import { say } from "../../../phrases/screens/clients/exchange";
import { shared } from "../../../phrases/screens/shared";

const FIELDS = {
  name: "Name",
  given_name: "First name",
  family_name: "Family name",
  address_as: "Called",
  phone: "Phone",
  email: "E-mail",
  emergency_contact: shared.inEmergency,
  birth_year: say.yearOfBirth,
  language: "Language",
  height_cm: "Height",
  know_first: shared.toKnowFirst,
  note: "Note",
} as const;

interface Props {
  table: Table;
  matching: Readonly<Record<string, string>>;
  onMatch(column: number, field: string): void;
}

/** The columns of a table, each with the first of what stands in it, and what it is taken for. */
export function MatchColumns({ table, matching, onMatch }: Props) {
  return (
    <section aria-label="Columns" className="mt-6">
      <h2 className="text-2xl">{say.whatIsInWhichColumn}</h2>
      <ul className="mt-2">
        {table.columns.map((column, index) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: two columns may be called the same
            key={index}
            className="grid items-center gap-x-6 border-t border-base-300 py-2 sm:grid-cols-[12rem_14rem_1fr]"
          >
            <span className="font-bold">{column.heading || say.column(index + 1)}</span>
            <select
              className="select min-h-11 w-full"
              aria-label={say.columnIs(column.heading || index + 1)}
              value={matching[index] ?? ""}
              onChange={(event) => onMatch(index, event.target.value)}
            >
              <option value="">left out</option>
              {Object.entries(FIELDS).map(([field, words]) => (
                <option key={field} value={field}>
                  {words}
                </option>
              ))}
            </select>
            <span className="truncate text-quiet">{column.samples.join(" · ")}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
