import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import { type Run, runOf } from "#core/rehearsal/at.ts";
import type { Foreseen, Rehearsing } from "#core/rehearsal/rehearsal.ts";
import type { RehearsalWorker } from "../workers/rehearsal.worker.ts";

const start = () => new Worker(new URL("../workers/rehearsal.worker.ts", import.meta.url), { type: "module" });
/** Children of one draw are drawn by seeds of their own; each go takes two. */
const seedOf = (seed: number, child: number) => seed * 10_000 + 2 * child;

/** Every child's go in one draw, as each gets ready; null: not yet. A change of the seed draws them all again. */
export function useGoes(children: readonly Rehearsing[], seed: number): { goes: (Run | null)[]; failed: boolean } {
  const [played, setPlayed] = useState<{ seed: number; goes: (Run | null)[]; failed: boolean }>({
    seed,
    goes: [],
    failed: false,
  });
  useEffect(() => {
    const worker = start();
    const api = Comlink.wrap<RehearsalWorker>(worker);
    let ended = false;
    const goes: (Run | null)[] = children.map(() => null);
    (async () => {
      for (const [i, rehearsing] of children.entries()) {
        const go = await api.rehearse(rehearsing, seedOf(seed, i));
        if (ended) return;
        goes[i] = runOf(go);
        setPlayed({ seed, goes: [...goes], failed: false });
      }
    })().catch(() => {
      if (!ended) setPlayed({ seed, goes, failed: true });
    });
    return () => {
      ended = true;
      worker.terminate();
    };
  }, [children, seed]);
  const now = played.seed === seed;
  return { goes: now ? played.goes : [], failed: now && played.failed };
}

/** What the forecast says of each child, one after the other beside the screen; children and cards alike once. */
export function useForeseen(children: readonly Rehearsing[]): (Foreseen | null)[] {
  const [foreseen, setForeseen] = useState<(Foreseen | null)[]>([]);
  useEffect(() => {
    const worker = start();
    const api = Comlink.wrap<RehearsalWorker>(worker);
    let ended = false;
    const known = new Map<string, Foreseen>();
    const out: (Foreseen | null)[] = children.map(() => null);
    (async () => {
      for (const [i, rehearsing] of children.entries()) {
        const key = JSON.stringify(rehearsing);
        const is = known.get(key) ?? (await api.foresee(rehearsing));
        if (ended) return;
        known.set(key, is);
        out[i] = is;
        setForeseen([...out]);
      }
    })().catch(() => undefined);
    return () => {
      ended = true;
      worker.terminate();
    };
  }, [children]);
  return foreseen;
}
