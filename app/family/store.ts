import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { PlayEvent } from "#core/events/events.ts";
import type { HandInSent, PlaySetup, Reflection } from "#core/records/play.ts";

/** One go as this device keeps it, until it is handed in and receipted. */
export interface LocalPlay {
  id: string;
  /** The link it is sent by; others that led to its card stand by, since a teacher may make a new link meanwhile. */
  token: string;
  others?: string[];
  card: string;
  /** The version of the card it is played with, and what was decided here before play. */
  cardHash?: string | null;
  decided?: HandInSent["decided"];
  device: string;
  setup: PlaySetup;
  /** The child adds its score up itself: it is shown once that was typed. */
  adds?: boolean;
  /** Another home plays along over a call: after each turn it is read how it stands. */
  call?: boolean;
  /** It does not count: never sent anywhere, gone when it is over. */
  practice?: boolean;
  /** A clock that runs so many times as fast, where somebody only tries the game out. */
  speed?: number;
  /** The answer chosen to the question before play. */
  chose?: number;
  /** Typed for the day; never leave the device. */
  names: string[];
  rulesVersion: number;
  startedAt: number;
  /** Over by the rules or stopped: nothing more will be recorded. */
  done: boolean;
  result: { events: number; reflection: Reflection } | null;
  /** The server's receipt of the result. */
  receipt: string | null;
  /** Why the server will never take it, in its own words. */
  refused: string | null;
  /** Why it waits, in the server's own words; it is sent again. */
  stuck?: string | null;
  /** The server asked not to be asked again before this instant, milliseconds since 1970. */
  notBefore?: number;
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

/** What earlier versions took for final, though a new link, or another network, would have taken it. */
const GIVEN_UP = ["This link was withdrawn.", "This link is not known.", "There is no such card."];

let opened: Promise<IDBPDatabase<Yard>> | null = null;
const db = () => {
  opened ??= openDB<Yard>("daring-yard", 2, {
    async upgrade(d, from, _to, tx) {
      if (from === 1) {
        // Given up by an earlier version for a reason that was not final: it is sent again.
        const all = tx.objectStore("plays");
        for (const p of await all.getAll())
          if (p.refused !== null && (/^\d{3}$/.test(p.refused) || GIVEN_UP.includes(p.refused)))
            await all.put({ ...p, refused: null });
        return;
      }
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

/** Forgets a go that did not count, with its events. One that counts stays. */
export async function dropPractice(id: string): Promise<void> {
  const tx = (await db()).transaction(["plays", "events"], "readwrite");
  const play = await tx.objectStore("plays").get(id);
  if (play?.practice) {
    for (const key of await tx.objectStore("events").index("play").getAllKeys(id))
      await tx.objectStore("events").delete(key);
    await tx.objectStore("plays").delete(id);
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

/** Goes on this device that a page answers for: of its link, and of the cards it shows. */
export async function playsOf(token: string, cards: readonly string[]): Promise<LocalPlay[]> {
  const d = await db();
  const found = await d.getAllFromIndex("plays", "token", token);
  for (const card of cards) found.push(...(await d.getAllFromIndex("plays", "card", card)));
  return [...new Map(found.map((p) => [p.id, p])).values()].sort((a, b) => a.startedAt - b.startedAt);
}

/** Goes of these cards that wait go by this link from now on; the links they had stand by. */
export async function adopt(token: string, cards: readonly string[]): Promise<void> {
  for (const p of await playsOf(token, cards)) {
    if (p.receipt || p.token === token || !cards.includes(p.card) || p.others?.includes(token)) continue;
    await changePlay(p.id, { token, others: [p.token, ...(p.others ?? [])].slice(0, MOST_LINKS), stuck: null });
  }
}
/** Links of one go that are kept. */
const MOST_LINKS = 5;

/** After the receipt the device clears its own: events go, and with them the names. */
export async function clearHandedIn(id: string, receipt: string): Promise<void> {
  const tx = (await db()).transaction(["plays", "events"], "readwrite");
  const play = await tx.objectStore("plays").get(id);
  if (play) await tx.objectStore("plays").put({ ...play, receipt, refused: null, stuck: null, names: [] });
  for (const key of await tx.objectStore("events").index("play").getAllKeys(id))
    await tx.objectStore("events").delete(key);
  await tx.done;
}
