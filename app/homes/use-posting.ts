import { useCallback, useRef, useState } from "react";
import type { SaveAnswer, Saving } from "./saving.ts";

const UNSENT: SaveAnswer = { ok: false, problems: [], unsent: true };
/** How long an answer may take before the save counts as not sent, milliseconds. Saving twice does no harm. */
const LIMIT = 30_000;
/** The link is off or unknown. The page itself says so. */
const GONE = [404, 410];

/**
 * Sends fields and reads the answer. If the network or the server is away, or a network's own sign-in page answers,
 * the result is `UNSENT`.
 */
export async function post(url: string, fields: Record<string, string>, signal?: AbortSignal): Promise<SaveAnswer> {
  try {
    // A request that has started when the page is left is still completed.
    const answer = await fetch(url, {
      method: "POST",
      body: new URLSearchParams(fields),
      keepalive: true,
      ...(signal && { signal }),
    });
    if (GONE.includes(answer.status)) location.reload();
    const body = (await answer.json()) as Partial<SaveAnswer>;
    return typeof body.ok === "boolean" ? { ok: body.ok, problems: body.problems ?? [] } : UNSENT;
  } catch {
    return UNSENT;
  }
}

/** Saves parts of the survey at an address of their own. A newer save replaces one that is still being sent. */
export function usePosting(url: string): Saving {
  const [busy, setBusy] = useState(false);
  const [answer, setAnswer] = useState<SaveAnswer | null>(null);
  const running = useRef<AbortController | null>(null);
  const save = useCallback(
    (fields: Record<string, string>) => {
      running.current?.abort();
      const mine = new AbortController();
      running.current = mine;
      setBusy(true);
      const limit = setTimeout(() => mine.abort(), LIMIT);
      void post(url, fields, mine.signal).then((saved) => {
        clearTimeout(limit);
        if (running.current !== mine) return;
        setBusy(false);
        setAnswer(saved);
      });
    },
    [url],
  );
  const open = useCallback((to: string) => location.assign(to), []);
  return { busy, answer, save, open };
}
