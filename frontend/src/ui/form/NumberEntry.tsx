import { onEnterKey } from "./onEnterKey";

interface Props {
  label: string;
  value: string;
  least: number;
  most: number;
  optional?: boolean;
  onType(typed: string): void;
  /** What Enter does, where the form around it is not to be sent. */
  onEnter?: (() => void) | undefined;
}

/** A whole number in a sentence, typed or stepped, with its label before it. */
export function NumberEntry({ label, value, least, most, optional, onType, onEnter }: Props) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <input
        type="number"
        required={!optional}
        min={least}
        max={most}
        className="input min-h-11 w-24"
        value={value}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={onEnterKey(onEnter)}
      />
    </label>
  );
}
