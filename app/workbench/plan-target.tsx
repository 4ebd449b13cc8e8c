import { useDrag } from "@use-gesture/react";
import { memo, useEffect, useRef } from "react";
import type { PartOf } from "#core/yard/parts.ts";
import { ItemStroke } from "../ui/strokes.tsx";
import { asideText, nudged, type Snap, snapped } from "./edit.ts";
import type { Placed } from "./labels.ts";
import { EDGED, RING } from "./plan-labels.ts";
import { LEAST, type PlanScale } from "./scale.ts";

interface MarkProps {
  id: string;
  item: string;
  /** The sign that it carries, as on a card. */
  sign: string | undefined;
  name: string;
  x: number;
  y: number;
  size: number;
  /** The bottom of the plan, where the dotted line meets the tape. */
  foot: number;
  chosen: boolean;
  grouped: boolean;
  choose: (id: string) => void;
  focusOn: (id: string) => void;
  toggle: (id: string) => void;
  /** Metres across. */
  wide: number;
  snap: Snap;
  step: number;
  /** Moves it. Metres from the throwing spot, and to the right of the middle. */
  place: (id: string, metres: number, across: number, gesture: string) => void;
  scale: PlanScale;
  svg: React.RefObject<SVGSVGElement | null>;
  /** Metres along the plan, and to the right of the middle. */
  distance: number;
  across: number;
  wrong: boolean;
  /** Where its name stands, and the figures beside it while it is chosen. */
  label: Placed | undefined;
  detail: { place: Placed; lines: readonly [string, string] } | null;
}

/** Drags a target both ways. On a reversed plan it moves sideways only. */
function useTargetDrag({
  id,
  choose,
  snap,
  step,
  place,
  scale,
  svg,
  distance,
  across,
}: Pick<MarkProps, "id" | "choose" | "snap" | "step" | "place" | "scale" | "svg" | "distance" | "across">) {
  const box = useRef<DOMRect | null>(null);
  // A target is often taken by its name, which stands beside it. It must not jump to the pointer.
  const grip = useRef({ along: 0, across: 0 });
  const gesture = useRef(0);
  return useDrag(
    ({ xy: [cx, cy], first, event, altKey, shiftKey, dragging }) => {
      if (first) {
        gesture.current++;
        if (!shiftKey) choose(id);
        box.current = svg.current?.getBoundingClientRect() ?? null;
        (event.target as Element | null)?.closest<SVGGElement>("[data-mark]")?.focus();
      }
      if (!box.current) return;
      const px = scale.width / box.current.width;
      const under = {
        along: scale.distanceAt((cx - box.current.left) * px),
        across: ((cy - box.current.top) * px - scale.height / 2) / scale.k,
      };
      if (first) grip.current = { along: under.along - distance, across: under.across - across };
      if (!dragging) return;
      const to = (value: number) => snapped(value, snap, step, altKey);
      const along = scale.reversed ? distance : to(under.along - grip.current.along);
      place(id, along, to(under.across - grip.current.across), `drag ${id} ${gesture.current}`);
    },
    { pointer: { touch: true, keys: false }, filterTaps: true },
  );
}

/**
 * A target. It is dragged along and sideways with mouse or finger, or moved with the arrow keys while it is selected.
 * With Shift it is added to the selection.
 */
export const TargetMark = memo(function TargetMark({
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
  label,
  detail,
}: MarkProps) {
  // Two keys may be pressed before the plan is drawn again. The second one moves on from the first.
  const at = useRef({ along: distance, across });
  useEffect(() => {
    at.current = { along: distance, across };
  }, [distance, across]);
  const bind = useTargetDrag({ id, choose, snap, step, place, scale, svg, distance, across });
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
          const to = nudged(event, at.current);
          if (!to) return;
          at.current = to;
          place(id, to.along, to.across, `keys ${id}`);
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
          r={size * RING}
          fill="transparent"
          stroke={wrong ? "var(--color-ember)" : chosen || grouped ? "var(--color-mustard)" : "transparent"}
          strokeWidth={wrong ? 3.5 : 2}
          strokeDasharray={wrong ? undefined : grouped ? "2 3" : "5 4"}
        />
        <ItemStroke
          s={{
            ...{ kind: "item", id, at: { along: distance, across }, size: wide, item, wall: false, aimed: true },
            ...(sign !== undefined && { sign }),
          }}
          now={chosen || grouped}
          k={scale.k}
          least={LEAST}
        />
        {label && (
          <>
            {label.leader && <Leader x={x} y={y} place={label} />}
            <text
              x={label.x - x}
              y={label.y - y}
              textAnchor={label.anchor}
              fill="var(--color-chalk)"
              fontSize="14"
              {...EDGED}
              data-label={id}
            >
              {name}
            </text>
          </>
        )}
      </g>
      {detail && <ChosenText x={x} y={y} {...detail} />}
    </>
  );
});

/** A thin line from an item to its label, where the label stands farther out. Coordinates are those of the item. */
const Leader = ({ x, y, place: { box } }: { x: number; y: number; place: Placed }) => (
  <path
    d={`M0 0L${Math.max(box.left, Math.min(x, box.right)) - x} ${Math.max(box.top, Math.min(y, box.bottom)) - y}`}
    stroke="var(--color-chalk)"
    strokeOpacity="0.7"
    strokeWidth="1.2"
  />
);

/** Writes the distance, the offset and the width beside the chosen target. */
const ChosenText = ({
  x,
  y,
  place,
  lines,
}: {
  x: number;
  y: number;
  place: Placed;
  lines: readonly [string, string];
}) => (
  <g pointerEvents="none" data-label="detail">
    {place.leader && (
      <g transform={`translate(${x} ${y})`}>
        <Leader x={x} y={y} place={place} />
      </g>
    )}
    <text x={place.x} y={place.y} textAnchor={place.anchor} fill="var(--color-mustard)" fontSize="13" {...EDGED}>
      {lines[0]}
      <tspan x={place.x} dy="15.6" fontWeight="400">
        {lines[1]}
      </tspan>
    </text>
  </g>
);

/** A grip on the edge of the selected target that changes its width. It is drawn over all targets, because they may overlap. */
export function WidthGrip({
  target: { id, along, across, width },
  widen,
  scale,
  svg,
}: {
  target: PartOf<"target">;
  /** Sets its width, in metres. */
  widen: (id: string, width: number, gesture: string) => void;
  scale: PlanScale;
  svg: React.RefObject<SVGSVGElement | null>;
}) {
  const box = useRef<DOMRect | null>(null);
  const y = scale.y(across);
  const bind = useDrag(
    ({ xy: [, cy], first, startTime }) => {
      if (first) {
        box.current = svg.current?.getBoundingClientRect() ?? null;
      }
      if (!box.current) return;
      const half = ((cy - box.current.top) * (scale.width / box.current.width) - y) / scale.k;
      widen(id, Math.round(half * 2 * 100) / 100, `drag width ${id} ${startTime}`);
    },
    { pointer: { touch: true, keys: false }, filterTaps: true },
  );
  return (
    <g
      {...bind()}
      data-grip={`width ${id}`}
      transform={`translate(${scale.x(along)} ${y + (width * scale.k) / 2})`}
      className="cursor-ns-resize touch-none"
    >
      <title>{`Width ${width.toFixed(2)} m: drag to change`}</title>
      <rect x="-14" y="-6" width="28" height="22" fill="transparent" />
      <path d="M-9 0h18" stroke="var(--color-mustard)" strokeWidth="4" strokeLinecap="round" />
    </g>
  );
}
