import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { PlayEvent } from "#core/events/events.ts";
import type { HandInSent, PlaySetup, Reflection } from "#core/records/play.ts";
import { remember, remembered } from "../../kept.ts";

/** One go as this device stores it, until it is handed in and receipted. */
export interface LocalPlay {
  id: string;
  /**
   * The link it is sent by. Other links that led to its card are kept in reserve, because a teacher may replace a
   * link meanwhile.
   */
  token: string;
  others?: string[];
  card: string;
  /** The version of the card it is played with, and what was decided here before play. */
  cardHash?: string | null;
  decided?: HandInSent["decided"];
  device: string;
  setup: PlaySetup;
  /** The child adds up the score and sees it only after typing it. */
  adds?: boolean;
  /** Another home plays along over a call, so the standing is read out after each turn. */
  call?: boolean;
  /** A practice go: it is never sent, and is deleted when it is over. */
  practice?: boolean;
  /** The speed of the clock, for trying a game out. */
  speed?: number;
  /** The answer to the question before play. */
  chose?: number;
  /** Typed for the day. They never leave the device. */
  names: string[];
  rulesVersion: number;
  startedAt: number;
  /** Over by the rules or stopped, so nothing more will be recorded. */
  done: boolean;
  result: { events: number; reflection: Reflection } | null;
  /** The server's receipt of the result. */
  receipt: string | null;
  /** Why the server will never accept it, in the server's words. */
  refused: string | null;
  /** Why it waits, in the server's words. It is sent again. */
  stuck?: string | null;
  /** The server asked to be left alone until this instant, milliseconds since 1970. */
  notBefore?: number;
}
export interface LocalEvent {
  play: string;
  seq: number;
  event: PlayEvent;
  /** 1 once receipted. A number, so that it can be indexed. */
  kept: 0 | 1;
}
interface Yard extends DBSchema {
  plays: { key: string; value: LocalPlay; indexes: { token: string; card: string } };
  events: { key: [string, number]; value: LocalEvent; indexes: { play: string } };
}

/** Refusals that earlier versions took for final, although a new link or another network would have helped. */
const GIVEN_UP = ["This link is off.", "This link is not known.", "There is no such card."];

/** A database that has not opened within this time is blocked, milliseconds. */
const OPENS_WITHIN = 4000;

/**
 * Goes that exist only in this page's memory: all goes if the browser stores nothing, or those that went on after the
 * device could not store an event. They are lost when the page is closed, unless they were handed in before.
 */
const memory = { plays: new Map<string, LocalPlay>(), events: new Map<string, LocalEvent[]>() };

const changed = new EventTarget();
let blocked = false;
const noteMemory = () => changed.dispatchEvent(new Event("memory"));
/** True if goes are only in this page's memory, because the browser stores nothing or one was moved there. */
export const inMemoryOnly = (): boolean => blocked || [...memory.plays.values()].some((play) => !play.practice);
/** True if one go is only in this page's memory. */
export const isInMemory = (id: string): boolean => memory.plays.has(id);
/** Calls back when that changes. */
export function onMemory(listen: () => void): () => void {
  changed.addEventListener("memory", listen);
  return () => changed.removeEventListener("memory", listen);
}
/** True if a go would be lost if the page were closed now. */
export const unsentInMemory = (): boolean =>
  [...memory.plays.values()].some((play) => !play.practice && !play.receipt && !play.refused);

let opened: Promise<IDBPDatabase<Yard> | null> | null = null;
/** The device's database. Null if the browser does not let us have one. */
const db = (): Promise<IDBPDatabase<Yard> | null> => {
  opened ??= (async () => {
    const opening = openDB<Yard>("daring-yard", 2, {
      async upgrade(database, from, _to, tx) {
        if (from === 1) {
          // Goes that an earlier version gave up for a reason that was not final are sent again.
          const all = tx.objectStore("plays");
          for (const play of await all.getAll())
            if (play.refused !== null && (/^\d{3}$/.test(play.refused) || GIVEN_UP.includes(play.refused)))
              await all.put({ ...play, refused: null });
          return;
        }
        const plays = database.createObjectStore("plays", { keyPath: "id" });
        plays.createIndex("token", "token");
        plays.createIndex("card", "card");
        database.createObjectStore("events", { keyPath: ["play", "seq"] }).createIndex("play", "play");
      },
    });
    const late = new Promise<null>((done) => setTimeout(() => done(null), OPENS_WITHIN));
    return Promise.race([opening, late]);
  })()
    .catch(() => null)
    .then((database) => {
      if (!database) {
        blocked = true;
        noteMemory();
      }
      return database;
    });
  return opened;
};

export const deviceId = (): string => {
  const known = remembered("yard-device");
  if (known) return known;
  const made = crypto.randomUUID();
  remember("yard-device", made);
  return made;
};

/** Stores a new go on the device or, if that fails, in memory. */
export async function addPlay(play: LocalPlay): Promise<void> {
  const database = await db();
  try {
    if (database) {
      await database.add("plays", play);
      return;
    }
  } catch (error) {
    if ((error as DOMException).name === "ConstraintError") throw error;
  }
  memory.plays.set(play.id, play);
  memory.events.set(play.id, []);
  noteMemory();
}

/** Changes a play in one transaction, so that two tabs never undo each other's changes. */
export async function changePlay(id: string, change: Partial<LocalPlay>): Promise<void> {
  const own = memory.plays.get(id);
  if (own) {
    memory.plays.set(id, { ...own, ...change });
    noteMemory();
    return;
  }
  const tx = (await db())?.transaction("plays", "readwrite");
  if (!tx) return;
  const play = await tx.store.get(id);
  if (play) await tx.store.put({ ...play, ...change });
  await tx.done;
}

/** The place of an event is taken, because the same go is played in another tab. */
export class PlaceTaken extends Error {}
/** An event could not be stored. The ones before it are. */
export class NotKept extends Error {}

/**
 * Stores an event behind the one before it, so that there is never a gap. PlaceTaken if another tab wrote there;
 * NotKept if the device could not (it is full, or lost what it had). `follows`: the caller has itself just stored the
 * event before this one.
 */
export async function addEvent(play: string, seq: number, event: PlayEvent, follows = false): Promise<void> {
  const own = memory.events.get(play);
  if (own) {
    // The device may have stored it before the go moved to memory, without saying so.
    if (!own.some((known) => known.seq === seq)) own.push({ play, seq, event, kept: 0 });
    return;
  }
  try {
    const tx = (await db())!.transaction("events", "readwrite");
    tx.done.catch(() => undefined);
    if (!follows && seq > 0 && (await tx.store.getKey([play, seq - 1])) === undefined)
      throw new NotKept("the go before it is missing");
    await tx.store.add({ play, seq, event, kept: 0 });
    await tx.done;
  } catch (error) {
    if ((error as DOMException).name !== "ConstraintError") throw new NotKept((error as Error).name);
    // An earlier attempt may have stored it without learning so.
    const there = await (await db())!.get("events", [play, seq]);
    if (JSON.stringify(there?.event) !== JSON.stringify(event)) throw new PlaceTaken();
  }
}

export async function eventsOf(play: string): Promise<LocalEvent[]> {
  const own = memory.events.get(play);
  if (own) return [...own];
  const all = (await (await db())?.getAllFromIndex("events", "play", play)) ?? [];
  return all.sort((a, b) => a.seq - b.seq);
}

/** The first event of each go that may not have reached the school yet. Earlier ones need not be read again. */
const firstUnsent = new Map<string, number>();

/** The events of a go that the school does not have yet, in order. */
export async function unsentEvents(play: string): Promise<LocalEvent[]> {
  const own = memory.events.get(play);
  if (own) return own.filter((event) => event.kept === 0);
  const database = await db();
  if (!database) return [];
  const from = firstUnsent.get(play) ?? 0;
  const range = IDBKeyRange.bound([play, from], [play, Number.POSITIVE_INFINITY]);
  return (await database.getAll("events", range)).filter((event) => event.kept === 0);
}

/** The school has receipted these events. */
export async function markSynced(play: string, events: readonly { seq: number; event: PlayEvent }[]): Promise<void> {
  const own = memory.events.get(play);
  if (own) {
    const seqs = new Set(events.map((event) => event.seq));
    for (const event of own) if (seqs.has(event.seq)) event.kept = 1;
    return;
  }
  const tx = (await db())?.transaction("events", "readwrite");
  if (!tx || events.length === 0) return;
  for (const { seq, event } of events) void tx.store.put({ play, seq, event, kept: 1 });
  await tx.done;
  const last = Math.max(...events.map((event) => event.seq));
  firstUnsent.set(play, Math.max(firstUnsent.get(play) ?? 0, last + 1));
}

/** Goes on with a go in memory alone, from what the device has of it. */
export async function moveToMemory(id: string): Promise<void> {
  const play = await playById(id);
  if (!play || memory.plays.has(id)) return;
  const events = await eventsOf(id);
  memory.plays.set(id, play);
  memory.events.set(id, events);
  noteMemory();
  // What the device has stays there in case the page is closed. Handing it in twice does no harm.
}

/** Makes room by deleting goes that the school has already. Returns how many. */
export async function freeSpace(): Promise<number> {
  const database = await db();
  if (!database) return 0;
  const done = (await database.getAll("plays")).filter((play) => play.receipt !== null);
  for (const play of done) {
    const tx = database.transaction(["plays", "events"], "readwrite");
    for (const key of await tx.objectStore("events").index("play").getAllKeys(play.id))
      await tx.objectStore("events").delete(key);
    await tx.objectStore("plays").delete(play.id);
    await tx.done;
  }
  return done.length;
}

async function dropFrom(database: IDBPDatabase<Yard> | null, id: string): Promise<void> {
  if (!database) return;
  const tx = database.transaction(["plays", "events"], "readwrite");
  for (const key of await tx.objectStore("events").index("play").getAllKeys(id))
    await tx.objectStore("events").delete(key);
  await tx.objectStore("plays").delete(id);
  await tx.done;
}

/** Deletes a practice go with its events. A go that counts stays. */
export async function dropPractice(id: string): Promise<void> {
  const play = await playById(id);
  if (!play?.practice) return;
  memory.plays.delete(id);
  memory.events.delete(id);
  await dropFrom(await db(), id);
}

export async function playById(id: string): Promise<LocalPlay | undefined> {
  return memory.plays.get(id) ?? (await (await db())?.get("plays", id));
}

/** In order of their start. What is in memory replaces what the device has. */
const merged = (kept: readonly LocalPlay[], own: readonly LocalPlay[]): LocalPlay[] =>
  [...new Map([...kept, ...own].map((play) => [play.id, play])).values()].sort((a, b) => a.startedAt - b.startedAt);

export async function playsOfCard(card: string): Promise<LocalPlay[]> {
  const kept = (await (await db())?.getAllFromIndex("plays", "card", card)) ?? [];
  return merged(
    kept,
    [...memory.plays.values()].filter((play) => play.card === card),
  );
}

/** The goes on this device that a page is responsible for: those of its link, and of the cards it shows. */
export async function playsOf(token: string, cards: readonly string[]): Promise<LocalPlay[]> {
  const database = await db();
  const found = (await database?.getAllFromIndex("plays", "token", token)) ?? [];
  for (const card of cards) found.push(...((await database?.getAllFromIndex("plays", "card", card)) ?? []));
  return merged(
    found,
    [...memory.plays.values()].filter((play) => play.token === token || cards.includes(play.card)),
  );
}

/** Waiting goes of these cards are sent by this link from now on. Their earlier links are kept in reserve. */
export async function claim(token: string, cards: readonly string[]): Promise<void> {
  for (const play of await playsOf(token, cards)) {
    if (play.receipt || play.token === token || !cards.includes(play.card) || play.others?.includes(token)) continue;
    await changePlay(play.id, { token, others: [play.token, ...(play.others ?? [])].slice(0, MAX_LINKS), stuck: null });
  }
}
/** The most links that are kept for one go. */
const MAX_LINKS = 5;

/** After the receipt, the device deletes its own copy: the events, and with them the names. */
export async function clearHandedIn(id: string, receipt: string): Promise<void> {
  const clear = { receipt, refused: null, stuck: null, names: [] };
  const own = memory.plays.get(id);
  if (own) {
    memory.plays.set(id, { ...own, ...clear });
    memory.events.set(id, []);
    noteMemory();
  }
  const tx = (await db())?.transaction(["plays", "events"], "readwrite");
  if (!tx) return;
  const play = await tx.objectStore("plays").get(id);
  for (const key of await tx.objectStore("events").index("play").getAllKeys(id))
    await tx.objectStore("events").delete(key);
  if (play) await tx.objectStore("plays").put({ ...(own ?? play), ...clear });
  await tx.done;
}
