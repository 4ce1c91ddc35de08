import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  api,
  body,
  type CalendarLine,
  type CalendarPreview,
  type CalendarTaken,
  type CalendarUndone,
  clashesOf,
  kindsOf,
} from "../../../api/client";
import { readFile } from "../../../lib/readFile";

/** What an event becomes, and for whom if that is a session. */
export interface PickedEvent {
  becomes: CalendarLine["becomes"];
  client: string;
}

/** A calendar file from the moment it is chosen until all of it is taken. */
export function useCalendarIn() {
  const queries = useQueryClient();
  const [choices, setChoices] = useState<Readonly<Record<string, PickedEvent>>>({});
  const showAnew = () => {
    for (const queryKey of [["day"], ["clients"]]) queries.invalidateQueries({ queryKey });
  };
  const reading = useMutation({
    mutationFn: async (file: File) => {
      const text = await readFile(file);
      const preview = await body<CalendarPreview>(api.POST("/api/calendar-in/preview", { body: { text } }));
      return { text, preview };
    },
    onSuccess: ({ preview }) =>
      setChoices(Object.fromEntries(preview.lines.map((one) => [one.uid, usual(one)]))),
  });
  const taking = useMutation({
    mutationFn: (accepted: ReturnType<typeof kindsOf>) =>
      body<CalendarTaken>(
        api.POST("/api/calendar-in", {
          body: {
            text: reading.data?.text ?? "",
            chosen: Object.entries(choices).map(([uid, { becomes, client }]) => ({
              uid,
              becomes,
              client_name: becomes === "session" && client.trim() ? client.trim() : null,
            })),
            accepted,
          },
        }),
      ),
    onSuccess: () => {
      reading.reset();
      showAnew();
    },
  });
  const undoing = useMutation({
    mutationFn: (receipt: CalendarTaken["receipt"]) =>
      body<CalendarUndone>(api.POST("/api/calendar-in/undo", { body: receipt })),
    onSuccess: () => {
      taking.reset();
      showAnew();
    },
  });
  const clashes = clashesOf(taking.error);
  const count = (what: PickedEvent["becomes"]) =>
    Object.values(choices).filter(({ becomes }) => becomes === what).length;
  return {
    preview: reading.data?.preview,
    reading,
    taking,
    undoing,
    clashes,
    choices,
    sessions: count("session"),
    blocks: count("block"),
    /** An event without a client's name can be no session yet. */
    nameless: Object.values(choices).some(({ becomes, client }) => becomes === "session" && !client.trim()),
    choose(uid: string, choice: PickedEvent) {
      taking.reset();
      setChoices({ ...choices, [uid]: choice });
    },
    read(file: File) {
      taking.reset();
      undoing.reset();
      reading.mutate(file);
    },
    take: () => taking.mutate(kindsOf(clashes)),
  };
}

function usual(one: CalendarLine): PickedEvent {
  return { becomes: one.becomes, client: one.client_name || one.title };
}
