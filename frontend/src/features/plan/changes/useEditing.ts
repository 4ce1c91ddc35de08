import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import {
  api,
  type Brief,
  body,
  type Catalogue,
  type Landing,
  type SessionView,
  type WorkedPassage,
} from "../../../api/client";
import { placesQuery, sessionQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/plan/changes";
import { capital } from "../../../phrases/words";
import type { TideEditing } from "../../../tideline/hand/editing";
import { landingWords, nextLanding } from "../../../tideline/hand/landing";
import { nameOf } from "../../../tideline/names";
import { strokesWithout } from "../brief/strokeWishes";
import { splitPart } from "../parts/edits";
import type { PlanChanges } from "./usePlanChanges";

interface Args {
  session: SessionView;
  catalogue: Catalogue;
  changes: PlanChanges;
  /** Changes the brief. */
  change(patch: Partial<Brief>): void;
  tell(words: string): void;
}

/** What tide line and list do to the parts; the same for pointer and keys. Where a part may go, the server knows. */
export function useEditing({ session, catalogue, changes, change, tell }: Args): TideEditing {
  const queries = useQueryClient();
  const [touched, setTouched] = useState<string | null>(null);
  const places = useQuery({
    ...placesQuery(session.session_id, session.revision, touched ?? ""),
    enabled: touched !== null && session.plan.flow.parts.some((part) => part.id === touched),
  });
  // What is done is done to the newest of everything, though the functions stay the same: the line is drawn anew only
  // when what it shows has changed.
  const newest = useRef({ session, catalogue, changes, change, tell });
  useEffect(() => {
    newest.current = { session, catalogue, changes, change, tell };
  });

  const actions = useMemo(() => {
    const now = () => newest.current;
    const partOf = (id: string) => now().session.plan.flow.parts.find((part) => part.id === id);
    const named = (id: string) => {
      const part = partOf(id);
      return part ? nameOf(part, now().catalogue) : id;
    };
    const placesOf = (id: string) => {
      const { session_id } = now().session;
      const { revision } = queries.getQueryData(sessionQuery(session_id).queryKey) ?? now().session;
      return queries.fetchQuery(placesQuery(session_id, revision, id));
    };
    // A key pressed again while a move is on its way waits for it: where a part may go next depends on where it is.
    let turn: Promise<unknown> = Promise.resolve();
    const inTurn = (act: () => Promise<void>) => {
      turn = turn.then(act).catch(() => now().tell(say.thatCouldNotBeDone));
    };
    const land = async (landing: Landing, words: string, name: string) => {
      if (!(await now().changes.edit(landing.edits ?? [], words))) return;
      now().tell([`${capital(landingWords(name, landing))}.`, landing.warns].filter(Boolean).join(" "));
    };
    const mirror = async (other: Landing | null, name: string) => {
      if (!other) now().tell(say.otherSideHasSameAlready);
      else if (other.why_not) now().tell(`Not mirrored: ${other.why_not}`);
      else await land(other, say.otherSideOf(name), say.otherSide);
    };
    return {
      onReshape: (id: string, seconds: number, alone: boolean) => now().changes.reshape(id, seconds, alone),
      onLand: (landing: Landing, name: string) => void land(landing, say.moving(name), name),
      onTouch: setTouched,
      onMove: (id: string, by: -1 | 1) =>
        inTurn(async () => {
          const { landing, blocked } = nextLanding((await placesOf(id)).landings, by);
          if (landing) await land(landing, say.moving(named(id)), named(id));
          else now().tell(say.notMoved(blocked));
        }),
      onReshapePassage: (passage: WorkedPassage, seconds: number) =>
        now().changes.reshape(passage.id, seconds, false, true),
      onMovePassage: (passage: WorkedPassage, by: -1 | 1) =>
        inTurn(async () => {
          const { landing, blocked } = nextLanding((await placesOf(passage.id)).with_passage, by);
          if (landing) await land(landing, say.moving(passage.name), passage.name);
          else now().tell(say.notMoved(blocked));
        }),
      onRemovePassage: (passage: WorkedPassage) => {
        const edits = passage.parts.map((part_id) => ({ kind: "remove_part" as const, part_id }));
        now().changes.edit(edits, say.removingPart(passage.name));
      },
      onMirror: (id: string) => inTurn(async () => mirror((await placesOf(id)).other_side, named(id))),
      onMirrorPassage: (passage: WorkedPassage) =>
        inTurn(async () => {
          const path = { session_id: now().session.session_id, part_id: passage.id };
          const found = await body<Landing | null>(
            api.GET("/api/sessions/{session_id}/parts/{part_id}/passage-other-side", { params: { path } }),
          );
          await mirror(found, passage.name);
        }),
      onRemove: ({ partId, region }: { partId: string; region: string }, whole: boolean) => {
        const { leave_out = [], focus = [] } = now().session.plan.flow.brief;
        if (!whole)
          now().changes.edit([{ kind: "remove_part", part_id: partId }], say.removingPart(named(partId)));
        else
          now().change({
            leave_out: [...leave_out, region],
            focus: focus.filter((other) => other !== region),
          });
      },
      onLeaveStrokeOut: (stroke: string) =>
        now().change(strokesWithout(now().session.plan.flow.brief, stroke)),
      onLeaveSideOut: (id: string) => {
        const part = partOf(id);
        if (!part) return;
        const { client, excluded_today = [] } = now().session;
        const here = { region: part.region, side: part.side, zone: null, because: say.leftOutToday };
        void now()
          .changes.keepOff({ excluded: client.excluded, today: [...excluded_today, here] })
          .catch(() => undefined);
      },
      onSplit: (id: string) => {
        const part = partOf(id);
        const edits = part ? splitPart(part) : [];
        if (edits.length > 0) now().changes.edit(edits, say.splitting(named(id)));
        else now().tell(say.singleStrokeCannotBeSplit);
      },
    };
  }, [queries]);

  const found = places.data;
  const { passages } = session.evaluation;
  const passage = passages.find(({ parts }) => touched !== null && parts.includes(touched));
  return useMemo(() => {
    if (!touched || !found) return { ...actions, passages, landings: undefined };
    const together = found.with_passage;
    const landings = { partId: touched, places: found.landings, together };
    return {
      ...actions,
      passages,
      landings: together.length > 0 && passage ? { ...landings, passage } : landings,
    };
  }, [actions, touched, found, passage, passages]);
}
