/** What this device keeps of runs: taps until the server has them, and all that a begun run needs to go on alone. */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Catalogue, Me, RunEvent, RunSheet, RunState, SessionView, TableSide } from "./client";
import { owner } from "./owner";

/** A begun run with everything its screen asks for. */
export interface KeptRun {
  me: Me;
  catalogue: Catalogue;
  session: SessionView;
  side: TableSide | null;
}

interface KeptTap {
  sessionId: string;
  event: RunEvent;
  /** Who made it, by id; taps kept by an earlier version have no name. */
  owner?: string;
  keptAt?: number;
}

interface Schema extends DBSchema {
  events: { key: number; value: KeptTap; indexes: { bySession: string } };
  runs: { key: string; value: KeptRun & { keptAt: number } };
}

/** Nothing stays on a device for longer, in ms. */
const LONGEST = 30 * 24 * 3600 * 1000;

function isOurs(one: { owner?: string }): boolean {
  return !one.owner || one.owner === owner();
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** One connection for the life of the page, so that a tap is on its way to the disk before anything else runs. */
function store(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>("mellow-tide", 4, {
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
  transaction.store.add({ sessionId, event, owner: owner(), keptAt: Date.now() });
  await transaction.done;
}

/** The taps that whoever is signed in made in a session and that are still kept here, in the order they happened. */
export async function keptTaps(sessionId: string): Promise<RunEvent[]> {
  const all = await (await store()).getAllFromIndex("events", "bySession", sessionId);
  return all.filter(isOurs).map((one) => one.event);
}

/** How many taps of whoever is signed in wait on this device, in all sessions. */
export async function countTaps(): Promise<number> {
  return (await (await store()).getAll("events")).filter(isOurs).length;
}

/** The sessions of which this device keeps something for whoever is signed in. */
export async function keptSessions(): Promise<string[]> {
  const db = await store();
  const taps = (await db.getAll("events")).filter(isOurs).map((one) => one.sessionId);
  const runs = (await db.getAll("runs")).filter((run) => run.me.person_id === owner());
  return [...new Set([...taps, ...runs.map((run) => run.session.session_id)])];
}

/** The client was erased: what this device knows of their session goes with them, whoever made it. */
export async function forgetTaps(sessionId: string): Promise<void> {
  const transaction = (await store()).transaction("events", "readwrite");
  for await (const cursor of transaction.store.index("bySession").iterate(sessionId)) await cursor.delete();
  await transaction.done;
}

/** Drop what has been here too long. */
export async function forgetOld(now: Date): Promise<void> {
  const before = now.getTime() - LONGEST;
  const transaction = (await store()).transaction(["events", "runs"], "readwrite");
  for await (const cursor of transaction.objectStore("events"))
    if ((cursor.value.keptAt ?? Date.parse(cursor.value.event.at)) < before) await cursor.delete();
  for await (const cursor of transaction.objectStore("runs"))
    if (cursor.value.keptAt < before) await cursor.delete();
  await transaction.done;
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
  await (await store()).put("runs", { ...run, keptAt: Date.now() }, run.session.session_id);
}

/** The kept run of a session, or the first there is of whoever is signed in: they and the catalogue are the same in all. */
export async function keptRun(sessionId?: string): Promise<KeptRun | undefined> {
  const runs = (await (await store()).getAll("runs")).filter((run) => run.me.person_id === owner());
  return sessionId ? runs.find((run) => run.session.session_id === sessionId) : runs[0];
}

/** The run sheet of this id, if this device keeps it with the session. */
export async function keptSheet(sessionId: string, sheetId: string): Promise<RunSheet | null> {
  const session = (await keptRun(sessionId))?.session;
  return session?.sheet_id === sheetId ? session.evaluation.sheet : null;
}

export async function forgetRun(sessionId: string): Promise<void> {
  await (await store()).delete("runs", sessionId);
}

/** Whoever signs out leaves no client's session on the device; taps that the server has not yet stay. */
export async function forgetRuns(): Promise<void> {
  await (await store()).clear("runs");
}
