import type { HouseView } from "../../../api/client";
import { useHouse } from "./useHouse";

/** What the settings are read and changed with: how the practice works, whose clock, and who may. */
export interface Shown {
  house: HouseView;
  timeZone: string;
  may: boolean;
}

/** One thing of the house: what it is, what it is usually, and the way to change it. */
export interface HouseItem {
  id: string;
  now: string;
  usual: string;
  may: boolean;
  error: Error | null;
  /** Null: as usual. `onKept` is told once it is kept. */
  change(after: string | null, onKept?: () => void): void;
}

export function useItem(id: string, { house, may }: Shown): HouseItem {
  const { mutate, error } = useHouse();
  return {
    id,
    now: house.now[id] ?? "",
    usual: house.usual[id] ?? "",
    may,
    error,
    change: (after, onKept) => mutate({ item: id, after }, onKept ? { onSuccess: onKept } : {}),
  };
}
