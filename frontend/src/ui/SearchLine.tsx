import { say } from "../phrases/screens/ui";

interface Props {
  /** What is sought. */
  label: string;
  placeholder: string;
  typed: string;
  onType(typed: string): void;
  withOld: boolean;
  onWithOld(withOld: boolean): void;
  children?: React.ReactNode;
}

/** The line over a list: search first, and whether what was put away is sought too. */
export function SearchLine(props: Props) {
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2">
      <input
        type="search"
        className="input min-h-11 w-full sm:w-96"
        aria-label={props.label}
        placeholder={props.placeholder}
        maxLength={80}
        value={props.typed}
        onChange={(event) => props.onType(event.target.value)}
      />
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="checkbox"
          checked={props.withOld}
          onChange={(event) => props.onWithOld(event.target.checked)}
        />
        {say.showArchived}
      </label>
      {props.children}
    </div>
  );
}
