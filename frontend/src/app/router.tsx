import type { QueryClient } from "@tanstack/react-query";
import {
  createRootRouteWithContext,
  createRoute,
  createRouter,
  Outlet,
  redirect,
} from "@tanstack/react-router";
import { Problem } from "../api/client";
import { meQuery } from "../api/queries";
import { finishSignOut } from "../api/signOut";
import { AccountPage } from "../features/account/AccountPage";
import { ClientPage } from "../features/clients/ClientPage";
import { ClientsPage } from "../features/clients/ClientsPage";
import { BringInPage } from "../features/clients/exchange/BringInPage";
import { MeetPage } from "../features/clients/MeetPage";
import { ReviewPage } from "../features/clients/ReviewPage";
import { DoorPage } from "../features/door/DoorPage";
import { JoinPage } from "../features/door/JoinPage";
import { OpenPage } from "../features/door/OpenPage";
import { PasswordPage } from "../features/door/PasswordPage";
import { TrustPage } from "../features/door/TrustPage";
import { FlowsPage } from "../features/flows/FlowsPage";
import { FootSwitchPage } from "../features/footSwitch/FootSwitchPage";
import { IntakePage } from "../features/intake/IntakePage";
import { LearnPage } from "../features/learn/LearnPage";
import { AftercarePage } from "../features/log/aftercare/AftercarePage";
import { LogPage } from "../features/log/LogPage";
import { NumbersPage } from "../features/numbers/NumbersPage";
import { PlanPage } from "../features/plan/PlanPage";
import { PracticePage } from "../features/practice/PracticePage";
import { PrepareDayPage } from "../features/prepare/PrepareDayPage";
import { PreparePage } from "../features/prepare/PreparePage";
import { SheetPage } from "../features/sheet/SheetPage";
import { CalendarInPage } from "../features/today/calendarIn/CalendarInPage";
import { TodayPage } from "../features/today/TodayPage";
import { WalkInPage } from "../features/today/walkIn/WalkInPage";
import { WorkPage } from "../features/work";
import { ProblemNote } from "../ui/ProblemNote";
import { NotHere } from "./NotHere";
import { SessionFrame } from "./SessionFrame";
import { Shell } from "./Shell";
import { readDay, readDaySearch } from "./search";

const root = createRootRouteWithContext<{ queries: QueryClient }>()({
  component: Outlet,
  notFoundComponent: NotHere,
});

const signIn = createRoute({
  getParentRoute: () => root,
  path: "/sign-in",
  validateSearch: (search: Record<string, unknown>): { to?: string } =>
    typeof search.to === "string" && search.to.startsWith("/") ? { to: search.to } : {},
  component: DoorPage,
});

const open = createRoute({ getParentRoute: () => root, path: "/open", component: OpenPage });
const join = createRoute({ getParentRoute: () => root, path: "/join", component: JoinPage });
const password = createRoute({ getParentRoute: () => root, path: "/password", component: PasswordPage });

/** A form that a client fills in: nobody signs in for it, and it knows nothing of the practice. */
const intake = createRoute({ getParentRoute: () => root, path: "/intake", component: IntakePage });

/** How a device in the same room comes to trust this server. */
const trust = createRoute({ getParentRoute: () => root, path: "/trust", component: TrustPage });

/** Everything inside asks who it is first. With the network gone, what is already here may go on. */
const inside = createRoute({
  getParentRoute: () => root,
  id: "in",
  beforeLoad: async ({ context, location }) => {
    if (!(await finishSignOut())) throw redirect({ to: "/sign-in" });
    try {
      await context.queries.ensureQueryData(meQuery);
    } catch (error) {
      if (error instanceof Problem && error.document.status === 401)
        throw redirect({ to: "/sign-in", search: { to: location.href } });
      throw error;
    }
  },
  errorComponent: ({ error, reset }) => (
    <main className="px-6 py-10">
      <ProblemNote error={error} onAgain={reset} />
    </main>
  ),
  component: Outlet,
});

const framed = createRoute({ getParentRoute: () => inside, id: "framed", component: Shell });
const today = createRoute({
  getParentRoute: () => framed,
  path: "/",
  validateSearch: readDaySearch,
  component: TodayPage,
});
const walkIn = createRoute({ getParentRoute: () => framed, path: "walk-in", component: WalkInPage });
const calendarIn = createRoute({
  getParentRoute: () => framed,
  path: "calendar-in",
  component: CalendarInPage,
});
const session = createRoute({
  getParentRoute: () => framed,
  path: "session/$sessionId",
  component: SessionFrame,
});
const prepareDay = createRoute({
  getParentRoute: () => framed,
  path: "prepare",
  validateSearch: readDay,
  component: PrepareDayPage,
});
const clients = createRoute({ getParentRoute: () => framed, path: "clients", component: ClientsPage });
const client = createRoute({
  getParentRoute: () => framed,
  path: "clients/$clientId",
  component: ClientPage,
});
const bringIn = createRoute({ getParentRoute: () => framed, path: "clients/in", component: BringInPage });
const review = createRoute({
  getParentRoute: () => framed,
  path: "clients/$clientId/intake/$intakeId",
  component: ReviewPage,
});
const flows = createRoute({ getParentRoute: () => framed, path: "flows", component: FlowsPage });
const account = createRoute({ getParentRoute: () => framed, path: "account", component: AccountPage });
const practice = createRoute({ getParentRoute: () => framed, path: "practice", component: PracticePage });
const numbers = createRoute({ getParentRoute: () => framed, path: "numbers", component: NumbersPage });
const meet = createRoute({ getParentRoute: () => session, path: "meet", component: MeetPage });
const plan = createRoute({
  getParentRoute: () => session,
  path: "plan",
  /** `from`: the flow of the library that the session is to start from. */
  validateSearch: (search: Record<string, unknown>): { from?: string } =>
    typeof search.from === "string" ? { from: search.from } : {},
  component: PlanPage,
});
const prepare = createRoute({ getParentRoute: () => session, path: "prepare", component: PreparePage });
const sheet = createRoute({ getParentRoute: () => session, path: "sheet", component: SheetPage });
const log = createRoute({ getParentRoute: () => session, path: "log", component: LogPage });
const aftercare = createRoute({ getParentRoute: () => session, path: "aftercare", component: AftercarePage });
const learn = createRoute({ getParentRoute: () => session, path: "learn", component: LearnPage });
const work = createRoute({
  getParentRoute: () => inside,
  path: "session/$sessionId/work",
  component: WorkPage,
});

const footSwitch = createRoute({
  getParentRoute: () => inside,
  path: "foot-switch",
  component: FootSwitchPage,
});

export function makeRouter(queries: QueryClient) {
  return createRouter({
    routeTree: root.addChildren([
      signIn,
      open,
      join,
      password,
      trust,
      intake,
      inside.addChildren([
        framed.addChildren([
          today,
          walkIn,
          calendarIn,
          prepareDay,
          clients,
          bringIn,
          client,
          review,
          flows,
          account,
          practice,
          numbers,
          session.addChildren([meet, plan, prepare, sheet, log, aftercare, learn]),
        ]),
        work,
        footSwitch,
      ]),
    ]),
    context: { queries },
    scrollRestoration: true,
  });
}

declare module "@tanstack/react-router" {
  interface Register {
    router: ReturnType<typeof makeRouter>;
  }
  interface HistoryState {
    /** What erasing a client took away, told on the page that follows. */
    erased?: string;
  }
}
