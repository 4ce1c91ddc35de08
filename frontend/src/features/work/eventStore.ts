/** Events on this device until the server has them: a reload, a crash or a lost network loses none. */
import { type DBSchema, openDB } from "idb";
import type { RunEvent } from "../../api/client";

interface Kept {
  sessionId: string;
  event: RunEvent;
}

interface Schema extends DBSchema {
  events: { key: number; value: Kept; indexes: { bySession: string } };
}

const store = () =>
  openDB<Schema>("mellow-tide", 1, {
    upgrade(db) {
      db.createObjectStore("events", { autoIncrement: true }).createIndex("bySession", "sessionId");
    },
  });

export async function keep(sessionId: string, event: RunEvent): Promise<void> {
  await (await store()).add("events", { sessionId, event });
}

/** The events of a session that are still kept here, in the order they happened. */
export async function kept(sessionId: string): Promise<RunEvent[]> {
  const all = await (await store()).getAllFromIndex("events", "bySession", sessionId);
  return all.map((one) => one.event);
}

/** Let go of events the server has. */
export async function release(sessionId: string, ids: ReadonlySet<string>): Promise<void> {
  const db = await store();
  const transaction = db.transaction("events", "readwrite");
  for await (const cursor of transaction.store.index("bySession").iterate(sessionId))
    if (ids.has(cursor.value.event.id)) await cursor.delete();
  await transaction.done;
}
