import { ProblemNote } from "../../../ui/ProblemNote";
import { LastChange } from "./LastChange";
import { type Shown, useItem } from "./useItem";

/** Below a sentence: who changed it last (`told`: and what), with the way back, and why that was refused. */
export function AfterWord({ id, shown, told = false }: { id: string; shown: Shown; told?: boolean }) {
  const item = useItem(id, shown);
  const change = shown.house.changes[id];
  return (
    <>
      {change && (
        <LastChange
          change={change}
          told={told}
          timeZone={shown.timeZone}
          onUndo={item.may ? item.change : undefined}
        />
      )}
      {item.error && <ProblemNote error={item.error} />}
    </>
  );
}
