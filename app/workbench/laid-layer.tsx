import { useDrag } from "@use-gesture/react";
import { memo, useCallback, useMemo, useRef } from "react";
import { strokesOf } from "#core/yard/draw.ts";
import { layoutNamed } from "#core/yard/layouts/known-layouts.ts";
import { type Laid, laidParts, MAX_SIZE, MIN_SIZE, moveLaid, ownId } from "#core/yard/layouts/laid.ts";
import { boundsOf, type Place } from "#core/yard/parts.ts";
import { label } from "#words/teacher.ts";
import { Strokes } from "../ui/strokes.tsx";
import { asideText, LAYOUT, nudged, type Snap, snapped, snappedTurn, turnedBy } from "./edit.ts";
import { EDGED } from "./plan-labels.ts";
import type { PlanScale } from "./scale.ts";

interface Props {
  laid: Laid;
  scale: PlanScale;
  chosen: string | null;
  choose: (id: string) => void;
  lay: (next: Laid, gesture: string) => void;
  snap: Snap;
  /** The step that marks may snap to, metres. */
  step: number;
  /** The ids of marks that clash with something. */
  wrong: readonly string[];
}
/** The margin of the frame around the layout, pixels. */
const AROUND = 9;
/** The share by which one press resizes, and with Alt. */
const SIZE_NUDGE = { by: 0.05, fine: 0.01 };

/** The place of the pointer on the plan, metres from the middle of the start line. */
function pointer(svg: SVGSVGElement | null, planScale: PlanScale, [cx, cy]: readonly [number, number]): Place | null {
  const box = svg?.getBoundingClientRect();
  if (!box) return null;
  const k = planScale.width / box.width;
  return planScale.placeAt((cx - box.left) * k, (cy - box.top) * k);
}

/**
 * What is laid out beside the game, in a picture of its own over the plan: its marks, which can be moved one by one,
 * and a frame that moves, turns and resizes all of them.
 */
export const LaidLayer = memo(function LaidLayer({ laid, scale, chosen, choose, lay, snap, step, wrong }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const parts = useMemo(() => laidParts(laid), [laid]);
  const list = useMemo(() => strokesOf(parts), [parts]);
  const rigid = layoutNamed(laid.name).rigid;
  const marks = parts.filter((part) => part.kind === "obstacle" || part.kind === "spot");
  const now = useRef(laid);
  now.current = laid;
  const move = useCallback(
    (id: string, along: number, across: number, key: string) =>
      lay(moveLaid(now.current, ownId(id), { along, across }), key),
    [lay],
  );
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${scale.width} ${scale.height}`}
      className="on-court own-layer pointer-events-none absolute inset-0 block h-full w-full"
      role="group"
      aria-label={label(`layout.${laid.name}`)}
    >
      <Strokes
        list={list}
        to={(place) => [scale.x(place.along), scale.y(place.across)]}
        k={scale.k}
        lit={(id) => id === chosen}
      />
      {!rigid &&
        marks.map((mark) => (
          <MarkHandle
            key={mark.id}
            id={mark.id}
            name={`${label(`layout.${laid.name}`)} ${mark.label || mark.id.slice(2)}`}
            along={mark.along}
            across={mark.across}
            half={mark.kind === "spot" ? mark.radius : mark.width / 2}
            scale={scale}
            svg={svg}
            chosen={mark.id === chosen}
            choose={choose}
            move={move}
            snap={snap}
            step={step}
            wrong={wrong.includes(mark.id)}
          />
        ))}
      <Frame
        laid={laid}
        scale={scale}
        svg={svg}
        chosen={chosen === LAYOUT}
        choose={choose}
        lay={lay}
        snap={snap}
        step={step}
      />
    </svg>
  );
});

interface HandleProps extends Pick<Props, "scale" | "choose" | "snap" | "step"> {
  svg: React.RefObject<SVGSVGElement | null>;
  id: string;
  name: string;
  along: number;
  across: number;
  /** Half of its width, metres. */
  half: number;
  chosen: boolean;
  move: (id: string, along: number, across: number, gesture: string) => void;
  wrong: boolean;
}

/** One mark. It can be dragged, or moved with the arrow keys while it has the focus. */
const MarkHandle = memo(function MarkHandle({
  id,
  name,
  along,
  across,
  half,
  scale: planScale,
  svg,
  chosen,
  choose,
  move,
  snap,
  step,
  wrong,
}: HandleProps) {
  const gesture = useRef(0);
  const bind = useDrag(
    ({ xy, first, event, altKey, dragging }) => {
      if (first) {
        gesture.current++;
        choose(id);
        (event.target as Element | null)?.closest<SVGGElement>("[data-mark]")?.focus();
      }
      const at = dragging ? pointer(svg.current, planScale, xy) : null;
      if (at)
        move(
          id,
          snapped(at.along, snap, step, altKey),
          snapped(at.across, snap, step, altKey),
          `drag ${id} ${gesture.current}`,
        );
    },
    { pointer: { touch: true, keys: false }, filterTaps: true },
  );
  const r = Math.max(14, half * planScale.k + 4);
  return (
    <g
      {...bind()}
      data-mark={id}
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`${name}: ${along.toFixed(2)} m, ${asideText(across)}. Arrow keys move it.`}
      transform={`translate(${planScale.x(along)} ${planScale.y(across)})`}
      onFocus={() => choose(id)}
      onKeyDown={(event) => {
        const to = nudged(event, { along, across });
        if (to) move(id, to.along, to.across, `keys ${id}`);
      }}
      className="pointer-events-auto cursor-move touch-none outline-none [&:focus-visible>circle]:stroke-mustard"
    >
      <circle
        r={r}
        fill="transparent"
        stroke={wrong ? "var(--color-ember)" : chosen ? "var(--color-mustard)" : "transparent"}
        strokeWidth={wrong ? 3.5 : 2}
        strokeDasharray={wrong ? undefined : "5 4"}
      />
      {chosen && (
        <text x={r + 6} y={5} fill="var(--color-mustard)" fontSize="13" {...EDGED}>
          {along.toFixed(2)} m, {asideText(across)}
        </text>
      )}
    </g>
  );
});
/** Moves, turns and resizes a layout by its grips. `far` is its present length along its own direction, in metres. */
function useFrameDrag({
  laid,
  scale: planScale,
  svg,
  choose,
  lay,
  snap,
  step,
  far,
}: Omit<Props, "chosen" | "wrong"> & { svg: React.RefObject<SVGSVGElement | null>; far: number }) {
  const gesture = useRef(0);
  const from = useRef<{ at: Place; laid: Laid } | null>(null);
  const begin = (event: Event, at: Place) => {
    gesture.current++;
    from.current = { at, laid };
    choose(LAYOUT);
    (event.target as Element | null)?.closest<SVGGElement>("[data-frame]")?.focus();
  };
  return useDrag(
    ({ xy, first, event, altKey, dragging, args: [grip] }) => {
      const at = pointer(svg.current, planScale, xy);
      if (!at) return;
      if (first) begin(event, at);
      const was = from.current;
      if (!dragging || !was) return;
      const key = `drag ${grip} ${gesture.current}`;
      if (grip === "turn") {
        lay({ ...laid, turn: snappedTurn(Math.atan2(at.across - laid.across, at.along - laid.along), altKey) }, key);
      } else if (grip === "size") {
        const reach = (at.along - laid.along) * Math.cos(laid.turn) + (at.across - laid.across) * Math.sin(laid.turn);
        const long = far / laid.size;
        if (long > 0.01) lay({ ...laid, size: sizeHeld(snapped(reach, snap, step, altKey) / long) }, key);
      } else {
        lay(
          {
            ...laid,
            along: snapped(was.laid.along + at.along - was.at.along, snap, step, altKey),
            across: snapped(was.laid.across + at.across - was.at.across, snap, step, altKey),
          },
          key,
        );
      }
    },
    { pointer: { touch: true, keys: false }, filterTaps: true },
  );
}

/**
 * The frame. It is dragged by its edge or the near grip; two more grips turn and resize it. Keys do the same while it
 * has the focus.
 */
function Frame({
  laid,
  scale: planScale,
  svg,
  chosen,
  choose,
  lay,
  snap,
  step,
}: Omit<Props, "chosen" | "wrong"> & { chosen: boolean; svg: React.RefObject<SVGSVGElement | null> }) {
  // The extent along the layout's own directions, at its present size.
  const own = useMemo(() => boundsOf(laidParts({ ...laid, along: 0, across: 0, turn: 0 })), [laid]);
  const pad = AROUND / planScale.k;
  const [u0, u1] = [own.along[0] - pad, own.along[1] + pad];
  const [v0, v1] = [own.across[0] - pad, own.across[1] + pad];
  const [c, sn] = [Math.cos(laid.turn), Math.sin(laid.turn)];
  const put = (u: number, value: number) =>
    [planScale.x(laid.along + u * c - value * sn), planScale.y(laid.across + u * sn + value * c)] as const;
  const drag = useFrameDrag({ laid, scale: planScale, svg, choose, lay, snap, step, far: own.along[1] });
  const corners = [put(u0, v0), put(u1, v0), put(u1, v1), put(u0, v1)];
  const turnAt = put(u1, 0);
  const sizeAt = put(u1, v1);
  const moveAt = put(u0, 0);
  const degrees = Math.round((laid.turn * 180) / Math.PI);
  const text = `${(own.along[1] - own.along[0]).toFixed(2)} × ${(own.across[1] - own.across[0]).toFixed(2)} m`;
  return (
    <g
      data-frame
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`${label(`layout.${laid.name}`)}, ${text}, starts at ${laid.along.toFixed(2)} m, ${asideText(laid.across)}, turned ${degrees} degrees. Arrow keys move it, Shift with left or right turns it, Shift with up or down resizes it.`}
      onFocus={(event) => event.target === event.currentTarget && choose(LAYOUT)}
      onKeyDown={(event) => {
        const to = nudged(event, laid);
        if (!to) return;
        const [turn, size] = to.way;
        if (!event.shiftKey) lay({ ...laid, along: to.along, across: to.across }, "keys layout");
        else if (turn !== 0) lay({ ...laid, turn: turnedBy(laid.turn, turn, event.altKey) }, "keys turn");
        else lay({ ...laid, size: sizeHeld(laid.size - size * SIZE_NUDGE[event.altKey ? "fine" : "by"]) }, "keys size");
      }}
      className="touch-none outline-none [&:focus-visible>path]:stroke-mustard"
    >
      <path
        {...drag("move")}
        d={`M${corners.map((corner) => corner.map((v) => v.toFixed(1)).join(" ")).join("L")}Z`}
        fill="none"
        pointerEvents="stroke"
        stroke={chosen ? "var(--color-mustard)" : "var(--color-chalk)"}
        strokeOpacity={chosen ? 1 : 0.35}
        strokeWidth={chosen ? 2 : 1.5}
        strokeDasharray="2 5"
        className="cursor-move"
      />
      <Grip at={moveAt} grip="move" drag={drag} shown={chosen} shape="M-6 0h12M0 -6v12" title="Move all of it" />
      <Grip
        at={turnAt}
        grip="turn"
        drag={drag}
        shown={chosen}
        shape="M-4 -4a6 6 0 1 1 0 8M-7 -6l3 2 3 -3"
        title="Turn it"
      />
      <Grip
        at={sizeAt}
        grip="size"
        drag={drag}
        shown={chosen}
        shape="M-5 -5l10 10M5 0v5h-5M-5 0v-5h5"
        title="Resize it"
      />
      {chosen && (
        <FrameText wide={planScale.width} moveAt={moveAt} corners={corners} text={text} laid={laid} degrees={degrees} />
      )}
    </g>
  );
}
const sizeHeld = (count: number) => Math.round(Math.min(MAX_SIZE, Math.max(MIN_SIZE, count)) * 1000) / 1000;

function Grip({
  at: [x, y],
  grip,
  drag,
  shown,
  shape,
  title,
}: {
  at: readonly [number, number];
  grip: string;
  drag: (grip: string) => object;
  shown: boolean;
  shape: string;
  title: string;
}) {
  return (
    <g
      {...drag(grip)}
      data-grip={grip}
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
      className="pointer-events-auto cursor-pointer touch-none"
    >
      <title>{title}</title>
      <circle r="22" fill="transparent" />
      <circle
        r="11"
        fill="var(--color-court-deep)"
        stroke={shown ? "var(--color-mustard)" : "var(--color-chalk)"}
        strokeOpacity={shown ? 1 : 0.6}
        strokeWidth="2"
      />
      <path
        d={shape}
        fill="none"
        stroke={shown ? "var(--color-mustard)" : "var(--color-chalk)"}
        strokeWidth="2"
        strokeLinecap="round"
      />
    </g>
  );
}

/** Writes the layout's size, its start and its turn. */
const FrameText = ({
  wide,
  moveAt,
  corners,
  text,
  laid,
  degrees,
}: {
  /** The width of the plan, pixels. */
  wide: number;
  moveAt: readonly [number, number];
  corners: (readonly [number, number])[];
  text: string;
  laid: Laid;
  degrees: number;
}) => (
  <text
    x={Math.min(wide - 150, Math.max(80, moveAt[0]))}
    y={Math.max(14, Math.min(...corners.map((corner) => corner[1])) - 8)}
    fill="var(--color-mustard)"
    fontSize="13"
    {...EDGED}
    pointerEvents="none"
  >
    {text}, at {laid.along.toFixed(2)} m{degrees !== 0 && `, ${degrees}°`}
  </text>
);
