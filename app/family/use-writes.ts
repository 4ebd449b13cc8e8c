import { useCallback, useEffect, useRef, useState } from "react";
import type { PlayEvent } from "#core/events/events.ts";
import { addEvent, changePlay, freeSpace, type LocalPlay, moveToMemory, PlaceTaken } from "./store.ts";
import { syncAll } from "./sync.ts";

interface Write {
  seq: number;
  event: PlayEvent;
  changes: { done: boolean } | null;
  /** The event is kept; what it changed of the go is not yet. */
  kept?: true;
}
/** `full`: the device cannot keep the last throws; they wait here in their order. `otherTab`: another tab plays the same go. */
export type WriteTrouble = "full" | "otherTab" | null;

export interface Writes {
  trouble: WriteTrouble;
  /** Keeps an event that stands, and what it changed of the go. */
  write: (seq: number, event: PlayEvent, changes: { done: boolean } | null) => void;
  /** Until everything is kept; false where it cannot be. */
  settled: () => Promise<boolean>;
  /** Tries once more to keep what waits. */
  retry: () => Promise<void>;
  /** Makes room on the device first. Answers with how many goes made room. */
  free: () => Promise<number>;
  /** Goes on in this page's memory alone. */
  playOn: () => Promise<void>;
}

/**
 * Keeps what happens in a go, one after the other. A write that fails stops at once: what comes after it waits behind it, so that what is kept never
 * has a gap, and nothing is lost while the page is open.
 */
export function useWrites(local: LocalPlay, data: { token: string; id: string }, again: () => Promise<void>): Writes {
  const queue = useRef<Write[]>([]);
  const busy = useRef<Promise<boolean> | null>(null);
  const [trouble, setTrouble] = useState<WriteTrouble>(null);
  const { id } = local;
  const latest = useRef({ data, again });
  useEffect(() => {
    latest.current = { data, again };
  }, [data, again]);

  const drain = useCallback((): Promise<boolean> => {
    busy.current ??= (async () => {
      try {
        for (let write = queue.current[0]; write; write = queue.current[0]) {
          if (!write.kept) await addEvent(id, write.seq, write.event);
          write.kept = true;
          if (write.changes) {
            await changePlay(id, write.changes);
            await latest.current.again();
          }
          queue.current.shift();
        }
        setTrouble(null);
        void syncAll(latest.current.data.token, [latest.current.data.id]);
        return true;
      } catch (error) {
        setTrouble(error instanceof PlaceTaken ? "otherTab" : "full");
        return false;
      } finally {
        busy.current = null;
      }
    })();
    return busy.current;
  }, [id]);
  const settled = useCallback(async () => {
    while (busy.current) await busy.current;
    return queue.current.length === 0 || drain();
  }, [drain]);

  return {
    trouble,
    write: useCallback(
      (seq, event, changes) => {
        queue.current.push({ seq, event, changes });
        // After a failed write nothing more is tried until the player chooses what to do.
        if (queue.current.length === 1 || busy.current) void drain();
      },
      [drain],
    ),
    settled,
    retry: useCallback(async () => {
      await settled();
    }, [settled]),
    free: useCallback(async () => {
      const count = await freeSpace();
      await settled();
      return count;
    }, [settled]),
    playOn: useCallback(async () => {
      await moveToMemory(
        id,
        queue.current.flatMap(({ seq, event, kept }) => (kept ? [] : [{ seq, event }])),
      );
      const done = queue.current.findLast((write) => write.changes)?.changes;
      queue.current = [];
      if (done) await changePlay(id, done);
      setTrouble(null);
      await latest.current.again();
      void syncAll(latest.current.data.token, [latest.current.data.id]);
    }, [id]),
  };
}
