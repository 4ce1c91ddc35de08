import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { RouterProvider } from "@tanstack/react-router";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Problem } from "../api/client";
import { leaveOwnerless } from "../api/owner";
import { finishSignOut } from "../api/signOut";
import { askAhead, bringInPages, outside } from "./ahead";
import { makeRouter } from "./router";
import "./styles.css";

function signInAgain(error: unknown) {
  const signedOut = error instanceof Problem && error.document.type.endsWith(":not-signed-in");
  // What this device keeps is hidden until its owner signs in again.
  if (signedOut) leaveOwnerless();
  if (signedOut && !outside(router.state.location.pathname))
    router.navigate({ to: "/sign-in", search: { to: router.state.location.href } });
}

/** Ms after the first page has loaded at which the others come in. */
const PAGES_AFTER = 200;

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: signInAgain }),
  mutationCache: new MutationCache({ onError: signInAgain }),
  defaultOptions: {
    queries: {
      retry: (failures, error) => failures < 2 && error instanceof Problem && error.document.status === 0,
      networkMode: "always",
      // What was asked for ahead is not asked for again when the page that wants it is drawn.
      staleTime: 2_000,
    },
    mutations: { networkMode: "always" },
  },
});
const router = makeRouter(queries);
askAhead(queries, location.pathname);

addEventListener("online", () => void finishSignOut());
// A page that comes back out of memory shows what somebody else may have seen.
addEventListener("pageshow", (event) => event.persisted && location.reload());

// What the first page asks for goes first.
addEventListener("load", () => void setTimeout(() => bringInPages(router), PAGES_AFTER));

// The pages' own worker: with it a reload needs no network. Nothing waits for it, and a browser without one goes on.
if (import.meta.env.PROD && "serviceWorker" in navigator)
  addEventListener("load", () => void navigator.serviceWorker.register("/sw.js").catch(() => undefined));

createRoot(document.getElementById("root") as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
