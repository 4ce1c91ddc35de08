import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type Brief = Schemas["Brief"];
export type Catalogue = Schemas["CatalogueView"];
export type Account = Schemas["Account"];
export type DoorView = Schemas["DoorView"];
export type InvitationLink = Schemas["InvitationLink"];
export type Hours = Schemas["Hours"];
export type HoursView = Schemas["HoursView"];
export type HouseView = Schemas["HouseView"];
export type HouseTrial = Schemas["HouseTrial"];
export type OwnSchool = Schemas["OwnSchool"];
export type SchoolsBeside = Schemas["SchoolsBeside"];
export type HouseEffect = Schemas["HouseEffect"];
export type Invited = Schemas["Invited"];
export type PeopleHere = Schemas["PeopleHere"];
export type ProposedFactor = Schemas["ProposedFactor"];
export type Day = Schemas["Day"];
export type DayMark = Schemas["DayMark"];
export type SessionOnDay = Schemas["SessionOnDay"];
export type LocalStart = Schemas["LocalStart"];
export type Booking = Omit<Schemas["Booking"], "accepted"> & { accepted?: ClashKind[] };
export type ClashKind = Clash["kind"];
export type BookingTrial = Schemas["BookingTrial"];
export type Picked = Schemas["Picked"];
export type Proposal = Schemas["Proposal"];
export type Candidate = Schemas["Candidate"];
export type Clash = Schemas["Clash"];
/** What becomes of a booking; what is not said stays. */
export type Move = Partial<Schemas["Move"]>;
export type MoveTrial = Schemas["MoveTrial"];
export type Repeat = Schemas["Repeat"];
export type RepeatTrial = Schemas["RepeatTrial"];
export type WalkInQuestions = Schemas["WalkInQuestions"];
export type WalkIn = Schemas["WalkIn"];
export type Attendance = SessionOnDay["attendance"];
export type Edit = Schemas["Edits"]["edits"][number];
export type Entry = Schemas["Entry"];
export type LeftOut = Schemas["LeftOut"];
export type Finding = Schemas["Finding"];
export type AftercareView = Schemas["AftercareView"];
export type CalendarFeed = Schemas["CalendarFeed"];
export type CalendarLine = Schemas["CalendarLine"];
export type CalendarPreview = Schemas["CalendarPreview"];
export type CalendarTaken = Schemas["CalendarTaken"];
export type CalendarUndone = Schemas["CalendarUndone"];
export type FoundMachine = Schemas["FoundMachine"];
export type Machines = Schemas["Machines"];
export type MachineState = Schemas["MachineState"];
export type TableHeights = Schemas["TableHeights"];
export type NewFeed = Schemas["NewFeed"];
export type EasedDay = Schemas["EasedDay"];
export type StockView = Schemas["StockView"];
export type DayPreparation = Schemas["DayPreparation"];
export type Preparation = Schemas["Preparation"];
export type PreparedItem = Schemas["PreparedItem"];
export type SelfCheck = Schemas["SelfCheck"];
export type SelfChecked = Schemas["SelfChecked"];
export type Log = Schemas["Log"];
export type LogView = Schemas["LogView"];
export type Me = Schemas["MeView"];
export type PackingLine = Schemas["PackingLine"];
export type ProblemDocument = Schemas["Problem"];
export type Region = Schemas["Region"];
export type RegionDone = Schemas["RegionDone"];
export type RunEvent = Schemas["Events"]["events"][number];
export type TableSide = Schemas["TableSide"];
export type Extra = Schemas["Extra"];
export type ReplanTables = Schemas["ReplanTable"];
export type RunSheet = Schemas["RunSheet"];
export type RunState = Schemas["RunState"];
export type SessionView = Schemas["SessionView"];
export type Adjustment = Schemas["Adjustment"];
export type Difference = Schemas["Difference"];
export type Offer = Schemas["OfferedChange"];
export type RegionReason = Schemas["RegionReason"];
export type Reasons = Schemas["Reasons"];
export type StrokeReason = Schemas["StrokeReason"];
export type StrokeReasons = Schemas["StrokeReasons"];
export type Alternatives = Schemas["Alternatives"];
export type Traits = Schemas["Traits"];
export type Part = Schemas["Part"];
export type Step = Schemas["Step"];
export type Evaluation = Schemas["Evaluation"];
export type Outline = Schemas["Outline"];
export type Landing = Schemas["Landing"];
export type WorkedPassage = Schemas["WorkedPassage"];
export type Excluded = Schemas["Excluded"];
export type Place = Schemas["Place"];
/** All places to keep off: for good, and in one session alone. */
export type PlacesKeptOff = Omit<Schemas["PlacesToKeepOff"], "revision">;
export type ConditionPlaces = Schemas["ConditionPlaces"];
export type PartPlaces = Schemas["PartPlaces"];
export type FirstSteps = Schemas["FirstSteps"];
export type StrokePick = Schemas["Pick"];
export type Suggestion = Schemas["Suggestion"];
export type MendingTried = Schemas["MendingTried"];
export type Version = Schemas["Version"];
export type FlowView = Schemas["FlowView"];
export type FlowsBeside = Schemas["FlowsBeside"];
export type Start = Schemas["Start"];
export type ClientInList = Schemas["ClientInList"];
export type ClientPage = Schemas["ClientPage"];
export type ClientRecord = Schemas["ClientRecord"];
export type BroughtIn = Schemas["BroughtIn"];
export type Erased = Schemas["Erased"];
export type Headache = Schemas["Headache"];
export type HeadacheQuestion = Schemas["HeadacheQuestion"];
export type Condition = Schemas["Condition"];
export type Known = Schemas["Known"];
export type DayAnswer = Schemas["DayAnswer"];
export type IntakeLink = Schemas["IntakeLink"];
export type IntakeForm = Schemas["IntakeForm"];
export type IntakeReview = Schemas["IntakeReview"];
export type IntakeAnswers = Schemas["Answers"];
export type IntakeQuestion = Schemas["IntakeQuestion"];
export type MonthlyNumbers = Schemas["MonthlyNumbers"];
export type OwnPaceView = Schemas["OwnPaceView"];
export type Press = Schemas["Press"];
export type Presses = Schemas["Presses"];
export type Learnt = Schemas["Learnt"];
export type Drafted = Schemas["Drafted"];
export type StartDepth = Schemas["StartDepth"];
export type LeftForNow = Schemas["LeftForNow"];
export type Arrival = Schemas["Arrival"];
export type Table = Schemas["Table"];

/** What the server refused, or that it could not be reached (status 0). */
export class Problem extends Error {
  constructor(readonly document: ProblemDocument) {
    super(document.title);
  }

  /** The message for a field, if the field is at fault. */
  forField(field: string): { what: string; remedy: string } | undefined {
    return this.document.errors?.find(
      (error) => error.field === field || error.field.startsWith(`${field}.`),
    );
  }
}

/** The kinds of clashes that were shown, and are meant. */
export function kindsOf(clashes: readonly Clash[]): ClashKind[] {
  return clashes.map(({ kind }) => kind);
}

/** What does not go with the day, where something was refused for that. */
export function clashesOf(error: unknown): readonly Clash[] {
  return error instanceof Problem ? (error.document.clashes ?? []) : [];
}

const unreachable: ProblemDocument = {
  type: "urn:mellow-tide:problem:unreachable",
  title: "The server cannot be reached.",
  status: 0,
  detail: "What you see is kept. It is tried again when you do something.",
  errors: [],
  offers: [],
  clashes: [],
};

const refuse: Middleware = {
  async onResponse({ response }) {
    if (response.ok) return;
    const isProblem = response.headers.get("content-type")?.startsWith("application/problem+json");
    throw new Problem(
      isProblem
        ? await response.json()
        : {
            ...unreachable,
            title: "The server answered in a way this page does not know.",
            status: response.status,
          },
    );
  },
  onError() {
    return new Problem(unreachable);
  },
};

export const api = createClient<paths>({ baseUrl: "/" });
api.use(refuse);

/** The body of an answer that the middleware has let through, as the description of the interface types it. */
export async function body<T>(answer: Promise<{ data?: unknown }>): Promise<T> {
  return (await answer).data as T;
}
