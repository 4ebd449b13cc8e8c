import type { HandIn, Receipt } from "#core/records/play.ts";
import { changePlay, clearHandedIn, eventsOf, type LocalPlay, markKept, playById, playsOfToken } from "./store.ts";

/** Waits between tries when the network is gone, milliseconds: doubled each time between these. */
const FIRST_WAIT = 2000;
const LONGEST_WAIT = 60_000;

const changed = new EventTarget();
/** Calls back whenever something was receipted or refused. */
export function onSync(listen: () => void): () => void {
  changed.addEventListener("sync", listen);
  return () => changed.removeEventListener("sync", listen);
}

let wait = FIRST_WAIT;
let timer: ReturnType<typeof setTimeout> | null = null;

/** Sends everything of a link that has no receipt yet, now and again until it has. Safe to call at any time, in any tab. */
export async function syncAll(token: string): Promise<void> {
  let failed = false;
  for (const play of await playsOfToken(token))
    if (!play.receipt && !play.refused) failed = !(await syncPlay(play.id)) || failed;
  if (timer) clearTimeout(timer);
  timer = null;
  if (!failed) {
    wait = FIRST_WAIT;
    return;
  }
  timer = setTimeout(() => void syncAll(token), wait);
  wait = Math.min(LONGEST_WAIT, wait * 2);
}

/** One sender at a time over all tabs; sending twice would be harmless, but a waste. */
async function alone(id: string, work: () => Promise<boolean>): Promise<boolean> {
  return navigator.locks ? navigator.locks.request(`yard-sync-${id}`, work) : work();
}

/** True when nothing is left to send, or never will be. */
function syncPlay(id: string): Promise<boolean> {
  return alone(id, async () => {
    const play = await playById(id);
    if (!play || play.receipt || play.refused) return true;
    const events = (await eventsOf(id)).filter((e) => e.kept === 0);
    if (events.length === 0 && !play.result) return true;
    const answer = await post(play, { events: events.map(({ seq, event }) => ({ seq, event })) });
    if (answer === "later") return false;
    if ("refused" in answer) await changePlay(id, { refused: answer.refused });
    else {
      await markKept(id, [...answer.kept, ...answer.conflicts]);
      if (answer.result) await clearHandedIn(id, answer.result);
    }
    changed.dispatchEvent(new Event("sync"));
    return true;
  });
}

async function post(
  play: LocalPlay,
  { events }: Pick<HandIn, "events">,
): Promise<Receipt | { refused: string } | "later"> {
  const body: HandIn = {
    play: play.id,
    card: play.card,
    device: play.device,
    setup: play.setup,
    rulesVersion: play.rulesVersion,
    startedAt: play.startedAt,
    events,
    result: play.result,
  };
  try {
    const response = await fetch(`/api/hand-in/${play.token}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(body),
    });
    if (response.ok) return (await response.json()) as Receipt;
    if (response.status >= 500 || response.status === 429 || response.status === 408) return "later";
    const told: { message?: string } = await response.json().catch(() => ({}));
    return { refused: told.message ?? `${response.status}` };
  } catch {
    return "later";
  }
}

/** Keeps sending while the page lives: at once, when the network comes back, and when the page is looked at again. */
export function keepSyncing(token: string): () => void {
  const go = () => void syncAll(token);
  const seen = () => document.visibilityState === "visible" && go();
  go();
  addEventListener("online", go);
  document.addEventListener("visibilitychange", seen);
  return () => {
    removeEventListener("online", go);
    document.removeEventListener("visibilitychange", seen);
  };
}
