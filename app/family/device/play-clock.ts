import type { LocalPlay } from "./store.ts";

/** When this page first saw a go: how far into the go it was, and the time on the monotonic clock. */
const seen = new Map<string, { far: number; at: number }>();

/**
 * Milliseconds since a go began, `speed` times as fast. The device's time of day is read once, when this page first sees the go, and the result is
 * never less than `least`, the time of its last event. After that the monotonic clock counts, which does not jump when somebody sets the device's.
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
