import { useEffect, useState } from "react";
import { playsOf } from "../device/store.ts";
import { onSync } from "../device/sync.ts";

export interface Waiting {
  /** Goes handed in on this device that have not reached the school yet. */
  count: number;
  /** What the school's own server says of one that waits, if it does. */
  stuck: string | null;
  /** Goes that it will not take, each with its reason. */
  refused: readonly string[];
}
const NONE: Waiting = { count: 0, stuck: null, refused: [] };

/** What waits on this device, of a link and its cards. */
export function useWaiting(token: string, cards: readonly string[]): Waiting {
  const [waiting, set] = useState(NONE);
  const ids = cards.join();
  useEffect(() => {
    const look = () =>
      void playsOf(token, ids === "" ? [] : ids.split(",")).then((all) => {
        const open = all.filter((play) => play.result && !play.receipt && !play.refused && !play.practice);
        const now: Waiting = {
          count: open.length,
          stuck: open.find((play) => play.stuck)?.stuck ?? null,
          refused: all.flatMap((play) => (play.refused ? [play.refused] : [])),
        };
        set((before) => (JSON.stringify(before) === JSON.stringify(now) ? before : now));
      });
    look();
    return onSync(look);
  }, [token, ids]);
  return waiting;
}
