/** The log as a form holds it. */
import type { Log, LogView } from "../../api/client";
import { say } from "../../phrases/screens/log";

export const AFTERCARE = [say.riseSlowly, say.sorenessPasses, say.askTheirClinician] as const;

export interface Fields {
  suited: Record<string, string>;
  note: string;
  clientWords: string;
  nextTime: string;
  aftercare: boolean[];
  nextBooking: string;
  doorWish: string;
  forClinician: string;
}

/** What was saved, or else what the run says. */
export function filled(page: LogView): Fields {
  const { log } = page;
  const suited = log
    ? log.suited
    : Object.fromEntries(page.done.map((region) => [region.region, region.suited ?? undefined]));
  return {
    suited: Object.fromEntries(
      page.done.map((region) => [region.region, suited?.[region.region]?.toString() ?? ""]),
    ),
    note: log?.note ?? "",
    clientWords: log?.client_words ?? "",
    nextTime: log?.next_time ?? "",
    aftercare: AFTERCARE.map((words) => log?.aftercare?.includes(words) ?? false),
    nextBooking: log?.next_booking ?? "",
    doorWish: log?.door_wish ?? "",
    forClinician: log?.for_clinician ?? "",
  };
}

export function toLog(fields: Fields): Log {
  const suited = Object.entries(fields.suited)
    .filter(([, depth]) => depth)
    .map(([region, depth]) => [region, Number(depth)] as const);
  return {
    suited: Object.fromEntries(suited),
    note: fields.note,
    client_words: fields.clientWords,
    next_time: fields.nextTime,
    aftercare: AFTERCARE.filter((_, index) => fields.aftercare[index]),
    next_booking: fields.nextBooking,
    door_wish: fields.doorWish,
    for_clinician: fields.forClinician,
  };
}
