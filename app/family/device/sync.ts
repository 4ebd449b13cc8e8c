import { ANSWERED, type NotTaken } from "#core/records/answer.ts";
import type { HandInSent, Receipt } from "#core/records/play.ts";
import {
  changePlay,
  claim,
  clearHandedIn,
  type LocalEvent,
  type LocalPlay,
  markSynced,
  playById,
  playsOf,
  unsentEvents,
} from "./store.ts";

/** Waits between attempts to send a go, milliseconds. The wait doubles each time, between these two. */
const FIRST_WAIT = 2000;
const LONGEST_WAIT = 60_000;
/** The longest that a server may ask us to wait, seconds. */
const LONGEST_PATIENCE = 86_400;

const changed = new EventTarget();
/** Calls back whenever something was receipted or refused, or could not be sent. */
export function onSync(listen: () => void): () => void {
  changed.addEventListener("sync", listen);
  return () => changed.removeEventListener("sync", listen);
}

let wait = FIRST_WAIT;
let timer: ReturnType<typeof setTimeout> | null = null;

/**
 * Sends everything of a link and its cards that has no receipt, and repeats until it has. Safe to call at any time,
 * in any tab.
 */
export async function syncAll(token: string, cards: readonly string[]): Promise<void> {
  let failed = false;
  /** How long until the first go may be sent that the server asked to wait, milliseconds. */
  let patience = Number.POSITIVE_INFINITY;
  await claim(token, cards);
  for (const play of await playsOf(token, cards))
    if (!play.receipt && !play.refused && !play.practice) {
      const before = (play.notBefore ?? 0) - Date.now();
      if (before > 0 && before <= LONGEST_PATIENCE * 1000) patience = Math.min(patience, before);
      else failed = !(await syncPlay(play.id)) || failed;
    }
  if (timer) clearTimeout(timer);
  timer = null;
  if (!failed) wait = FIRST_WAIT;
  if (!failed && patience === Number.POSITIVE_INFINITY) return;
  timer = setTimeout(() => void syncAll(token, cards), Math.min(failed ? wait : patience, LONGEST_WAIT));
  if (failed) wait = Math.min(LONGEST_WAIT, wait * 2);
}

/**
 * During a game, events are sent together at most this often, milliseconds, because a tap must not wait for the
 * network.
 */
const SEND_EVERY = 2000;
let soon: ReturnType<typeof setTimeout> | null = null;
/** Sends what is stored of a card soon. Several calls become one. */
export function syncSoon(token: string, card: string): void {
  if (soon) return;
  soon = setTimeout(() => {
    soon = null;
    void syncAll(token, [card]);
  }, SEND_EVERY);
}

/** Only one tab sends at a time. Sending twice would be harmless, but a waste. */
async function alone(id: string, work: () => Promise<boolean>): Promise<boolean> {
  return navigator.locks ? navigator.locks.request(`yard-sync-${id}`, work) : work();
}

/** The most events in one message, well below the server's limit. */
const MAX_AT_ONCE = 4000;

/** True if nothing is left to send, or never will be. */
function syncPlay(id: string): Promise<boolean> {
  return alone(id, async () => {
    const play = await playById(id);
    if (!play || play.receipt || play.refused || play.practice) return true;
    const events = await unsentEvents(id);
    if (events.length === 0 && !play.result) return true;
    let done = true;
    // A very long game is sent in parts, with its result in the last.
    for (let from = 0; done && (from === 0 || from < events.length); from += MAX_AT_ONCE) {
      const part = events.slice(from, from + MAX_AT_ONCE).map(({ seq, event }) => ({ seq, event }));
      const last = from + MAX_AT_ONCE >= events.length;
      done = await sendByAnyLink({ ...play, result: last ? play.result : null }, part);
      if (done && (await playById(id))?.refused) break;
    }
    // Screens show goes and not their events, so only a go that has changed or waits to be handed in is read again.
    if (play.result || JSON.stringify(await playById(id)) !== JSON.stringify(play))
      changed.dispatchEvent(new Event("sync"));
    return done;
  });
}

/** An event of a go, as this device has saved it. */
type SavedEvent = Pick<LocalEvent, "seq" | "event">;

/** Sends by the go's own link or, if the server refuses that one, by those in reserve. */
async function sendByAnyLink(play: LocalPlay, events: readonly SavedEvent[]): Promise<boolean> {
  for (const token of [play.token, ...(play.others ?? [])]) {
    const answer = await post(play, token, events);
    if ("later" in answer) {
      if (answer.later > 0)
        await changePlay(play.id, {
          notBefore: Date.now() + 1000 * answer.later,
          ...(answer.message !== null && { stuck: answer.message }),
        });
      return false;
    }
    if ("kept" in answer) {
      const receipted = new Set([...answer.kept, ...answer.conflicts]);
      await markSynced(
        play.id,
        events.filter((event) => receipted.has(event.seq)),
      );
      if (answer.result) await clearHandedIn(play.id, answer.result);
      if (token !== play.token)
        await changePlay(play.id, {
          token,
          others: [play.token, ...(play.others ?? [])].filter((text) => text !== token),
        });
      if (play.stuck) await changePlay(play.id, { stuck: null });
      return true;
    }
    await changePlay(play.id, answer.final ? { refused: answer.message } : { stuck: answer.message });
    if (answer.final) return true;
  }
  return false;
}

/** The server could not take it now. `later`: seconds to wait, 0 where it did not say; `message`: its reason, if it gave one. */
interface Later {
  later: number;
  message: string | null;
}
const LATER: Later = { later: 0, message: null };
const secondsOf = (response: Response) =>
  Math.min(LONGEST_PATIENCE, Math.max(0, Number(response.headers.get("Retry-After")) || 0));

/** What our server answered. Any other answer (a network's sign-in page, a proxy) means: try again later. */
async function post(
  play: LocalPlay,
  token: string,
  events: readonly SavedEvent[],
): Promise<Receipt | NotTaken | Later> {
  const body: HandInSent = {
    play: play.id,
    card: play.card,
    device: play.device,
    setup: play.setup,
    rulesVersion: play.rulesVersion,
    cardHash: play.cardHash ?? null,
    decided: play.decided ?? null,
    startedAt: play.startedAt,
    events: [...events],
    result: play.result,
  };
  try {
    const response = await fetch(`/api/hand-in/${token}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(body),
      redirect: "error",
    });
    // The server is too busy. It says when to come again, before it has looked at anything.
    if (response.status === 503) return { ...LATER, later: secondsOf(response) };
    const answered = (await response.json()) as (Receipt & { answer?: string }) | NotTaken;
    if (answered?.answer !== ANSWERED) return LATER;
    if (response.status === 429) return { later: secondsOf(response), message: (answered as NotTaken).message };
    return response.ok || typeof (answered as NotTaken).final === "boolean" ? answered : LATER;
  } catch {
    return LATER;
  }
}

/** Keeps sending while the page is open: at once, when the network returns, and when the page is looked at again. */
export function keepSyncing(token: string, cards: readonly string[]): () => void {
  const go = () => void syncAll(token, cards);
  const seen = () => document.visibilityState === "visible" && go();
  go();
  addEventListener("online", go);
  document.addEventListener("visibilitychange", seen);
  return () => {
    removeEventListener("online", go);
    document.removeEventListener("visibilitychange", seen);
  };
}
