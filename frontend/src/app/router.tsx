import type { QueryClient } from "@tanstack/react-query";
import {
  createRootRouteWithContext,
  createRoute,
  createRouter,
  lazyRouteComponent,
  Outlet,
  redirect,
} from "@tanstack/react-router";
import { Problem } from "../api/client";
import { meQuery } from "../api/queries";
import { finishSignOut } from "../api/signOut";
import { ClientPage } from "../features/clients/ClientPage";
import { ClientsPage } from "../features/clients/ClientsPage";
import { MeetPage } from "../features/clients/MeetPage";
import { DoorPage } from "../features/door/DoorPage";
import { PlanPage } from "../features/plan/PlanPage";
import { PreparePage } from "../features/prepare/PreparePage";
import { TodayPage } from "../features/today/TodayPage";
import { ProblemNote } from "../ui/ProblemNote";
import { UNTOLD } from "../ui/Waiting";
import { NotHere } from "./NotHere";
import { PageComing } from "./PageComing";
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

const open = createRoute({
  getParentRoute: () => root,
  path: "/open",
  component: lazyRouteComponent(() => import("../features/door/OpenPage"), "OpenPage"),
});
const join = createRoute({
  getParentRoute: () => root,
  path: "/join",
  component: lazyRouteComponent(() => import("../features/door/JoinPage"), "JoinPage"),
});
const password = createRoute({
  getParentRoute: () => root,
  path: "/password",
  component: lazyRouteComponent(() => import("../features/door/PasswordPage"), "PasswordPage"),
});

/** A form that a client fills in: nobody signs in for it, and it knows nothing of the practice. */
const intake = createRoute({
  getParentRoute: () => root,
  path: "/intake",
  component: lazyRouteComponent(() => import("../features/intake/IntakePage"), "IntakePage"),
});

/** How a device in the same room comes to trust this server. */
const trust = createRoute({
  getParentRoute: () => root,
  path: "/trust",
  component: lazyRouteComponent(() => import("../features/door/TrustPage"), "TrustPage"),
});

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
const walkIn = createRoute({
  getParentRoute: () => framed,
  path: "walk-in",
  component: lazyRouteComponent(() => import("../features/today/walkIn/WalkInPage"), "WalkInPage"),
});
const calendarIn = createRoute({
  getParentRoute: () => framed,
  path: "calendar-in",
  component: lazyRouteComponent(
    () => import("../features/today/calendarIn/CalendarInPage"),
    "CalendarInPage",
  ),
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
  component: lazyRouteComponent(() => import("../features/prepare/PrepareDayPage"), "PrepareDayPage"),
});
const clients = createRoute({ getParentRoute: () => framed, path: "clients", component: ClientsPage });
const client = createRoute({
  getParentRoute: () => framed,
  path: "clients/$clientId",
  component: ClientPage,
});
const bringIn = createRoute({
  getParentRoute: () => framed,
  path: "clients/in",
  component: lazyRouteComponent(() => import("../features/clients/exchange/BringInPage"), "BringInPage"),
});
const review = createRoute({
  getParentRoute: () => framed,
  path: "clients/$clientId/intake/$intakeId",
  component: lazyRouteComponent(() => import("../features/clients/ReviewPage"), "ReviewPage"),
});
const flows = createRoute({
  getParentRoute: () => framed,
  path: "flows",
  component: lazyRouteComponent(() => import("../features/flows/FlowsPage"), "FlowsPage"),
});
const account = createRoute({
  getParentRoute: () => framed,
  path: "account",
  component: lazyRouteComponent(() => import("../features/account/AccountPage"), "AccountPage"),
});
const practice = createRoute({
  getParentRoute: () => framed,
  path: "practice",
  component: lazyRouteComponent(() => import("../features/practice/PracticePage"), "PracticePage"),
});
const numbers = createRoute({
  getParentRoute: () => framed,
  path: "numbers",
  component: lazyRouteComponent(() => import("../features/numbers/NumbersPage"), "NumbersPage"),
});
const meet = createRoute({ getParentRoute: () => session, path: "meet", component: MeetPage });
const plan = createRoute({
  getParentRoute: () => session,
  path: "plan",
  /** `from`: the flow of the library that the session is to start from. */
  validateSearch: (search: Record<string, unknown>): { from?: string } =>
    typeof search.from === "string" ? { from: search.from } : {},
  component: PlanPage,
});
const prepare = createRoute({
  getParentRoute: () => session,
  path: "prepare",
  component: PreparePage,
});
const sheet = createRoute({
  getParentRoute: () => session,
  path: "sheet",
  component: lazyRouteComponent(() => import("../features/sheet/SheetPage"), "SheetPage"),
});
const log = createRoute({
  getParentRoute: () => session,
  path: "log",
  component: lazyRouteComponent(() => import("../features/log/LogPage"), "LogPage"),
});
const aftercare = createRoute({
  getParentRoute: () => session,
  path: "aftercare",
  component: lazyRouteComponent(() => import("../features/log/aftercare/AftercarePage"), "AftercarePage"),
});
const learn = createRoute({
  getParentRoute: () => session,
  path: "learn",
  component: lazyRouteComponent(() => import("../features/learn/LearnPage"), "LearnPage"),
});
const work = createRoute({
  getParentRoute: () => inside,
  path: "session/$sessionId/work",
  component: lazyRouteComponent(() => import("../features/work"), "WorkPage"),
});

const footSwitch = createRoute({
  getParentRoute: () => inside,
  path: "foot-switch",
  component: lazyRouteComponent(() => import("../features/footSwitch/FootSwitchPage"), "FootSwitchPage"),
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
    // The page before stays for so long; then the reader is told that the next one is on its way.
    defaultPendingComponent: PageComing,
    defaultPendingMs: UNTOLD,
    defaultPendingMinMs: 0,
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
