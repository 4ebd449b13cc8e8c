import { useEffect, useState, useSyncExternalStore } from "react";

const NONE: ReadonlySet<string> = new Set();

/** The rows chosen in a table, by id. Only what shows a choice is drawn again when it changes. */
export class ChosenStore {
  private ids: ReadonlySet<string> = NONE;
  private readonly listeners = new Set<() => void>();
  readonly all = (): ReadonlySet<string> => this.ids;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  private put(next: Set<string>): void {
    this.ids = next;
    for (const listener of this.listeners) listener();
  }
  /** Chooses these rows, or no longer. */
  readonly choose = (which: readonly string[], on: boolean): void => {
    const next = new Set(this.ids);
    for (const id of which) {
      if (on) next.add(id);
      else next.delete(id);
    }
    this.put(next);
  };
  readonly clear = (): void => this.put(new Set());
  /** Rows that are gone are no longer chosen. */
  keepOnly(there: ReadonlySet<string>): void {
    if ([...this.ids].some((id) => !there.has(id))) this.put(new Set([...this.ids].filter((id) => there.has(id))));
  }
}

/** The store of a table with these rows. */
export function useChosenStore<R>(rows: readonly R[], rowId: (row: R) => string): ChosenStore {
  const [store] = useState(() => new ChosenStore());
  useEffect(() => store.keepOnly(new Set(rows.map(rowId))), [store, rows, rowId]);
  return store;
}

export const useChosen = (store: ChosenStore): ReadonlySet<string> =>
  useSyncExternalStore(store.subscribe, store.all, () => NONE);
