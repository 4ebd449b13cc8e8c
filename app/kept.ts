/**
 * Small things that this device remembers between visits: ticks, what was typed, settings. A browser may refuse to keep anything (private windows,
 * a full disk, a setting). Then they are remembered as long as the page is open, and nothing else fails.
 */
const here = new Map<string, string>();

const storage = (): Storage | null => {
  try {
    return typeof localStorage === "undefined" ? null : localStorage;
  } catch {
    return null;
  }
};

/** What was remembered under a name; null where nothing was. */
export function remembered(name: string): string | null {
  const now = here.get(name);
  if (now !== undefined) return now;
  try {
    return storage()?.getItem(name) ?? null;
  } catch {
    return null;
  }
}

/** Remembers a text under a name: on the device where that works, else while the page is open. */
export function remember(name: string, text: string): void {
  try {
    const kept = storage();
    if (kept) {
      kept.setItem(name, text);
      here.delete(name);
      return;
    }
  } catch {
    // Full or refused.
  }
  here.set(name, text);
}

export function forget(name: string): void {
  here.delete(name);
  try {
    storage()?.removeItem(name);
  } catch {
    // Refused: nothing was kept there either.
  }
}

/** Something remembered as JSON; null where there is nothing, or it cannot be read. */
export function rememberedJson<T>(name: string): T | null {
  try {
    return JSON.parse(remembered(name) ?? "null") as T | null;
  } catch {
    return null;
  }
}
