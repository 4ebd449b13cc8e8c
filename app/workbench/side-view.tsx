import { memo } from "react";
import { pathTo, purposeOf } from "#core/physics/send.ts";
import type { Sending } from "#core/physics/sending.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";
import { targetName } from "#words/say.ts";
import type { PlanScale } from "./scale.ts";

const FLOOR_GAP = 20;
const POINTS = 28;

/**
 * The side view of throws: each flight from the hand to its target, and the ceiling above it. Distances share the
 * plan's scale.
 */
export const SideView = memo(function SideView({
  parts,
  scale: planScale,
  sending,
  ceiling,
  chosen,
  who,
  tall,
}: {
  parts: readonly Part[];
  scale: PlanScale;
  sending: Sending;
  /** Metres. Null if there is none. */
  ceiling: number | null;
  chosen: string | null;
  who: string;
  /** The height of its place, pixels. */
  tall: number;
}) {
  const targets = partsOf(parts, "target");
  const start = partsOf(parts, "line").find(
    (line) => line.role === "start" && (line.id === chosen || line.id === "start"),
  );
  const from = start?.along ?? partsOf(parts, "line").find((line) => line.role === "start")?.along ?? 0;
  const flights = targets.map((target) => {
    const distance = Math.hypot(target.along - from, target.across);
    return {
      t: target,
      d: distance,
      f: pathTo(sending, distance, (target.base ?? 0) + target.height / 2, purposeOf(target.rule)),
    };
  });
  const shown = flights.find((flight) => flight.t.id === chosen) ?? flights[flights.length - 1];
  const highest = Math.max(ceiling ?? 0, sending.height + 0.3, ...flights.map((flight) => flight.f.apex + 0.2));
  const ky = Math.min(planScale.k, (tall - FLOOR_GAP - 12) / highest);
  const height = tall;
  const y = (metres: number) => height - FLOOR_GAP - metres * ky;
  return (
    <svg
      viewBox={`0 0 ${planScale.width} ${height.toFixed(1)}`}
      className="block h-full w-full"
      role="img"
      aria-label={
        shown
          ? `Side view: at ${targetName(shown.t)} the object flies up to ${shown.f.apex.toFixed(1)} m${ceiling ? ` under a ceiling of ${ceiling} m` : ""}`
          : "Side view"
      }
    >
      <path d={`M18 ${y(0)}H${planScale.width - 14}`} stroke="var(--color-chalk)" strokeWidth="2" />
      {ceiling !== null && (
        <>
          <path
            d={`M18 ${y(ceiling)}H${planScale.width - 14}`}
            stroke="var(--color-chalk)"
            strokeWidth="4"
            strokeDasharray="2 3"
          />
          <text x={planScale.width - 16} y={y(ceiling) + 15} textAnchor="end" fill="var(--color-chalk)" fontSize="12">
            ceiling {ceiling} m
          </text>
        </>
      )}
      {flights.map(({ t: target, d: distance, f }) => {
        const now = target.id === shown?.t.id;
        const hits = ceiling !== null && f.apex > ceiling;
        const points = Array.from({ length: POINTS + 1 }, (_, i) => {
          const x = (distance * i) / POINTS;
          return `${planScale.x(from + ((target.along - from) * i) / POINTS).toFixed(1)} ${y(f.at(x)).toFixed(1)}`;
        });
        return (
          <g key={target.id}>
            <path
              d={`M${points.join("L")}`}
              fill="none"
              stroke={hits ? "var(--color-ember)" : now ? "var(--color-mustard)" : "var(--color-chalk)"}
              strokeOpacity={now || hits ? 1 : 0.3}
              strokeWidth={now ? 2.6 : 1.5}
              strokeDasharray={now ? undefined : "5 5"}
            />
            <rect
              x={planScale.x(target.along) - 3}
              y={y((target.base ?? 0) + target.height)}
              width="6"
              height={Math.max(2, target.height * ky)}
              fill="none"
              stroke="var(--color-mint)"
              strokeWidth="2"
            />
          </g>
        );
      })}
      <circle cx={planScale.x(from) - 4} cy={y(sending.height)} r="5" fill="var(--color-chalk)" />
      <path d={`M${planScale.x(from) - 4} ${y(0)}V${y(sending.height)}`} stroke="var(--color-chalk)" strokeWidth="2" />
      <text x="26" y={height - 5} fill="var(--color-chalk)" fillOpacity="0.85" fontSize="12.5">
        Side view, {who}
        {shown && `: ${targetName(shown.t)}, up to ${shown.f.apex.toFixed(1)} m`}
        {ky < planScale.k - 0.5 && ". Heights are drawn smaller"}
      </text>
    </svg>
  );
});
