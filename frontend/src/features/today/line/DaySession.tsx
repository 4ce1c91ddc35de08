import { Link } from "@tanstack/react-router";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Day, SessionOnDay } from "../../../api/client";
import { addDays, timeAt } from "../../../lib/days";
import { STAGE_WORDS } from "../../../phrases/today";
import { SmallTide } from "../../../tideline/SmallTide";
import type { Moving } from "../changing/useMoving";
import { ABOVE, type DayScale, LINE_HEIGHT, snap } from "./dayScale";

/** Pixels of a session from which its client's name can be read above it. */
const READABLE = 48;

/** Pixels that a press may slip before it is a pull. */
const SLIP = 5;

interface Props {
  session: SessionOnDay;
  day: Day;
  scale: DayScale;
  wide: boolean;
  moving: Moving;
}

/**
 * A session on the line: pulled along it, or onto another day above it, it moves; keys do the same. A press opens it.
 * What is worked or was stays.
 */
export function DaySession({ session, day, scale, wide, moving }: Props) {
  const [by, setBy] = useState<number | null>(null);
  const taken = useRef<{ x: number; pulled: boolean } | null>(null);
  const free = session.stage === "plan";
  const { begins, ends } = session.span;
  const held = moving.held?.sessionId === session.session_id ? moving.held : null;
  const shown = by !== null ? snap(scale.minute(scale.x(begins) + by)) : (held?.begins ?? begins);
  const minutes = held?.minutes ?? ends - begins;
  const left = scale.x(shown);
  const width = Math.max(scale.x(shown + minutes) - left, 12);

  function take(event: PointerEvent<HTMLAnchorElement>) {
    if (!free || event.button !== 0) return;
    taken.current = { x: event.clientX, pulled: false };
    event.currentTarget.setPointerCapture(event.pointerId);
  }
  function pull(event: PointerEvent<HTMLAnchorElement>) {
    if (!taken.current) return;
    const far = event.clientX - taken.current.x;
    const onDay = dayAt(event);
    if (Math.abs(far) > SLIP || onDay) taken.current.pulled = true;
    if (taken.current.pulled) setBy(far);
    moving.point(onDay);
  }
  function leave(event: PointerEvent<HTMLAnchorElement>) {
    const was = taken.current;
    if (!was?.pulled) taken.current = null;
    setBy(null);
    moving.point(null);
    if (!was?.pulled || by === null) return;
    const onDay = dayAt(event);
    const at = onDay ? begins : snap(scale.minute(scale.x(begins) + by));
    if (onDay || at !== begins) moving.move(session, { start: startAt(onDay ?? day.day, at) });
  }
  function press(event: KeyboardEvent) {
    if (!free) return;
    const step = STEPS[`${event.shiftKey ? "Shift+" : ""}${event.altKey ? "Alt+" : ""}${event.key}`];
    if (!step) return;
    event.preventDefault();
    if (step.days) moving.move(session, { start: startAt(addDays(day.day, step.days), begins) });
    else moving.hold(session, shown + (step.by ?? 0), minutes + (step.longer ?? 0));
  }
  return (
    <Link
      to={`/session/$sessionId/${session.opens}`}
      params={{ sessionId: session.session_id }}
      draggable={false}
      onPointerDown={take}
      onPointerMove={pull}
      onPointerUp={leave}
      onPointerCancel={() => {
        taken.current = null;
        setBy(null);
      }}
      onClick={(event) => {
        // A session that was pulled is not opened as well.
        if (taken.current?.pulled) event.preventDefault();
        taken.current = null;
      }}
      onKeyDown={press}
      onBlur={() => moving.settle()}
      className={`absolute top-0 block touch-pan-y rounded-field select-none hover:bg-base-200 ${free ? "cursor-grab active:cursor-grabbing" : ""} ${by !== null || held ? "z-10 bg-base-200/80" : ""}`}
      style={{ left, width }}
      aria-label={`${timeAt(shown)} ${session.client_name}, ${STAGE_WORDS[session.stage]}`}
    >
      <span className="block truncate text-[0.95rem]" style={{ height: ABOVE }}>
        {by !== null || held ? (
          <b className="numbers">{timeAt(shown)}</b>
        ) : wide && width >= READABLE ? (
          session.client_name
        ) : (
          ""
        )}
      </span>
      <SmallTide sheet={session.outline} width={width} height={LINE_HEIGHT} />
    </Link>
  );
}

const STEPS: Record<string, { by?: number; longer?: number; days?: number } | undefined> = {
  "Shift+ArrowLeft": { by: -5 },
  "Shift+ArrowRight": { by: 5 },
  "Alt+ArrowLeft": { days: -1 },
  "Alt+ArrowRight": { days: 1 },
  ",": { longer: -15 },
  ".": { longer: 15 },
};

function startAt(day: string, minute: number) {
  return { day: addDays(day, Math.floor(minute / 1440)), at: timeAt(minute) };
}

/** The day of the strip that the pointer is over. */
function dayAt(event: PointerEvent): string | null {
  const under = document.elementsFromPoint(event.clientX, event.clientY);
  const link = under.find((one) => one instanceof HTMLElement && one.dataset.day);
  return link instanceof HTMLElement ? (link.dataset.day ?? null) : null;
}
