import { useEffect, useState } from "react";
import { playsOf } from "../device/store.ts";
import { onSync } from "../device/sync.ts";

export interface Waiting {
  /** How many goes are handed in on this device and have not reached the school yet. */
  count: number;
  /** The server's reason why a waiting go was not accepted yet, if it gave one. */
  stuck: string | null;
  /** The reason for each go that the server will never accept. */
  refused: readonly string[];
}
const NONE: Waiting = { count: 0, stuck: null, refused: [] };

/** What waits on this device for a link and its cards. */
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
