import { useCallback, useMemo, useRef, useState } from "react";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { Laid } from "#core/yard/layouts/laid.ts";
import { moveTogether, type Snap, widen as widened } from "./edit.ts";

/** The selection on plan and tape, and every change made there by hand. */
export interface Yard {
  chosen: string | null;
  choose: (id: string | null) => void;
  /** Selects a target because it got the focus. If it is part of a selection of several, they stay selected. */
  focusOn: (id: string) => void;
  /** The targets that move together. Empty unless there are several. */
  group: readonly string[];
  toggle: (id: string) => void;
  chooseAll: (ids: readonly string[]) => void;
  move: (id: string, metres: number, gesture: string) => void;
  place: (id: string, metres: number, across: number, gesture: string) => void;
  widen: (id: string, width: number, gesture: string) => void;
  lay: (next: Laid, gesture: string) => void;
  snap: Snap;
  setSnap: (snap: Snap) => void;
  clearShown: boolean;
  showClear: (on: boolean) => void;
}

export function useYard(
  current: () => Activity,
  change: (next: Activity, key?: string) => void,
  first: string | null,
): Yard {
  const [chosen, setChosen] = useState<string | null>(first);
  const [group, setGroup] = useState<readonly string[]>([]);
  const [snap, setSnap] = useState<Snap>("tens");
  const [clearShown, showClear] = useState(false);
  const selected = useRef({ chosen, group });
  selected.current = { chosen, group };

  const choose = useCallback((id: string | null) => {
    setChosen(id);
    // Selecting one of several keeps the selection; selecting another one ends it.
    if (id === null || !selected.current.group.includes(id)) setGroup([]);
  }, []);
  /** What was selected before the focus moved: the first of a selection of several. */
  const before = useRef<string | null>(null);
  const focusOn = useCallback((id: string) => {
    if (id !== selected.current.chosen) before.current = selected.current.chosen;
    setChosen(id);
  }, []);
  const toggle = useCallback((id: string) => {
    const { chosen: now, group: all } = selected.current;
    const was = now === id ? before.current : now;
    const begun = all.length > 0 ? all : was !== null && was !== id ? [was] : [];
    const next = begun.includes(id) ? begun.filter((text) => text !== id) : [...begun, id];
    setGroup(next.length > 1 ? next : []);
    setChosen(next.includes(id) ? id : (next[0] ?? null));
  }, []);
  const chooseAll = useCallback((ids: readonly string[]) => {
    setGroup(ids.length > 1 ? ids : []);
    setChosen(ids[0] ?? null);
  }, []);
  const set = useCallback(
    (next: Activity, gesture: string) => {
      if (next !== current()) change(next, gesture);
    },
    [change, current],
  );
  const place = useCallback(
    (id: string, metres: number, across: number, gesture: string) =>
      set(moveTogether(current(), selected.current.group, id, { along: metres, across }), gesture),
    [set, current],
  );
  const move = useCallback(
    (id: string, metres: number, gesture: string) => {
      const from = current();
      const next = opened(from).move(id, { along: metres });
      const distanceIn = (activity: Activity) => opened(activity).pegs.find((peg) => peg.id === id)?.distance;
      if (distanceIn(next) === distanceIn(from)) return;
      change(next, gesture);
    },
    [change, current],
  );
  const widen = useCallback(
    (id: string, width: number, gesture: string) => set(widened(current(), id, width), gesture),
    [set, current],
  );
  const lay = useCallback((layout: Laid, gesture: string) => set({ ...current(), layout }, gesture), [set, current]);
  return useMemo(
    () => ({
      chosen,
      choose,
      focusOn,
      group,
      toggle,
      chooseAll,
      move,
      place,
      widen,
      lay,
      snap,
      setSnap,
      clearShown,
      showClear,
    }),
    [chosen, choose, focusOn, group, toggle, chooseAll, move, place, widen, lay, snap, clearShown],
  );
}
