import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { PlayEvent } from "#core/records/events.ts";
import type { PlaySetup, Reflection } from "#core/records/play.ts";

/** One go as this device keeps it, until it is handed in and receipted. */
export interface LocalPlay {
  id: string;
  token: string;
  card: string;
  device: string;
  setup: PlaySetup;
  /** Typed for the day; never leave the device. */
  names: string[];
  rulesVersion: number;
  startedAt: number;
  /** Over by the rules or stopped: nothing more will be recorded. */
  done: boolean;
  result: { events: number; reflection: Reflection } | null;
  /** The server's receipt of the result. */
  receipt: string | null;
  /** Why the server will not take it. */
  refused: string | null;
}
interface LocalEvent {
  play: string;
  seq: number;
  event: PlayEvent;
  /** 1 once receipted; a number, so that it can be indexed. */
  kept: 0 | 1;
}
interface Yard extends DBSchema {
  plays: { key: string; value: LocalPlay; indexes: { token: string; card: string } };
  events: { key: [string, number]; value: LocalEvent; indexes: { play: string } };
}

let opened: Promise<IDBPDatabase<Yard>> | null = null;
const db = () => {
  opened ??= openDB<Yard>("daring-yard", 1, {
    upgrade(d) {
      const plays = d.createObjectStore("plays", { keyPath: "id" });
      plays.createIndex("token", "token");
      plays.createIndex("card", "card");
      d.createObjectStore("events", { keyPath: ["play", "seq"] }).createIndex("play", "play");
    },
  });
  return opened;
};

export const deviceId = (): string => {
  const known = localStorage.getItem("yard-device");
  if (known) return known;
  const made = crypto.randomUUID();
  localStorage.setItem("yard-device", made);
  return made;
};

export async function addPlay(play: LocalPlay): Promise<void> {
  await (await db()).add("plays", play);
}

/** Changes a play in one transaction, so that two tabs never undo each other's change. */
export async function changePlay(id: string, change: Partial<LocalPlay>): Promise<void> {
  const tx = (await db()).transaction("plays", "readwrite");
  const play = await tx.store.get(id);
  if (play) await tx.store.put({ ...play, ...change });
  await tx.done;
}

/** Keeps an event; a place that is taken is an error, never an overwrite. */
export async function addEvent(play: string, seq: number, event: PlayEvent): Promise<void> {
  await (await db()).add("events", { play, seq, event, kept: 0 });
}

export async function eventsOf(play: string): Promise<LocalEvent[]> {
  const all = await (await db()).getAllFromIndex("events", "play", play);
  return all.sort((a, b) => a.seq - b.seq);
}

export async function markKept(play: string, seqs: readonly number[]): Promise<void> {
  const tx = (await db()).transaction("events", "readwrite");
  for (const seq of seqs) {
    const e = await tx.store.get([play, seq]);
    if (e) await tx.store.put({ ...e, kept: 1 });
  }
  await tx.done;
}

export async function playById(id: string): Promise<LocalPlay | undefined> {
  return (await db()).get("plays", id);
}

export async function playsOfCard(card: string): Promise<LocalPlay[]> {
  const all = await (await db()).getAllFromIndex("plays", "card", card);
  return all.sort((a, b) => a.startedAt - b.startedAt);
}

export async function playsOfToken(token: string): Promise<LocalPlay[]> {
  return (await db()).getAllFromIndex("plays", "token", token);
}

/** After the receipt the device clears its own: events go, and with them the names. */
export async function clearHandedIn(id: string, receipt: string): Promise<void> {
  const tx = (await db()).transaction(["plays", "events"], "readwrite");
  const play = await tx.objectStore("plays").get(id);
  if (play) await tx.objectStore("plays").put({ ...play, receipt, refused: null, names: [] });
  for (const key of await tx.objectStore("events").index("play").getAllKeys(id))
    await tx.objectStore("events").delete(key);
  await tx.done;
}
