import { strokesOf } from "#core/yard/draw.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";
import { Strokes } from "./strokes.tsx";

/** If there are more targets than this, they are drawn smaller, so that each can be seen. */
const CROWD = 5;

/** Converts a place of a layout to a point of the small picture, which is 240 by 100. */
export function planScale(space: { length: number; width: number }) {
  const k = Math.min(200 / space.length, 84 / Math.max(1.2, space.width));
  return { k, x: (along: number) => 26 + along * k, y: (across: number) => 50 + across * k };
}

/** A layout as a small picture for lists. Decoration only, because the text stands beside it. */
export function MiniPlan({
  parts,
  space,
  className,
}: {
  parts: readonly Part[];
  space: { length: number; width: number };
  className?: string;
}) {
  const least = partsOf(parts, "target").length > CROWD ? 12 : 22;
  const starts = new Set(partsOf(parts, "line").flatMap((line) => (line.role === "start" ? [line.id] : [])));
  const { k, x, y } = planScale(space);
  return (
    <svg viewBox="0 0 240 100" className={className} aria-hidden="true">
      <rect width="240" height="100" rx="4" fill="var(--color-court)" />
      <Strokes
        list={strokesOf(parts).filter((stroke) => stroke.kind !== "text" && stroke.kind !== "person")}
        to={(place) => [x(place.along), y(place.across)]}
        k={k}
        lit={(id) => starts.has(id)}
        least={least}
        most={22}
      />
    </svg>
  );
}
