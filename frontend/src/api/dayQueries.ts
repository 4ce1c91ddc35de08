import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import {
  api,
  type Booking,
  type BookingTrial,
  body,
  type Day,
  type LocalStart,
  type Move,
  type MoveTrial,
  type Picked,
  type Proposal,
  type Repeat,
  type RepeatTrial,
  type WalkInQuestions,
} from "./client";

/** A day of whoever is signed in; today without one. */
export const dayQuery = (day: string | null) =>
  queryOptions({
    queryKey: ["day", day],
    queryFn: () => body<Day>(api.GET("/api/day", { params: { query: day ? { day } : {} } })),
    // The mark of the present moment goes on, and so does what others book.
    refetchInterval: 60_000,
  });

/** The day that somebody types, null where it is none. */
export async function findDay(typed: string): Promise<string | null> {
  const found = await body<{ day: LocalStart | null }>(
    api.GET("/api/day/named", { params: { query: { typed } } }),
  );
  return found.day?.day ?? null;
}

/** A booking as far as it is typed and picked. It is read anew when the day's bookings change. */
export const readingQuery = (line: string, picked: Picked) =>
  queryOptions({
    queryKey: ["day", "reading", line, picked],
    queryFn: () => body<Proposal>(api.POST("/api/bookings/reading", { body: { line, picked } })),
    placeholderData: keepPreviousData,
  });

/** What is asked of somebody who walks in. */
export const walkInQuestionsQuery = queryOptions({
  queryKey: ["walk-in questions"],
  queryFn: () => body<WalkInQuestions>(api.GET("/api/walk-ins/questions")),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What a booking would be. */
export const bookingTrialQuery = (booking: Booking) =>
  queryOptions({
    queryKey: ["day", "booking", booking],
    queryFn: () =>
      body<BookingTrial>(api.POST("/api/bookings/trial", { body: { accepted: [], ...booking } })),
    retry: false,
  });

/** A move with all that it does not say. */
export function wholeMove(move: Move) {
  return { later_too: false, accepted: [], ...move };
}

/** What a move would be. */
export function tryMove(sessionId: string, move: Move): Promise<MoveTrial> {
  return body<MoveTrial>(
    api.POST("/api/sessions/{session_id}/booking/trial", {
      params: { path: { session_id: sessionId } },
      body: wholeMove(move),
    }),
  );
}

/** The same, kept as long as the day is as it was. */
export const moveTrialQuery = (sessionId: string, move: Move) =>
  queryOptions({
    queryKey: ["day", "move", sessionId, move],
    queryFn: () => tryMove(sessionId, move),
    retry: false,
  });

/** What repeating a session would be. */
export const repeatTrialQuery = (sessionId: string, repeat: Repeat) =>
  queryOptions({
    queryKey: ["day", "repeat", sessionId, repeat],
    queryFn: () =>
      body<RepeatTrial>(
        api.POST("/api/sessions/{session_id}/repeat/trial", {
          params: { path: { session_id: sessionId } },
          body: repeat,
        }),
      ),
    retry: false,
  });
