/** Where the hours of a day lie on its line. */
import { scaleLinear } from "d3-scale";
import type { Day } from "../../../api/client";

export interface DayScale {
  /** The first and the last minute of the line. */
  first: number;
  last: number;
  /** The hours that are written, in minutes since midnight. */
  hours: number[];
  x(minute: number): number;
  minute(x: number): number;
}

/** Height of the water, and of the room above it for names, in px. */
export const LINE_HEIGHT = 112;
export const ABOVE = 28;

const EARLIEST = 8 * 60;
const LATEST = 18 * 60;
const ROOM = 30;

/** From the hour before the first thing of the day to the one after the last, over `width` pixels. */
export function scaleDay(day: Pick<Day, "sessions" | "working" | "blocks">, width: number): DayScale {
  // A blocked day does not stretch the line to midnight.
  const hours = day.blocks.filter(({ block }) => !block.whole_days);
  const begins = [...day.sessions, ...hours].map(({ span }) => span.begins - ROOM);
  const ends = [...day.sessions, ...hours].map(({ span }) => span.ends + ROOM);
  const earliest = Math.min(EARLIEST, ...day.working.map((span) => span.begins), ...begins);
  const first = Math.max(0, Math.floor(earliest / 60) * 60);
  const last = Math.ceil(Math.max(LATEST, ...day.working.map((span) => span.ends), ...ends) / 60) * 60;
  const x = scaleLinear([first, last], [0, width]);
  const every = width < 600 ? 180 : 60;
  return {
    first,
    last,
    hours: Array.from({ length: (last - first) / every + 1 }, (_, n) => first + n * every),
    x,
    minute: x.invert,
  };
}

/** To the next five minutes: how finely a session is moved by hand. */
export function snap(minute: number): number {
  return Math.round(minute / 5) * 5;
}
