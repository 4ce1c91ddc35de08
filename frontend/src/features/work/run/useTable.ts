import { useState } from "react";
import type {
  Catalogue,
  Entry,
  Extra,
  RunSheet,
  RunState,
  SessionView,
  TableSide,
} from "../../../api/client";
import { duringEntry, isOn } from "../../../tableside/labour";
import { leaves, owed, pastSkipped, strokesAhead } from "../../../tableside/owed";
import { withWalk } from "../../../tableside/past";
import { neighbour, schedule } from "../../../tableside/schedule";
import type { Word } from "../said/PressurePads";
import { useAnnouncing } from "../settings/useAnnouncing";
import type { TableSettings } from "../settings/useTableSettings";
import { additionOf, entryOf, extraFor, otherSide } from "../undone/added";
import { useHandsOff } from "./useHandsOff";
import { useKeys } from "./useKeys";
import type { Happen, Happening } from "./useRun";

/** What lies over the stroke. */
export type Over = "sore" | "undone" | "halt" | "adding" | "settings" | "happened";

interface Given {
  session: SessionView;
  catalogue: Catalogue;
  run: RunState;
  happen: Happen;
  side: TableSide | undefined;
  settings: TableSettings;
}

/** Every act at the table, whether by tap, key, pedal or by itself; nothing in it is drawn. */
export function useTable({ session, catalogue, run, happen, side, settings }: Given) {
  const { sheet, passages } = session.evaluation;
  const [over, setOver] = useState<Over | null>(null);
  const [ending, setEnding] = useState(false);
  const [returning, setReturning] = useState<number | null>(null);
  const [asked, setAsked] = useState<ReadonlySet<string>>(new Set());
  const extras = side?.extras ?? [];
  /** Where the plan has it: during a contraction, what steadies then. */
  const plannedAt = (one: RunState) => (isOn(one) ? duringEntry(sheet, one) : sheet.entries[one.entry]);
  const here = plannedAt(run);
  const planned = here && withWalk(here, sheet);
  const addition = additionOf(run);
  const extra = addition && planned ? extraFor(addition, planned, extras) : undefined;
  const shown = addition && planned ? entryOf(addition, planned, extra) : planned;
  const working = shown && shown.role === "work" ? strokeAt(sheet, run, shown) : undefined;

  const forward = (present: RunState): Happening | null => {
    const to = neighbour(sheet, present, 1);
    if (to > present.entry) return moved(sheet, to);
    if (ending) return { kind: "ended" };
    setEnding(true);
    return null;
  };
  const go = () => happen(forward);
  const on = () =>
    happen((present) => {
      const added = additionOf(present);
      const at = sheet.entries[present.entry];
      if (added && at) return afterAddition(added, sheet, present, extras);
      const next = neighbour(sheet, present, 1);
      // What was gone back to for a debt leads on to where one was.
      if (returning !== null && next <= returning) {
        setReturning(null);
        return moved(sheet, returning);
      }
      const part = at?.part_id ?? "";
      const atTheCover = !ending && leaves(sheet, present.entry, next);
      // What was put off for later in the passage is named again when its cover goes back.
      const covers = sheet.entries[next]?.kind === "close_window";
      const debts = owed(sheet, present, covers ? partsWith(passages, part) : [part]);
      if (!atTheCover || asked.has(part) || debts.length === 0) return forward(present);
      setOver("undone");
      return null;
    });
  const back = () =>
    happen((present) => {
      if (present.adding) return moved(sheet, present.entry);
      setEnding(false);
      const to = neighbour(sheet, present, -1);
      return ending || to === present.entry ? null : moved(sheet, to);
    });
  /** Something said of, or seen at, the region being worked. */
  const about = (make: (entry: Entry) => Happening) =>
    happen((present) => {
      const at = plannedAt(present);
      const added = additionOf(present);
      const entry =
        at && (added ? entryOf(added, at, extraFor(added, at, extras)) : strokeAt(sheet, present, at));
      return entry ? make(entry) : null;
    });
  const say = (word: Word) =>
    about(({ region, side, depth }) => ({ kind: "said", word, region, side, depth: depth ?? 1 }));
  const point = () => working && setOver("sore");
  const partId = planned?.part_id ?? "";
  const passage = passages.find(({ parts }) => parts.includes(partId));
  /** All that is left of some parts: named at once, to be done later or left out. */
  const skipAll = (parts: readonly string[]) => {
    for (const part of parts)
      happen((present) => {
        const entries = addressesOf(strokesAhead(sheet, present, [part]));
        return entries.length > 0 ? { kind: "skipped", part_id: part, entries, reason: "" } : null;
      });
    setOver("undone");
  };
  /** On from what is owed here: past the whole passage, where nothing is left of it. */
  const leave = () => {
    setOver(null);
    happen((present) => {
      const past = pastSkipped(sheet, present, partsWith(passages, partId));
      return past === null ? forward(present) : moved(sheet, past);
    });
  };

  useKeys({ on, back, say, point, resting: over !== null });
  useHandsOff({
    advances: settings.advances,
    entry: run.entry,
    seconds: addition?.seconds ?? schedule(sheet, run)[run.entry]?.seconds ?? 0,
    // The end is never reached by itself.
    resting:
      sheet.open_ended ||
      Boolean(run.paused_at) ||
      over !== null ||
      ending ||
      (!addition && neighbour(sheet, run, 1) === run.entry),
    on,
  });
  useAnnouncing(shown, catalogue, settings);

  return {
    over,
    lay: setOver,
    ending,
    shown,
    working,
    extra,
    addition,
    on,
    back,
    say,
    about,
    point,
    skip: () => {
      happen((present) => {
        const at = sheet.entries[present.entry];
        return at?.kind === "stroke"
          ? { kind: "skipped", part_id: partId, entries: [at.address], reason: "" }
          : null;
      });
      go();
    },
    skipRegion: () => skipAll([partId]),
    /** The passage, where more of it than this region is still to come. */
    passage: passage && passage.parts.at(-1) !== partId ? passage.name : undefined,
    skipPassage: () => passage && skipAll(passage.parts.slice(passage.parts.indexOf(partId))),
    add: ({ region, sides, seconds }: Extra) => {
      setOver(null);
      happen(() => added(region, sides[0] ?? "mid", seconds));
    },
    /** What becomes of the strokes that are owed in the passage that is being left. */
    debts: {
      owed: owed(sheet, run, partsWith(passages, partId)),
      now: () => {
        const first = owed(sheet, run, partsWith(passages, partId))[0];
        setReturning(run.entry);
        setOver(null);
        if (first) happen(() => ({ kind: "moved", to: first.address }));
      },
      later: () => {
        setAsked(new Set([...asked, partId]));
        leave();
      },
      waive: (reason: string) => {
        for (const part of partsWith(passages, partId))
          happen((present) => {
            const entries = addressesOf(owed(sheet, present, [part]));
            return entries.length > 0 ? { kind: "skipped", part_id: part, entries, reason } : null;
          });
        leave();
      },
    },
  };
}

/** Going to an entry of the sheet, by its address. */
export function moved(sheet: RunSheet, to: number): Happening | null {
  const entry = sheet.entries[to];
  return entry ? { kind: "moved", to: entry.address } : null;
}

/** The parts of the passage that a part belongs to; itself where it stands alone. */
function partsWith(passages: SessionView["evaluation"]["passages"], part: string): readonly string[] {
  return passages.find(({ parts }) => parts.includes(part))?.parts ?? [part];
}

function addressesOf(entries: readonly Entry[]): string[] {
  return entries.map(({ address }) => address);
}

export type TableActs = ReturnType<typeof useTable>;

function added(region: string, side: Entry["side"], seconds: number): Happening {
  return { kind: "added", part_id: `added-${crypto.randomUUID()}`, region, side, seconds };
}

/** The other side gets the same; then the plan goes on where it was left. */
function afterAddition(
  addition: NonNullable<ReturnType<typeof additionOf>>,
  sheet: RunSheet,
  run: RunState,
  extras: readonly Extra[],
): Happening | null {
  const at = sheet.entries[run.entry];
  const other = at && otherSide(addition, run.added, extraFor(addition, at, extras));
  return other ? added(addition.region, other, addition.seconds) : moved(sheet, run.entry);
}

/** The stroke a word on pressure is about: the present one, or the last before it in the same part. */
function strokeAt(sheet: RunSheet, run: RunState, shown: Entry): Entry | undefined {
  if (run.adding || isOn(run)) return shown;
  const part = sheet.entries[run.entry]?.part;
  for (let i = run.entry; i >= 0 && sheet.entries[i]?.part === part; i--)
    if (sheet.entries[i]?.kind === "stroke") return sheet.entries[i];
  return undefined;
}
