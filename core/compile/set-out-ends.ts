import { type Activity, canSetOut } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { partsOf } from "../yard/parts.ts";

/** Targets that must stand farther and farther do so by this, metres. */
const FARTHER = 0.05;

/**
 * Where a child sets the targets out itself: the same activity with all of them as near as they may stand, and as far, in one row across the
 * field. What happens lies between the two; a field too narrow for one row is filled as far as it goes. Null: the teacher has drawn where they stand.
 */
export function setOutEnds(a: Activity): { near: Activity; far: Activity } | null {
  const { setOut } = a;
  if (!setOut || !canSetOut(a)) return null;
  const targets = partsOf(opened(a).parts, "target");
  const n = targets.length;
  const widest = Math.max(...targets.map((t) => t.width));
  const free = Math.max(0, setOut.width - widest);
  const placed = (row: number, farther: number): Activity =>
    targets.reduce((now, t, i) => {
      const across = n === 1 ? 0 : Math.round(free * (i / (n - 1) - 0.5) * 100) / 100;
      const along = Math.round((row + (setOut.farther ? farther * i : 0)) * 1000) / 1000;
      return withParams(now, opened(now).pattern.ground.move(now.pattern.params, t.id, { along, across }));
    }, a);
  const half = widest / 2;
  return {
    near: placed(setOut.near + half, FARTHER),
    far: placed(Math.max(setOut.near + half, setOut.far - half - (setOut.farther ? FARTHER * (n - 1) : 0)), FARTHER),
  };
}
