/** What this device keeps of runs: taps until the server has them, and all that a begun run needs to go on alone. */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Catalogue, Me, RunEvent, RunState, SessionView, TableSide } from "./client";

/** A begun run with everything its screen asks for. */
export interface KeptRun {
  me: Me;
  catalogue: Catalogue;
  session: SessionView;
  side: TableSide | null;
}

interface Schema extends DBSchema {
  events: { key: number; value: { sessionId: string; event: RunEvent }; indexes: { bySession: string } };
  runs: { key: string; value: KeptRun };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** One connection for the life of the page, so that a tap is on its way to the disk before anything else runs. */
function store(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>("mellow-tide", 3, {
    upgrade(db, before) {
      if (before < 1)
        db.createObjectStore("events", { autoIncrement: true }).createIndex("bySession", "sessionId");
      // A run kept by an earlier version names its entries otherwise; the server has it.
      if (db.objectStoreNames.contains("runs")) db.deleteObjectStore("runs");
      db.createObjectStore("runs");
    },
    blocking: () => forgetConnection(),
    terminated: () => forgetConnection(),
  });
  return opened;
}

function forgetConnection() {
  opened?.then((db) => db.close());
  opened = null;
}

/** Keep a tap. It is on the disk, not only on its way there, when this is done: a flat battery does not lose it. */
export async function keepTap(sessionId: string, event: RunEvent): Promise<void> {
  const transaction = (await store()).transaction("events", "readwrite", { durability: "strict" });
  transaction.store.add({ sessionId, event });
  await transaction.done;
}

/** The taps of a session that are still kept here, in the order they happened. */
export async function keptTaps(sessionId: string): Promise<RunEvent[]> {
  const all = await (await store()).getAllFromIndex("events", "bySession", sessionId);
  return all.map((one) => one.event);
}

/** Let go of taps that the server has, and remember the run as it then said it to be, both or neither. */
export async function release(sessionId: string, ids: ReadonlySet<string>, run: RunState): Promise<void> {
  const transaction = (await store()).transaction(["events", "runs"], "readwrite");
  const events = transaction.objectStore("events");
  for await (const cursor of events.index("bySession").iterate(sessionId))
    if (ids.has(cursor.value.event.id)) await cursor.delete();
  const runs = transaction.objectStore("runs");
  const kept = await runs.get(sessionId);
  if (kept) await runs.put({ ...kept, session: { ...kept.session, run } }, sessionId);
  await transaction.done;
}

export async function keepRun(run: KeptRun): Promise<void> {
  await (await store()).put("runs", run, run.session.session_id);
}

/** The kept run of a session, or the first there is: who is signed in and the catalogue are the same in all. */
export async function keptRun(sessionId?: string): Promise<KeptRun | undefined> {
  const db = await store();
  return sessionId ? db.get("runs", sessionId) : (await db.getAll("runs", null, 1))[0];
}

export async function forgetRun(sessionId: string): Promise<void> {
  await (await store()).delete("runs", sessionId);
}

/** Whoever signs out leaves no client's session on the device; taps that the server has not yet stay. */
export async function forgetRuns(): Promise<void> {
  await (await store()).clear("runs");
}
