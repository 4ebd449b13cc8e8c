import { type Activity, canSetOut } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { partsOf } from "../yard/parts.ts";

/** The distance between targets that must be farther and farther away, metres. */
const FARTHER = 0.05;

/**
 * If the child sets the targets out: the same activity with all of them as near as they may stand, and as far, in one
 * row across the field. The result lies between the two. A field too narrow for one row is filled as far as possible.
 * Null: the teacher has placed the targets.
 */
export function setOutEnds(activity: Activity): { near: Activity; far: Activity } | null {
  const { setOut } = activity;
  if (!setOut || !canSetOut(activity)) return null;
  const targets = partsOf(opened(activity).parts, "target");
  const count = targets.length;
  const widest = Math.max(...targets.map((target) => target.width));
  const free = Math.max(0, setOut.width - widest);
  const placed = (row: number, farther: number): Activity =>
    targets.reduce((now, target, i) => {
      const across = count === 1 ? 0 : Math.round(free * (i / (count - 1) - 0.5) * 100) / 100;
      const along = Math.round((row + (setOut.farther ? farther * i : 0)) * 1000) / 1000;
      return withParams(now, opened(now).pattern.ground.move(now.pattern.params, target.id, { along, across }));
    }, activity);
  const half = widest / 2;
  return {
    near: placed(setOut.near + half, FARTHER),
    far: placed(
      Math.max(setOut.near + half, setOut.far - half - (setOut.farther ? FARTHER * (count - 1) : 0)),
      FARTHER,
    ),
  };
}
