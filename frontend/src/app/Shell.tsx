import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, Outlet, useNavigate } from "@tanstack/react-router";
import { LogOut, Moon, Sun } from "lucide-react";
import { useState } from "react";
import { countTaps } from "../api/keptRuns";
import { meQuery } from "../api/queries";
import { signOut } from "../api/signOut";
import { say } from "../phrases/screens/app";
import { Button } from "../ui/Button";
import { focusIn } from "../ui/focusIn";
import { Wordmark } from "../ui/Wordmark";
import { useTheme } from "./theme";

/** The frame round every page but Work. */
export function Shell() {
  const me = useQuery(meQuery);
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1500px] flex-col px-4 sm:px-8">
      <a href="#page" className="sr-only focus:not-sr-only">
        {say.skipToPage}
      </a>
      <header className="no-print flex min-h-16 items-center gap-1 py-2 sm:gap-4">
        <Link to="/" className="rounded" aria-label={say.homeLink}>
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
              activeOptions={{ exact: true }}
              className="flex min-h-11 items-center rounded-field px-2 sm:px-3 hover:bg-base-200"
              activeProps={{ className: "font-bold", "aria-current": "page" }}
            >
              {name}
            </Link>
          ))}
        </nav>
        <span className="ml-auto hidden text-quiet sm:inline">{me.data?.practice}</span>
        <ThemeButton />
        {me.data && <SignOut name={me.data.name} />}
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

function ThemeButton() {
  const [theme, setTheme] = useTheme();
  const night = theme === "nightroom";
  return (
    <Button
      look="quiet"
      className="btn-square ml-auto size-11 sm:ml-0"
      aria-pressed={night}
      aria-label={say.dimScreenForNightRoom}
      title={night ? "Day light" : "Night room"}
      onClick={() => setTheme(night ? "shore" : "nightroom")}
    >
      {night ? <Sun aria-hidden="true" size={20} /> : <Moon aria-hidden="true" size={20} />}
    </Button>
  );
}

function SignOut({ name }: { name: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [unsent, setUnsent] = useState(0);
  const out = useMutation({
    mutationFn: signOut,
    onSuccess: async () => {
      setUnsent(0);
      queries.clear();
      await navigate({ to: "/sign-in" });
    },
  });
  const ask = async () => {
    const waiting = await countTaps().catch(() => 0);
    if (waiting > 0) setUnsent(waiting);
    else out.mutate();
  };
  return (
    <>
      <Button look="quiet" className="px-2 font-normal" onClick={ask} aria-label={say.signOut(name)}>
        <LogOut aria-hidden="true" size={20} />
        <span className="hidden sm:inline">Sign out</span>
      </Button>
      {unsent > 0 && (
        <div
          ref={focusIn}
          tabIndex={-1}
          role="alertdialog"
          aria-modal="true"
          aria-label={say.signOutNow}
          onKeyDown={(event) => event.key === "Escape" && setUnsent(0)}
          className="fixed inset-0 z-40 grid place-items-center bg-black/50 p-5 outline-none"
        >
          <div className="grid max-w-md gap-4 rounded-box bg-base-100 px-7 py-6 text-base-content shadow-xl">
            <h2 className="text-2xl">{say.signOutNow}</h2>
            <p>{say.tapsStay(unsent)}</p>
            <div className="flex flex-wrap gap-3">
              <Button look="main" onClick={() => out.mutate()}>
                Sign out
              </Button>
              <Button onClick={() => setUnsent(0)}>{say.staySignedIn}</Button>
            </div>
          </div>
        </div>
      )}
    </>
  );
}
