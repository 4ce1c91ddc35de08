import { useQuery } from "@tanstack/react-query";
import { Link, Outlet } from "@tanstack/react-router";
import { UserRound } from "lucide-react";
import type { Me } from "../api/client";
import { meQuery } from "../api/queries";
import { SignOut } from "../features/account/SignOut";
import { ThemeButton } from "../features/account/ThemeButton";
import { say } from "../phrases/screens/app";
import { Wordmark } from "../ui/Wordmark";

/** The frame round every page but Work. On a small screen all but the pages themselves is found at the account. */
export function Shell() {
  const me = useQuery(meQuery);
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1500px] flex-col has-[[data-wide]]:max-w-[2480px] px-4 sm:px-8">
      <a href="#page" className="sr-only focus:not-sr-only">
        {say.skipToPage}
      </a>
      <header className="no-print flex min-h-16 items-center gap-1 py-2 sm:gap-4">
        <Link
          to="/"
          className="flex min-h-11 min-w-11 shrink-0 items-center rounded whitespace-nowrap"
          aria-label={say.homeLink}
        >
          <Wordmark short />
        </Link>
        <nav aria-label="Mellow Tide" className="flex gap-1">
          {(
            [
              ["/", "Today"],
              ["/clients", "Clients"],
              ["/flows", "Flows"],
            ] as const
          ).map(([to, name]) => (
            <Link
              key={to}
              to={to}
              activeOptions={{ exact: true, includeSearch: false }}
              className="flex min-h-11 items-center rounded-field px-2 sm:px-3 hover:bg-base-200"
              activeProps={{ className: "font-bold", "aria-current": "page" }}
            >
              {name}
            </Link>
          ))}
        </nav>
        {me.data && <Whereabouts me={me.data} />}
        <ThemeButton className="max-md:hidden" />
        {me.data && <SignOut name={me.data.name} className="max-lg:hidden" />}
      </header>
      <main id="page" className="flex-1 pb-10">
        <Outlet />
      </main>
      <footer className="no-print border-t border-base-300 py-4 text-quiet">
        <p className="max-w-[75ch] text-[0.95rem]">{say.caution}</p>
      </footer>
    </div>
  );
}

/** The practice and the person, each leading to what is set there. */
function Whereabouts({ me }: { me: Me }) {
  return (
    <>
      <Link
        to="/practice"
        aria-label={say.settingsOf(me.practice) + (me.demo ? ` ${say.sharedDemo}` : "")}
        className="btn btn-ghost ml-auto min-h-11 px-2 font-normal max-md:hidden"
        activeProps={{ className: "font-bold", "aria-current": "page" }}
      >
        <span className="max-w-[9rem] truncate lg:max-w-[16rem]">{me.practice}</span>{" "}
        {me.demo && (
          <span className="hidden rounded bg-base-200 px-2 text-quiet lg:inline">{say.sharedDemo}</span>
        )}
      </Link>
      <Link
        to="/account"
        aria-label={say.accountOf(me.name)}
        className="btn btn-ghost min-h-11 min-w-11 px-2 font-normal max-md:ml-auto"
        activeProps={{ className: "font-bold", "aria-current": "page" }}
      >
        <UserRound aria-hidden="true" size={20} />
        <span className="hidden max-w-[10rem] truncate xl:inline">{me.name}</span>
      </Link>
    </>
  );
}
