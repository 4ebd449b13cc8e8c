import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { type Activity, activity as activityDocument, type Problem, problemsOf } from "#core/formats/activity.ts";

/** The pause before a change is saved, milliseconds. */
const PAUSE = 700;
/** The steps that undo remembers. */
const MAX_STEPS = 200;

interface History {
  now: Activity;
  past: Activity[];
  future: Activity[];
  /** Consecutive changes with the same key are one step (a drag, a word being typed). */
  key: string | null;
}
type Move =
  | { type: "change"; next: Activity; key: string | null }
  | { type: "undo" }
  | { type: "redo" }
  | { type: "replace"; next: Activity }
  /** Restores what could be undone before the page was closed. */
  | { type: "restore"; past: Activity[] };

/** The history before and after one move. */
export function history(h: History, move: Move): History {
  switch (move.type) {
    case "change": {
      if (move.next === h.now) return h;
      const joins = move.key !== null && move.key === h.key;
      return { now: move.next, past: joins ? h.past : [...h.past, h.now].slice(-MAX_STEPS), future: [], key: move.key };
    }
    case "undo": {
      const last = h.past[h.past.length - 1];
      return last ? { now: last, past: h.past.slice(0, -1), future: [h.now, ...h.future], key: null } : h;
    }
    case "redo": {
      const next = h.future[0];
      return next ? { now: next, past: [...h.past, h.now], future: h.future.slice(1), key: null } : h;
    }
    case "restore":
      return h.past.length === 0 ? { ...h, past: move.past } : h;
    case "replace":
      return { now: move.next, past: [...h.past, h.now].slice(-MAX_STEPS), future: [], key: null };
  }
}

export type SaveState =
  | { at: "saved"; when: string }
  | { at: "waiting" }
  | { at: "mend"; problems: Problem[] }
  | { at: "signedOut" }
  | { at: "offline" }
  | { at: "clash"; theirs: { document: Activity; version: number; updatedAt: string } };

export interface Draft {
  /** Where it is at this moment, also in the middle of a drag. `useLive` follows it. */
  ledger: DraftStore;
  /** The same once a drag has paused: what everything except plan and tape shows, checks and saves. */
  settled: Activity;
  change: (next: Activity, key?: string) => void;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
  state: SaveState;
  problems: Problem[];
  /** After a conflict: save this tab's version over the other, or take the other. */
  settle: (how: "mine" | "theirs") => void;
  /** Tries to save again, after signing in or coming back online. */
  retry: () => void;
  broughtBack: boolean;
}

type Answer =
  | { saved: true; version: number; updatedAt: string }
  | { saved: false; theirs: { document: Activity; version: number; updatedAt: string } }
  | { signedOut: true }
  | { ok: false; problems: Problem[] };

/** A drag has paused if nothing moved for this long, milliseconds. */
const DRAG_PAUSE = 140;

/**
 * The history of a draft, held outside the page. Whatever draws a drag follows it move by move; the page follows only
 * what has settled.
 */
export class DraftStore {
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private calm: Activity;
  constructor(private h: History) {
    this.calm = h.now;
  }
  readonly live = (): Activity => this.h.now;
  readonly settled = (): Activity => this.calm;
  readonly past = (): readonly Activity[] => this.h.past;
  /** What undo and redo lead to. */
  readonly before = (): Activity | null => this.h.past[this.h.past.length - 1] ?? null;
  readonly after = (): Activity | null => this.h.future[0] ?? null;
  readonly canUndo = (): boolean => this.h.past.length > 0;
  readonly canRedo = (): boolean => this.h.future.length > 0;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly move = (move: Move): void => {
    const next = history(this.h, move);
    if (next === this.h) return;
    this.h = next;
    clearTimeout(this.timer);
    if (next.key?.startsWith("drag")) this.timer = setTimeout(this.settle, DRAG_PAUSE);
    else this.calm = next.now;
    for (const listener of this.listeners) listener();
  };
  private readonly settle = (): void => {
    this.calm = this.h.now;
    for (const listener of this.listeners) listener();
  };
}
/** The activity as it is at this moment. */
export const useLive = ({ ledger }: Draft): Activity =>
  useSyncExternalStore(ledger.subscribe, ledger.live, ledger.live);

/** How many steps stay on the device after the page is closed, and for how many activities. */
const KEPT_STEPS = 20;
const KEPT_DRAFTS = 6;
const UNDO = "yard-undo";
interface KeptUndo {
  id: string;
  /** The version of the activity that these steps lead to. */
  version: number;
  past: readonly Activity[];
}
function keptUndo(): KeptUndo[] {
  try {
    return JSON.parse(localStorage.getItem(UNDO) ?? "[]") as KeptUndo[];
  } catch {
    return [];
  }
}
/** Stores the last steps of an activity on this device. If there is no room, the least recent activities go first. */
function keepUndo(kept: KeptUndo): void {
  const all = [kept, ...keptUndo().filter((eachKeptUndo) => eachKeptUndo.id !== kept.id)].slice(0, KEPT_DRAFTS);
  while (all.length > 0) {
    try {
      localStorage.setItem(UNDO, JSON.stringify(all));
      return;
    } catch {
      all.pop();
    }
  }
}
/** The stored steps of an activity as the server has it now. Those of another version would lead elsewhere. */
export function undoFor(id: string, version: number): Activity[] {
  const kept = keptUndo().find((eachKeptUndo) => eachKeptUndo.id === id && eachKeptUndo.version === version);
  return (kept?.past ?? []).flatMap((activity) => {
    const read = activityDocument.safeParse(activity);
    return read.success ? [read.data] : [];
  });
}

/** The draft of one activity: its history, saving as you go, and a copy on this device until the server has it. */
export function useDraft(id: string, kept: { document: Activity; version: number; updatedAt: string }): Draft {
  const [ledger] = useState(() => new DraftStore({ now: kept.document, past: [], future: [], key: null }));
  const { move } = ledger;
  const settled = useSyncExternalStore(ledger.subscribe, ledger.settled, ledger.settled);
  const canUndo = useSyncExternalStore(ledger.subscribe, ledger.canUndo, ledger.canUndo);
  const canRedo = useSyncExternalStore(ledger.subscribe, ledger.canRedo, ledger.canRedo);
  const [state, setState] = useState<SaveState>({ at: "saved", when: kept.updatedAt });
  const [broughtBack, setBroughtBack] = useState(false);
  const version = useRef(kept.version);
  const saved = useRef(kept.document);
  const savedAt = useRef(kept.updatedAt);
  const sending = useRef(false);
  const backup = `yard-draft-${id}`;
  const problems = useMemo(() => {
    const read = activityDocument.safeParse(settled);
    return read.success ? [] : problemsOf(read.error);
  }, [settled]);

  // Restores what was typed here before and never reached the server.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page opens
  useEffect(() => {
    move({ type: "restore", past: undoFor(id, kept.version) });
    // This copy was saved next to the other version. What was typed is in it, and the other is as the server has it.
    const copied = new URLSearchParams(location.search).get("copied");
    if (copied) localStorage.removeItem(`yard-draft-${copied}`);
    const text = localStorage.getItem(backup);
    if (!text) return;
    const left = JSON.parse(text) as { document: Activity; version: number };
    if (JSON.stringify(left.document) === JSON.stringify(kept.document)) {
      localStorage.removeItem(backup);
      return;
    }
    if (left.version !== kept.version) {
      version.current = left.version;
    }
    move({ type: "replace", next: left.document });
    setBroughtBack(true);
  }, []);

  const [tries, setTries] = useState(0);
  const latest = useRef(settled);
  latest.current = settled;
  const save = useCallback(
    async (document: Activity) => {
      if (sending.current) return;
      sending.current = true;
      try {
        const response = await fetch(`/activities/${id}/save`, {
          method: "POST",
          headers: { "Content-Type": "application/json" },
          body: JSON.stringify({ version: version.current, document }),
        });
        const answer = (await response.json()) as Answer;
        if ("signedOut" in answer) setState({ at: "signedOut" });
        else if ("problems" in answer) setState({ at: "mend", problems: answer.problems });
        else if (answer.saved) {
          version.current = answer.version;
          saved.current = document;
          savedAt.current = answer.updatedAt;
          setState({ at: "saved", when: answer.updatedAt });
          // What was changed or undone in the meantime is not part of this save.
          if (latest.current !== document) setTries((count) => count + 1);
        } else setState({ at: "clash", theirs: answer.theirs });
      } catch {
        setState({ at: "offline" });
      } finally {
        sending.current = false;
      }
    },
    [id],
  );

  const held = state.at === "clash" || state.at === "signedOut";
  // biome-ignore lint/correctness/useExhaustiveDependencies: `tries` asks for another attempt, `state` for the next one after a save
  useEffect(() => {
    if (settled === saved.current) {
      localStorage.removeItem(backup);
      setState((givenState) =>
        givenState.at === "mend" || givenState.at === "waiting" ? { at: "saved", when: savedAt.current } : givenState,
      );
      return;
    }
    localStorage.setItem(backup, JSON.stringify({ document: settled, version: version.current }));
    if (held) return;
    if (problems.length > 0) {
      setState({ at: "mend", problems });
      return;
    }
    setState((givenState) => (givenState.at === "offline" ? givenState : { at: "waiting" }));
    const timeout = setTimeout(() => void save(settled), PAUSE);
    return () => clearTimeout(timeout);
  }, [settled, problems, held, save, tries, backup, state.at === "saved"]);
  const atSaved = state.at === "saved";
  useEffect(() => {
    if (atSaved && settled === saved.current && ledger.past().length > 0)
      keepUndo({ id, version: version.current, past: ledger.past().slice(-KEPT_STEPS) });
  }, [atSaved, settled, ledger, id]);
  useEffect(() => {
    const again = () => setTries((count) => count + 1);
    addEventListener("online", again);
    return () => removeEventListener("online", again);
  }, []);

  return {
    ledger,
    settled,
    change: useCallback((next, key) => move({ type: "change", next, key: key ?? null }), [move]),
    undo: useCallback(() => move({ type: "undo" }), [move]),
    redo: useCallback(() => move({ type: "redo" }), [move]),
    canUndo,
    canRedo,
    state,
    problems,
    broughtBack,
    settle: useCallback(
      (how) => {
        if (state.at !== "clash") return;
        version.current = state.theirs.version;
        if (how === "theirs") {
          saved.current = state.theirs.document;
          move({ type: "replace", next: state.theirs.document });
          setState({ at: "saved", when: state.theirs.updatedAt });
        } else setState({ at: "waiting" });
      },
      [state, move],
    ),
    retry: useCallback(() => {
      setState({ at: "waiting" });
      setTries((count) => count + 1);
    }, []),
  };
}
