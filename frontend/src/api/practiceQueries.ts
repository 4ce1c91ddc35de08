/** What is asked of the door, of one's own account, and of the practice itself. */
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import {
  type Account,
  api,
  body,
  type CalendarFeed,
  type DoorView,
  type FirstSteps,
  type FlowsBeside,
  type HoursView,
  type HouseEffect,
  type HouseView,
  type MonthlyNumbers,
  type OwnSchool,
  type PeopleHere,
  type SchoolsBeside,
} from "./client";

/** What the door offers here. */
export const doorQuery = queryOptions({
  queryKey: ["door"],
  queryFn: () => body<DoorView>(api.GET("/api/door")),
  staleTime: Number.POSITIVE_INFINITY,
});

/** One's own account, with the devices that are signed in. */
export const accountQuery = queryOptions({
  queryKey: ["account"],
  queryFn: () => body<Account>(api.GET("/api/account")),
});

/** Whether one's own sessions are read by another calendar. */
export const calendarFeedQuery = queryOptions({
  queryKey: ["calendar feed"],
  queryFn: () => body<CalendarFeed>(api.GET("/api/calendar-feed")),
});

/** What a new practice has still to do. */
export const firstStepsQuery = queryOptions({
  queryKey: ["first steps"],
  queryFn: () => body<FirstSteps>(api.GET("/api/house/first-steps")),
  // What was just done elsewhere is gone from it.
  staleTime: 0,
});

/** When one works. */
export const hoursQuery = queryOptions({
  queryKey: ["hours"],
  queryFn: () => body<HoursView>(api.GET("/api/house/hours")),
});

/** How the practice works. */
export const houseQuery = queryOptions({
  queryKey: ["house"],
  queryFn: () => body<HouseView>(api.GET("/api/house")),
});

/** What one thing worked otherwise would do to flows and plans that stand. */
export const houseEffectQuery = (item: string, after: string | null) =>
  queryOptions({
    queryKey: ["house effect", item, after],
    queryFn: ({ signal }) =>
      body<HouseEffect>(api.POST("/api/house/trial", { body: { item, after }, signal })),
  });

/** A flow, or a plan that stands, as it is and as one thing worked otherwise would make it. */
export const touchedQuery = (path: "flows" | "plans", id: string, item: string, after: string | null) =>
  queryOptions({
    queryKey: ["house effect", item, after, path, id],
    queryFn: ({ signal }) => {
      const wish = { body: { item, after }, signal };
      return body<FlowsBeside>(
        path === "flows"
          ? api.POST("/api/house/trial/flows/{flow_id}", { params: { path: { flow_id: id } }, ...wish })
          : api.POST("/api/house/trial/plans/{session_id}", {
              params: { path: { session_id: id } },
              ...wish,
            }),
      );
    },
  });

/** Who works in the practice, and who is invited. */
export const peopleQuery = queryOptions({
  queryKey: ["people"],
  queryFn: () => body<PeopleHere>(api.GET("/api/people")),
});

/** What a school of one's own gives each region, beside the one it was begun from. */
export const schoolQuery = (school: OwnSchool, booked_minutes: number) =>
  queryOptions({
    queryKey: ["school beside", JSON.stringify(school), booked_minutes],
    queryFn: ({ signal }) =>
      body<SchoolsBeside>(
        api.POST("/api/house/schools/beside", { body: { school, booked_minutes }, signal }),
      ),
    // The numbers of before stay until the new ones are there.
    placeholderData: keepPreviousData,
  });

/** What the sessions of the last months add up to. */
export const numbersQuery = queryOptions({
  queryKey: ["numbers"],
  queryFn: () => body<MonthlyNumbers>(api.GET("/api/numbers")),
});
