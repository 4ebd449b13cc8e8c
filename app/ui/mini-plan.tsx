import { strokesOf } from "#core/yard/draw.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";
import { useDrawing } from "../drawings/items.tsx";
import { Strokes } from "./strokes.tsx";

/** A layout as a small picture for shelves and lists. Decoration: the words stand beside it. */
export function MiniPlan({
  parts,
  space,
  className,
}: {
  parts: readonly Part[];
  space: { length: number; width: number };
  className?: string;
}) {
  const drawing = useDrawing();
  const k = Math.min(200 / space.length, 84 / Math.max(1.2, space.width));
  const x = (along: number) => 26 + along * k;
  const y = (across: number) => 50 + across * k;
  return (
    <svg viewBox="0 0 240 100" className={className} aria-hidden="true">
      <rect width="240" height="100" rx="4" fill="#27463F" />
      {partsOf(parts, "zone").map((z) => (
        <rect
          key={z.id}
          x={x(z.near)}
          y={y(-z.width / 2)}
          width={(z.far - z.near) * k}
          height={z.width * k}
          fill="#6FDCCB"
          fillOpacity={0.08 + 0.04 * z.points}
          stroke="#6FDCCB"
          strokeWidth="1.5"
        />
      ))}
      <Strokes
        list={strokesOf(parts).filter((s) => s.kind !== "text" && s.kind !== "person")}
        to={(p) => [x(p.along), y(p.across)]}
        k={k}
        most={22}
      />
      {partsOf(parts, "line")
        .filter((l) => l.role === "start")
        .map((l) => (
          <path
            key={l.id}
            d={`M${x(l.along)} ${y(-l.width / 2)}V${y(l.width / 2)}`}
            stroke="#F2B632"
            strokeWidth="3"
            strokeDasharray="1 3"
            strokeLinecap="round"
          />
        ))}
      {partsOf(parts, "target").map((t) => (
        <use
          key={t.id}
          href={drawing(t.item)}
          transform={`translate(${x(t.along)} ${y(t.across)}) scale(0.55) translate(-20 -20)`}
          fill="none"
          stroke="#6FDCCB"
          strokeWidth="3"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}
