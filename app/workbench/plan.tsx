import { useDrag } from "@use-gesture/react";
import { memo, useMemo, useRef } from "react";
import type { Spread } from "#core/actions/spread.ts";
import type { Activity } from "#core/formats/activity.ts";
import { strokesOf, writtenOn } from "#core/yard/draw.ts";
import { type Part, type PartOf, partsOf } from "#core/yard/parts.ts";
import { targetName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { drawnSize, Strokes, ThingStroke } from "../ui/strokes.tsx";
import { asideText, nudged, type Snap, snapped } from "./edit.ts";
import { type PlanScale, WIDTH } from "./scale.ts";

interface Props {
  space: Activity["space"];
  parts: readonly Part[];
  scale: PlanScale;
  chosen: string | null;
  choose: (id: string) => void;
  focusOn: (id: string) => void;
  /** How whoever is shown misses; null: nothing is sent. */
  spread: Spread | null;
  who: string;
  /** Puts a target somewhere else: metres from the throwing spot and to the right of the middle. */
  place: (id: string, metres: number, across: number, gesture: string) => void;
  /** Targets that clash with something. */
  wrong: readonly string[];
  /** Targets that move together with the chosen one; adding to them, or taking one out. */
  group: readonly string[];
  toggle: (id: string) => void;
  /** Gives a target another width, metres. */
  widen: (id: string, width: number, gesture: string) => void;
  /** What a drag snaps to, and the step of the child that is shown, metres. */
  snap: Snap;
  step: number;
  /** How far a send sweeps around the player, and how far others stay, metres; null: not shown. */
  clear: { swing: number; away: number } | null;
  behind: Activity["behind"];
}

/** The yard from above, to scale: start line left, targets right, where the chosen child's sends land, and the run-on. */
export const Plan = memo(function Plan({
  space,
  parts,
  scale: planScale,
  chosen,
  choose,
  focusOn,
  spread,
  who,
  place,
  wrong,
  group,
  toggle,
  widen,
  snap,
  step,
  clear,
  behind,
}: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const top = planScale.y(-space.width / 2);
  const bottom = planScale.y(space.width / 2);
  const right = planScale.x(space.length);
  const runOn = partsOf(parts, "runOn")[0];
  const targets = partsOf(parts, "target");
  const held = targets.find((target) => target.id === chosen);
  const zones = partsOf(parts, "zone");
  const lines = partsOf(parts, "line").filter((line) => line.role === "start");
  const from = lines.find((line) => line.id === chosen) ?? lines[0];
  const fromId = from?.id;
  // What is sent at stands in handles of its own, with its words.
  const strokes = useMemo(() => {
    const at = partsOf(parts, "line").filter((eachLine) => eachLine.role === "start");
    const line = at.findIndex((eachLine) => eachLine.id === fromId);
    const written = (part: Part) => {
      if (part.kind !== "line" || part.role !== "start") return writtenOn(part);
      if (part.id !== fromId) return "";
      return planScale.reversed ? `line ${line + 1}` : "start";
    };
    return strokesOf(parts, written).filter(
      (stroke) => !(stroke.kind === "thing" && stroke.aimed) && !(stroke.kind === "text" && stroke.of === "target"),
    );
  }, [parts, fromId, planScale.reversed]);
  const aim =
    targets.find((target) => target.id === chosen || target.group === chosen) ??
    (planScale.reversed ? targets[0] : null);
  const zone = zones.find((eachZone) => `b${eachZone.id.slice(1)}` === chosen) ?? null;
  const aimed = aim
    ? { along: aim.along, across: aim.across }
    : zone
      ? { along: (zone.near + zone.far) / 2, across: 0 }
      : null;
  const distance = aimed && from ? aimed.along - from.along : 0;
  const beyond = runOn && runOn.far > space.length + 0.02 ? runOn.far - runOn.near : 0;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${planScale.height}`}
      className="on-court own-layer block w-full rounded-md bg-court"
      role="group"
      aria-label="Plan of the yard, to scale"
    >
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
      <g>
        <rect
          x={18}
          y={top}
          width={right - 18}
          height={bottom - top}
          fill="none"
          stroke="var(--color-chalk)"
          strokeOpacity="0.4"
          strokeWidth="2"
          strokeDasharray="3 7"
        />
        {runOn && runOn.far > runOn.near && (
          <rect
            x={planScale.x(runOn.near)}
            y={top}
            width={Math.max(0, planScale.x(Math.min(runOn.far, space.length + 2)) - planScale.x(runOn.near))}
            height={bottom - top}
            fill="url(#hatch)"
          />
        )}
        {behind !== "open" && (
          <path
            d={`M${planScale.x(Math.max(...targets.map((target) => target.along), ...zones.map((eachZone) => eachZone.far)) + 0.18)} ${top + 6}V${bottom - 6}`}
            stroke="var(--color-chalk)"
            strokeWidth={behind === "wall" ? 6 : 12}
            strokeOpacity={behind === "wall" ? 0.9 : 0.35}
            strokeLinecap="round"
          />
        )}
        {clear && from && (
          <g fill="none" pointerEvents="none">
            <circle
              cx={planScale.x(from.along)}
              cy={planScale.y(0)}
              r={clear.swing * planScale.k}
              stroke="var(--color-ember)"
              strokeWidth="2"
              strokeDasharray="6 4"
            />
            <circle
              cx={planScale.x(from.along)}
              cy={planScale.y(0)}
              r={clear.away * planScale.k}
              stroke="var(--color-lilac)"
              strokeWidth="2"
              strokeDasharray="2 5"
            />
            {targets.map((target) => (
              <path
                key={target.id}
                d={`M${planScale.x(from.along)} ${planScale.y(0)}L${planScale.x(target.along)} ${planScale.y(target.across)}`}
                stroke="var(--color-ember)"
                strokeOpacity="0.25"
                strokeWidth={Math.max(6, planScale.k * 0.18)}
              />
            ))}
            <text
              x={planScale.x(from.along + clear.swing) + 4}
              y={bottom - 6}
              fill="var(--color-ember)"
              fontSize="12"
              fontWeight="700"
            >
              swing {clear.swing.toFixed(1)} m
            </text>
            <text
              x={planScale.x(from.along + clear.away) + 4}
              y={top + 16}
              fill="var(--color-lilac)"
              fontSize="12"
              fontWeight="700"
            >
              others wait {clear.away.toFixed(1)} m away
            </text>
          </g>
        )}
        <Strokes
          list={strokes}
          to={(givenPlace) => [planScale.x(givenPlace.along), planScale.y(givenPlace.across)]}
          k={planScale.k}
          text={14}
          lit={(id) => id === chosen || id === from?.id || id === zone?.id}
        />
        {aimed && spread && distance > 0 && (
          <ellipse
            cx={planScale.x(aimed.along)}
            cy={planScale.y(aimed.across)}
            rx={2 * spread.range * distance * planScale.k}
            ry={2 * spread.lateral * distance * planScale.k}
            fill="url(#scatter)"
          />
        )}
        {from &&
          !planScale.reversed &&
          targets.map((target) => (
            <path
              key={target.id}
              d={`M${planScale.x(from.along)} ${planScale.y(0)}L${planScale.x(target.along)} ${planScale.y(target.across)}`}
              stroke="var(--color-chalk)"
              strokeOpacity={target.id === chosen ? 0.95 : 0.22}
              strokeWidth={target.id === chosen ? 2.4 : 1.5}
              strokeDasharray={target.id === chosen ? "8 6" : undefined}
            />
          ))}
        {from && (planScale.reversed || zone) && aimed && (
          <path
            d={`M${planScale.x(from.along)} ${planScale.y(0)}L${planScale.x(aimed.along)} ${planScale.y(aimed.across)}`}
            stroke="var(--color-chalk)"
            strokeWidth="2.4"
            strokeDasharray="8 6"
          />
        )}
        {planScale.reversed &&
          lines.map((line) => (
            <path
              key={line.id}
              d={`M${planScale.x(line.along)} ${planScale.y(-line.width / 2)}V${planScale.y(line.width / 2)}`}
              stroke="transparent"
              strokeWidth={LINE_GRIP}
              onClick={() => choose(line.id)}
              className="cursor-pointer"
            />
          ))}
        {from && (
          <g transform={`translate(${planScale.x(from.along) - 24} ${planScale.y(0)})`}>
            <ellipse rx="8" ry="18" fill="none" stroke="var(--color-chalk)" strokeWidth="2.5" />
            <circle r="7.5" fill="var(--color-chalk)" />
          </g>
        )}
        {targets.map((target, i) => (
          <TargetMark
            key={target.id}
            id={target.id}
            item={target.item}
            sign={target.sign}
            name={
              target.group ? target.label : planScale.reversed ? targetName(target) : `${i + 1} ${targetName(target)}`
            }
            x={planScale.x(target.along)}
            y={planScale.y(target.across)}
            size={drawnSize(target.width, { k: planScale.k, least: LEAST })}
            foot={planScale.height}
            chosen={target.id === chosen}
            grouped={group.includes(target.id)}
            choose={choose}
            focusOn={focusOn}
            toggle={toggle}
            wide={target.width}
            snap={snap}
            step={step}
            place={place}
            scale={planScale}
            svg={svg}
            distance={target.along}
            across={target.across}
            wrong={wrong.includes(target.id)}
          />
        ))}
        {held && <WidthGrip key={held.id} target={held} widen={widen} scale={planScale} svg={svg} />}
        <text x="26" y={planScale.height - 5} fill="var(--color-chalk)" fillOpacity="0.85" fontSize="13">
          {label(`floor.${space.floor}`)}, {space.length} × {space.width} m. Shading: where attempts by {who} end
        </text>
        {beyond > 0 && (
          <text
            x={WIDTH - 14}
            y={planScale.height - 5}
            textAnchor="end"
            fill="var(--color-chalk)"
            fillOpacity="0.85"
            fontSize="13"
          >
            rolls on {beyond.toFixed(1)} m: put a wall or a cushion there
          </text>
        )}
      </g>
    </svg>
  );
});

/** Targets are drawn no smaller than so many pixels; a line is taken hold of within so many. */
const LEAST = 26;
const LINE_GRIP = 16;

interface MarkProps {
  id: string;
  item: string;
  /** What it carries, as on a card. */
  sign: string | undefined;
  name: string;
  x: number;
  y: number;
  size: number;
  /** Where the plan ends, for the dotted line down to the tape. */
  foot: number;
  chosen: boolean;
  grouped: boolean;
  choose: (id: string) => void;
  focusOn: (id: string) => void;
  toggle: Props["toggle"];
  /** Metres across. */
  wide: number;
  snap: Snap;
  step: number;
  place: Props["place"];
  scale: PlanScale;
  svg: React.RefObject<SVGSVGElement | null>;
  /** Metres along the plan, and to the right of the middle. */
  distance: number;
  across: number;
  wrong: boolean;
}

/**
 * A target: dragged along and aside by mouse or finger, moved by arrows while it is chosen; with Shift it is chosen together with others.
 */
const TargetMark = memo(function TargetMark({
  id,
  item,
  sign,
  name,
  x,
  y,
  size,
  foot,
  chosen,
  grouped,
  choose,
  focusOn,
  toggle,
  wide,
  snap,
  step,
  place,
  scale,
  svg,
  distance,
  across,
  wrong,
}: MarkProps) {
  const box = useRef<DOMRect | null>(null);
  const gesture = useRef(0);
  const bind = useDrag(
    ({ xy: [cx, cy], first, event, altKey, shiftKey, dragging }) => {
      if (first) {
        gesture.current++;
        if (!shiftKey) choose(id);
        box.current = svg.current?.getBoundingClientRect() ?? null;
        (event.target as Element | null)?.closest<SVGGElement>("[data-mark]")?.focus();
      }
      if (!box.current || !dragging) return;
      const px = WIDTH / box.current.width;
      const to = (value: number) => snapped(value, snap, step, altKey);
      const aside = ((cy - box.current.top) * px - scale.height / 2) / scale.k;
      const along = scale.reversed ? distance : to(scale.distanceAt((cx - box.current.left) * px));
      place(id, along, to(aside), `drag ${id} ${gesture.current}`);
    },
    { pointer: { touch: true }, filterTaps: true },
  );
  return (
    <>
      <g
        {...bind()}
        data-mark={id}
        role="button"
        tabIndex={0}
        aria-pressed={chosen || grouped}
        aria-label={`${name}: ${distance.toFixed(2)} m, ${asideText(across)}. Arrow keys move it. Shift and space select several.`}
        transform={`translate(${x} ${y})`}
        onClick={(event) => (event.shiftKey ? toggle(id) : choose(id))}
        onFocus={() => focusOn(id)}
        onKeyDown={(event) => {
          if (event.key === " " || event.key === "Enter") {
            event.preventDefault();
            if (event.shiftKey) toggle(id);
            else choose(id);
          }
          const to = nudged(event, { along: distance, across });
          if (to) place(id, to.along, to.across, `keys ${id}`);
        }}
        className="cursor-move touch-none outline-none [&:focus-visible>circle]:stroke-mustard"
      >
        <path
          d={`M0 ${size / 2}V${foot - y}`}
          stroke="var(--color-chalk)"
          strokeOpacity="0.45"
          strokeWidth="1.5"
          strokeDasharray="1.5 6"
          strokeLinecap="round"
        />
        <circle
          r={size * 0.75}
          fill="transparent"
          stroke={wrong ? "var(--color-ember)" : chosen || grouped ? "var(--color-mustard)" : "transparent"}
          strokeWidth={wrong ? 3.5 : 2}
          strokeDasharray={wrong ? undefined : grouped ? "2 3" : "5 4"}
        />
        <ThingStroke
          s={{
            ...{ kind: "thing", id, at: { along: distance, across }, size: wide, item, wall: false, aimed: true },
            ...(sign !== undefined && { sign }),
          }}
          now={chosen || grouped}
          k={scale.k}
          least={LEAST}
        />
        {sign === undefined && (
          <text
            y={-size * 0.75 - 5}
            textAnchor="middle"
            fill="var(--color-chalk)"
            fontSize="14"
            fontWeight="700"
            stroke="var(--color-court)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {name}
          </text>
        )}
      </g>
      {chosen && (
        <text
          x={x + size * 0.75 + 7}
          y={y + 5}
          pointerEvents="none"
          fill="var(--color-mustard)"
          fontSize="13"
          fontWeight="700"
          stroke="var(--color-court)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {scale.reversed ? asideText(across) : `${distance.toFixed(2)} m, ${asideText(across)}`}
          <tspan x={x + size * 0.75 + 7} dy="16" fontWeight="400">
            {wide.toFixed(2)} m wide
          </tspan>
        </text>
      )}
    </>
  );
});

/** Makes the chosen target wider or narrower, by its edge: drawn over all targets, since one may stand on another. */
function WidthGrip({
  target: { id, along, across, width },
  widen,
  scale: planScale,
  svg,
}: {
  target: PartOf<"target">;
  widen: Props["widen"];
  scale: PlanScale;
  svg: React.RefObject<SVGSVGElement | null>;
}) {
  const box = useRef<DOMRect | null>(null);
  const y = planScale.y(across);
  const bind = useDrag(
    ({ xy: [, cy], first, startTime }) => {
      if (first) {
        box.current = svg.current?.getBoundingClientRect() ?? null;
      }
      if (!box.current) return;
      const half = ((cy - box.current.top) * (WIDTH / box.current.width) - y) / planScale.k;
      widen(id, Math.round(half * 2 * 100) / 100, `drag width ${id} ${startTime}`);
    },
    { pointer: { touch: true }, filterTaps: true },
  );
  return (
    <g
      {...bind()}
      data-grip={`width ${id}`}
      transform={`translate(${planScale.x(along)} ${y + (width * planScale.k) / 2})`}
      className="cursor-ns-resize touch-none"
    >
      <title>{`Width ${width.toFixed(2)} m: drag to change`}</title>
      <rect x="-14" y="-6" width="28" height="22" fill="transparent" />
      <path d="M-9 0h18" stroke="var(--color-mustard)" strokeWidth="4" strokeLinecap="round" />
    </g>
  );
}
