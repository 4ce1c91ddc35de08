/** The machines of the room: what is paired, and what one of them says just now. */
import { queryOptions } from "@tanstack/react-query";
import { api, body, type MachineState, type Machines } from "./client";

/** How often a machine is asked while it is looked at. */
const ASKED_MS = 2_000;

export const machinesQuery = queryOptions({
  queryKey: ["machines"],
  queryFn: () => body<Machines>(api.GET("/api/machines")),
});

/** What a machine says; `session` is what a warmer has to be in time for. */
export const machineQuery = (kind: MachineKind, session?: string) =>
  queryOptions({
    queryKey: ["machine", kind, session],
    queryFn: () =>
      body<MachineState>(
        api.GET("/api/machines/{kind}", {
          params: { path: { kind }, query: session ? { session_id: session } : {} },
          signal: AbortSignal.timeout(ASKED_MS),
        }),
      ),
    refetchInterval: ASKED_MS,
    // A state that is a moment old is asked anew.
    staleTime: 0,
    retry: false,
  });

export type MachineKind = Machines["machines"][number]["kind"];
