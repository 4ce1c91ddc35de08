/** What is asked for before anybody wants it: the first page's answers while it comes, and then the other pages. */
import type { QueryClient } from "@tanstack/react-query";
import type { AnyRoute, AnyRouter } from "@tanstack/react-router";
import { isLeaving } from "../api/owner";
import { catalogueQuery, meQuery, sessionQuery } from "../api/queries";

/** Pages for which nobody is signed in. */
export function outside(path: string): boolean {
  return /^\/(sign-in|open|join|password|intake|trust)\b/.test(path);
}

/** What a page at `path` will ask for. Who is signed in, every page wants to know. */
export function askAhead(queries: QueryClient, path: string) {
  if (outside(path) || isLeaving()) return;
  void queries.prefetchQuery(meQuery);
  const session = /^\/session\/([0-9a-f-]{36})\b/.exec(path)?.[1];
  if (!session) return;
  void queries.prefetchQuery(catalogueQuery);
  void queries.prefetchQuery(sessionQuery(session));
}

/**
 * Bring in every page that is not here yet. From then on the app goes on as it is, whatever becomes of the network, or
 * of the version on the server.
 */
export function bringInPages(router: AnyRouter) {
  const routes: readonly AnyRoute[] = Object.values(router.routesById);
  for (const { options } of routes) void options.component?.preload?.();
}
