import { onEnterKey } from "./onEnterKey";

interface Props {
  label: string;
  kind: "date" | "time";
  value: string;
  optional?: boolean;
  onType(typed: string): void;
  /** What Enter does, where the form around it is not to be sent. */
  onEnter?: (() => void) | undefined;
}

const WIDTH = { date: "w-44", time: "w-36" };

/** A day or a time of day in a sentence, with its label before it. */
export function MomentEntry({ label, kind, value, optional, onType, onEnter }: Props) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <input
        type={kind}
        required={!optional}
        className={`input min-h-11 ${WIDTH[kind]}`}
        value={value}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={onEnterKey(onEnter)}
      />
    </label>
  );
}
