import type { LocalPlay } from "./store.ts";

/** When this page first saw a go: how far it was then, and by the clock that nobody sets. */
const seen = new Map<string, { far: number; at: number }>();

/**
 * Milliseconds of a go since it began, `speed` times as fast. The time of day tells only how far it was when this page first saw it, and never less
 * than `least`, its last event: from then on a clock runs that does not jump when the device's is set.
 */
export function sinceStart(play: Pick<LocalPlay, "id" | "startedAt" | "speed">, least: number): number {
  const speed = play.speed ?? 1;
  const now = performance.now();
  let from = seen.get(play.id);
  if (!from) {
    from = { far: Math.max(least, speed * (Date.now() - play.startedAt)), at: now };
    seen.set(play.id, from);
  }
  return from.far + speed * (now - from.at);
}
