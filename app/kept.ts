/**
 * Small things that this device remembers between visits: ticks, drafts of answers, settings. A browser may refuse to
 * store anything (private windows, a full disk, a setting). Then they are remembered only while the page is open, and
 * nothing else fails.
 */
const here = new Map<string, string>();

const storage = (): Storage | null => {
  try {
    return typeof localStorage === "undefined" ? null : localStorage;
  } catch {
    return null;
  }
};

/** The text stored under a name. Null if there is none. */
export function remembered(name: string): string | null {
  const now = here.get(name);
  if (now !== undefined) return now;
  try {
    return storage()?.getItem(name) ?? null;
  } catch {
    return null;
  }
}

/** Stores a text under a name: on the device if possible, otherwise while the page is open. */
export function remember(name: string, text: string): void {
  try {
    const kept = storage();
    if (kept) {
      kept.setItem(name, text);
      here.delete(name);
      return;
    }
  } catch {
    // The storage is full or refused.
  }
  here.set(name, text);
}

export function forget(name: string): void {
  here.delete(name);
  try {
    storage()?.removeItem(name);
  } catch {
    // Storage is refused, so nothing was stored there.
  }
}

/** A value stored as JSON. Null if there is none, or if it cannot be read. */
export function rememberedJson<T>(name: string): T | null {
  try {
    return JSON.parse(remembered(name) ?? "null") as T | null;
  } catch {
    return null;
  }
}
