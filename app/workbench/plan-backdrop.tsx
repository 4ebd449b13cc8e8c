import type { Activity } from "#core/formats/activity.ts";
import { type Part, type PartOf, type Place, partsOf } from "#core/yard/parts.ts";
import { label } from "#words/teacher.ts";
import type { PlanScale } from "./scale.ts";

type Line = PartOf<"line">;
type Targets = readonly PartOf<"target">[];

/** A wall or curtain is drawn this far behind the last target, metres. */
export const BEHIND_LAST = 0.18;

/** Defines the fill patterns of the plan. */
export const Defs = () => (
  <defs>
    <pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0v9" stroke="var(--color-chalk)" strokeOpacity="0.22" strokeWidth="2.5" />
    </pattern>
    <radialGradient id="scatter">
      <stop offset="0" stopColor="var(--color-mustard)" stopOpacity="0.62" />
      <stop offset="0.5" stopColor="var(--color-mustard)" stopOpacity="0.26" />
      <stop offset="1" stopColor="var(--color-mustard)" stopOpacity="0" />
    </radialGradient>
  </defs>
);

/** Draws the space, the run-on area and whatever is behind. `farthest` is the distance of the farthest target, in metres. */
export function Backdrop({
  space,
  runOn,
  behind,
  scale,
  farthest,
}: {
  space: Activity["space"];
  runOn: PartOf<"runOn"> | undefined;
  behind: Activity["behind"];
  scale: PlanScale;
  farthest: number;
}) {
  const top = scale.y(-space.width / 2);
  const bottom = scale.y(space.width / 2);
  return (
    <>
      <rect
        x={18}
        y={top}
        width={scale.x(space.length) - 18}
        height={bottom - top}
        fill="none"
        stroke="var(--color-chalk)"
        strokeOpacity="0.4"
        strokeWidth="2"
        strokeDasharray="3 7"
      />
      {runOn && runOn.far > runOn.near && (
        <rect
          x={scale.x(runOn.near)}
          y={top}
          width={Math.max(0, scale.x(Math.min(runOn.far, space.length + 2)) - scale.x(runOn.near))}
          height={bottom - top}
          fill="url(#hatch)"
        />
      )}
      {behind !== "open" && (
        <path
          d={`M${scale.x(farthest + BEHIND_LAST)} ${top + 6}V${bottom - 6}`}
          stroke="var(--color-chalk)"
          strokeWidth={behind === "wall" ? 6 : 12}
          strokeOpacity={behind === "wall" ? 0.9 : 0.35}
          strokeLinecap="round"
        />
      )}
    </>
  );
}

/** Draws how far the swing reaches around the player, and how far away others must stay. */
export const ClearSpace = ({
  clear,
  from,
  targets,
  scale,
  top,
  bottom,
}: {
  clear: { swing: number; away: number };
  from: Line;
  targets: Targets;
  scale: PlanScale;
  top: number;
  bottom: number;
}) => (
  <g fill="none" pointerEvents="none">
    <circle
      cx={scale.x(from.along)}
      cy={scale.y(0)}
      r={clear.swing * scale.k}
      stroke="var(--color-ember)"
      strokeWidth="2"
      strokeDasharray="6 4"
    />
    <circle
      cx={scale.x(from.along)}
      cy={scale.y(0)}
      r={clear.away * scale.k}
      stroke="var(--color-lilac)"
      strokeWidth="2"
      strokeDasharray="2 5"
    />
    {targets.map((target) => (
      <path
        key={target.id}
        d={`M${scale.x(from.along)} ${scale.y(0)}L${scale.x(target.along)} ${scale.y(target.across)}`}
        stroke="var(--color-ember)"
        strokeOpacity="0.25"
        strokeWidth={Math.max(6, scale.k * 0.18)}
      />
    ))}
    <text
      x={scale.x(from.along + clear.swing) + 4}
      y={bottom - 6}
      fill="var(--color-ember)"
      fontSize="12"
      fontWeight="700"
    >
      swing {clear.swing.toFixed(1)} m
    </text>
    <text
      x={scale.x(from.along + clear.away) + 4}
      y={top + 16}
      fill="var(--color-lilac)"
      fontSize="12"
      fontWeight="700"
    >
      others wait {clear.away.toFixed(1)} m away
    </text>
  </g>
);

/**
 * Draws lines from the player to each target, the selected one stronger. If the line moves or a zone is selected, `to` is the one place to
 * point at.
 */
export const SightLines = ({
  from,
  targets,
  chosen,
  to,
  scale,
}: {
  from: Line;
  targets: Targets;
  chosen: string | null;
  to: Place | null;
  scale: PlanScale;
}) => (
  <>
    {!scale.reversed &&
      targets.map((target) => (
        <path
          key={target.id}
          d={`M${scale.x(from.along)} ${scale.y(0)}L${scale.x(target.along)} ${scale.y(target.across)}`}
          stroke="var(--color-chalk)"
          strokeOpacity={target.id === chosen ? 0.95 : 0.22}
          strokeWidth={target.id === chosen ? 2.4 : 1.5}
          strokeDasharray={target.id === chosen ? "8 6" : undefined}
        />
      ))}
    {to && (
      <path
        d={`M${scale.x(from.along)} ${scale.y(0)}L${scale.x(to.along)} ${scale.y(to.across)}`}
        stroke="var(--color-chalk)"
        strokeWidth="2.4"
        strokeDasharray="8 6"
      />
    )}
  </>
);

/** Describes the space, and how far an object may roll beyond it, at the foot of the plan's place. */
export const Captions = ({ space, who, parts }: { space: Activity["space"]; who: string; parts: readonly Part[] }) => {
  const runOn = partsOf(parts, "runOn")[0];
  const beyond = runOn && runOn.far > space.length + 0.02 ? runOn.far - runOn.near : 0;
  return (
    <p className="pointer-events-none absolute inset-x-0 bottom-0 flex justify-between gap-x-3 bg-court/85 px-3.5 pb-0.5 text-[0.8rem] text-chalk/90 max-[700px]:text-[0.7rem]">
      <span className="min-w-0 truncate">
        {label(`floor.${space.floor}`)}, {space.length} × {space.width} m. Shading: where attempts by {who} end
      </span>
      {beyond > 0 && (
        <span className="shrink-0 max-[700px]:hidden">
          rolls on {beyond.toFixed(1)} m: put a wall or a cushion there
        </span>
      )}
    </p>
  );
};
