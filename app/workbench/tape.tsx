import { useDrag } from "@use-gesture/react";
import { memo, useRef } from "react";
import type { Peg } from "#core/contract/contract.ts";
import { FOOT, spreadOfCount } from "#core/measures/count.ts";
import type { Paces } from "#core/measures/step.ts";
import { itemName, sayCount } from "#words/say.ts";
import type { PlanScale } from "./scale.ts";

const TAPE_TOP = 34;
const TAPE_HIGH = 38;
const STEPS_TOP = TAPE_TOP + TAPE_HIGH + 8;
const RATES_TOP = STEPS_TOP + 46;
const ROW = 30;
const CELL = 52;
/** A dragged peg snaps to this distance. An arrow key moves it by the second one. Metres. */
const SNAP = 0.05;
const NUDGE = 0.1;

/** The height of a tape with this many rows of chances, pixels. */
export const tapeHeight = (rows: number): number => RATES_TOP + rows * ROW + 4;

export interface RateRow {
  name: string;
  /** The hit rate at each peg. */
  rates: ReadonlyMap<string, number>;
  step: number;
}
interface Props {
  pegs: readonly Peg[];
  scale: PlanScale;
  length: number;
  rows: readonly RateRow[];
  /** The index of the child whose steps are shown. */
  shown: number;
  show: (row: number) => void;
  chosen: string | null;
  choose: (id: string) => void;
  move: (id: string, metres: number, gesture: string) => void;
  unit: "m" | "ft";
  corridor: readonly [number, number];
  /** Chances that belong to no peg: their ids among the rates, and what they are the chances of. */
  loose?: readonly { id: string; about: string }[];
  /** Where the selected peg's number of steps ends for the children of the class: metres from the throwing spot. */
  spread: Spread | null;
}
export interface Spread {
  count: number;
  from: number;
  to: number;
}
/**
 * Where the same number of half steps ends for the children of a class. The number is the selected peg's, counted by
 * the child shown.
 */
export function spreadAt(distance: number, step: number, all: readonly Paces[]): Spread | null {
  if (all.length < 2) return null;
  const count = Math.max(0.5, Math.round((distance / step) * 2) / 2);
  return { count, ...spreadOfCount(count, all) };
}

export const stepsText = (distance: number, step: number) => sayCount(Math.round((distance / step) * 2) / 2);

/** The room that a number on the tape needs, the number of a step, and a fine tick, pixels. */
const NUMBER_ROOM = 40;
const STEP_ROOM = 18;
const TICK_ROOM = 4;
/** Every how many marks one is numbered: all, or each second, fifth, tenth, so that the numbers do not touch. */
export const everyNth = (between: number, room: number): number =>
  [1, 2, 5, 10, 20].find((n) => n * between >= room) ?? 50;

/** Where chances that belong to no peg are shown, pixels. */
const LOOSE = { first: 150, between: 210 };

/** The middle of each rate cell: under its peg, pushed apart if pegs are close together. */
function cellXs(at: readonly number[], wide: number): number[] {
  const order = at.map((x, i) => ({ x, i })).sort((a, b) => a.x - b.x);
  for (let round = 0; round < 40; round++)
    for (let k = 1; k < order.length; k++) {
      const gap = CELL + 5 - (order[k]!.x - order[k - 1]!.x);
      if (gap > 0) {
        order[k]!.x += gap / 2;
        order[k - 1]!.x -= gap / 2;
      }
    }
  const over = Math.max(0, (order[order.length - 1]?.x ?? 0) - (wide - CELL / 2 - 2));
  const out: number[] = [];
  for (const o of order) out[o.i] = o.x - over;
  return out;
}

/**
 * The tape with pegs to drag, the steps of the child shown, and under each peg the hit rates of the youngest, the
 * typical and the oldest child.
 */
export const Tape = memo(function Tape({
  pegs,
  scale,
  length,
  rows,
  shown,
  show,
  chosen,
  choose,
  move,
  unit,
  corridor,
  loose = [],
  spread,
}: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const bands = pegs.length > 1 && pegs[0]!.kind === "line" && !scale.reversed;
  const pegged = bands ? pegs.slice(0, -1) : pegs;
  const rated: readonly { id: string; about?: string }[] = [...pegged, ...loose];
  const middles = cellXs(
    [
      ...pegged.map((peg, i) =>
        bands ? (scale.xOf(peg.distance) + scale.xOf(pegs[i + 1]!.distance)) / 2 : scale.xOf(peg.distance),
      ),
      ...loose.map((_, i) => LOOSE.first + i * LOOSE.between),
    ],
    scale.width,
  );
  const high = tapeHeight(rows.length);
  const step = rows[shown]?.step ?? 0.5;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${scale.width} ${high}`}
      preserveAspectRatio="xMinYMin meet"
      className="own-layer block h-full w-full touch-pan-y select-none"
      role="group"
      aria-label="Tape"
    >
      <Ground scale={scale} length={length} unit={unit} step={step} />
      <SpreadBand spread={spread} scale={scale} />
      {rows.map((row, r) => (
        <g key={row.name}>
          {rated.map((p, i) => {
            const rate = row.rates.get(p.id);
            // A peg that no chance depends on can only be moved.
            if (rate === undefined) return null;
            const kind = rate > corridor[1] ? "easy" : rate < corridor[0] ? "hard" : "in";
            return (
              <Rate
                key={p.id}
                id={`${p.id}:${r}`}
                percent={Math.round(rate * 100)}
                kind={kind}
                middle={middles[i]!}
                y={RATES_TOP + r * ROW}
                about={p.about}
              />
            );
          })}
        </g>
      ))}
      {pegs.map((peg, i) => (
        <PegHandle
          key={peg.id}
          id={peg.id}
          name={peg.label || (peg.item ? itemName(peg.item) : "")}
          distance={peg.distance}
          kind={peg.kind}
          number={i + 1}
          x={scale.xOf(peg.distance)}
          scale={scale}
          svg={svg}
          chosen={peg.id === chosen}
          choose={choose}
          move={move}
          step={step}
        />
      ))}
      <Numbers scale={scale} length={length} unit={unit} />
      <Names rows={rows} shown={shown} show={show} unit={unit} high={high} />
    </svg>
  );
});

/** What the lines of the tape are. It stays in sight while the tape is scrolled sideways. */
function Names({ rows, shown, show, unit, high }: Pick<Props, "rows" | "shown" | "show" | "unit"> & { high: number }) {
  const who = rows[shown]?.name.split(",")[0] ?? "";
  return (
    <g style={{ transform: "translateX(calc(var(--left, 0) * 1px))" }}>
      <rect width="70" y={TAPE_TOP - 2} height={high - TAPE_TOP} fill="var(--color-page)" />
      <text x="4" y={TAPE_TOP + 25} fontSize="13" fontWeight="600" fill="currentColor">
        {unit === "m" ? "metres" : "feet"}
      </text>
      <text x="4" y={STEPS_TOP + 17} fontSize="13" fontWeight="600" fill="currentColor">
        steps
      </text>
      <text x="4" y={STEPS_TOP + 33} fontSize="11.5" fill="var(--color-quiet)">
        of {who === "typical" ? "typical child" : who}
      </text>
      {rows.map((row, r) => (
        <foreignObject key={row.name} x="0" y={RATES_TOP + r * ROW} width={96} height={ROW - 3}>
          <button
            type="button"
            onClick={() => show(r)}
            aria-pressed={r === shown}
            className={`h-full w-full truncate border-l-4 bg-page pl-1.5 text-left text-[12.5px] ${r === shown ? "border-mustard font-bold" : "border-transparent"}`}
            title={`Show the steps and the hits for ${row.name}`}
          >
            {row.name}
          </button>
        </foreignObject>
      ))}
    </g>
  );
}

interface GroundProps {
  scale: PlanScale;
  length: number;
  unit: "m" | "ft";
  step: number;
}

/** The tape and the steps under it. They do not change while the space and the child stay the same. */
const Ground = memo(function Ground({ scale, length, unit, step }: GroundProps) {
  const ends = [scale.x(0), scale.x(length)] as const;
  const far = Math.max(0, scale.reversed ? scale.distanceAt(ends[0]) : length);
  const ofUnit = unit === "m" ? 1 : FOOT;
  // On a small scale there are no ticks that would touch.
  const fine = unit === "m" && scale.k >= 10 * TICK_ROOM;
  const marks = Array.from({ length: Math.floor((far / ofUnit) * (fine ? 10 : 1) + 1e-9) + 1 }, (_, i) => i);
  const stepped = everyNth(scale.k * step, STEP_ROOM);
  return (
    <>
      <rect x={ends[0]} y={TAPE_TOP} width={ends[1] - ends[0]} height={TAPE_HIGH} fill="var(--color-straw)" />
      <path d={`M${ends[0]} ${TAPE_TOP + TAPE_HIGH}H${ends[1]}`} stroke="var(--color-ink)" strokeWidth="2" />
      {marks.map((i) => {
        const n = fine ? i / 10 : i;
        const x = scale.xOf(n * ofUnit);
        const whole = Number.isInteger(n);
        return (
          <g key={i}>
            <path
              d={`M${x} ${TAPE_TOP}v${whole ? 20 : i % 5 === 0 ? 13 : 8}`}
              stroke="var(--color-night)"
              strokeWidth={whole ? 2 : 1.2}
            />
          </g>
        );
      })}
      {Array.from({ length: Math.floor(far / step) }, (_, i) => i + 1).map((n) => {
        const x = scale.xOf(n * step);
        return (
          <g key={n}>
            <path
              d={`M${x - 8} ${STEPS_TOP + 8 + (n % 2) * 9}c0-5 9-5 9 0s-9 5-9 0m11 0c0-3 5-3 5 0s-5 3-5 0`}
              fill="var(--color-quiet)"
            />
            {n % stepped === 0 && (
              <text x={x} y={STEPS_TOP + 38} textAnchor="middle" fontSize="11.5" fill="currentColor">
                {n}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
});

/** The numbers of the tape. They lie over the lines of the markers, which stop at a number. */
const Numbers = memo(function Numbers({ scale, length, unit }: Omit<GroundProps, "step">) {
  const ends = [scale.x(0), scale.x(length)] as const;
  const ofUnit = unit === "m" ? 1 : FOOT;
  const far = Math.max(0, scale.reversed ? scale.distanceAt(ends[0]) : length);
  // On a small scale only some of them are written.
  const written = everyNth(scale.k * ofUnit, NUMBER_ROOM);
  return Array.from({ length: Math.floor(far / ofUnit / written + 1e-9) + 1 }, (_, i) => i * written).map((n) => {
    const x = scale.xOf(n * ofUnit);
    if (x + NUMBER_ROOM - 6 >= Math.max(...ends)) return null;
    return (
      <text
        key={n}
        x={x + 4}
        y={TAPE_TOP + 32}
        fontSize="13"
        fontWeight="700"
        fill="var(--color-night)"
        stroke="var(--color-straw)"
        strokeWidth="5"
        strokeLinejoin="round"
        paintOrder="stroke"
        pointerEvents="none"
        data-tape-number={n}
      >
        {`${n} ${unit}`}
      </text>
    );
  });
});

interface RateProps {
  id: string;
  percent: number;
  kind: "easy" | "hard" | "in";
  middle: number;
  y: number;
  /** What the chance is of, if it belongs to no peg. */
  about?: string;
}
const RATE_FILL = { in: "var(--color-teal)", easy: "var(--color-quiet)", hard: "var(--color-coral)" };

const Rate = memo(function Rate({ id, percent, kind, middle, y, about }: RateProps) {
  const x = middle - CELL / 2;
  return (
    <g data-rate={id}>
      <rect
        x={x}
        y={y}
        width={CELL}
        height={ROW - 6}
        rx="3"
        fill="var(--color-raised)"
        stroke={kind === "in" ? "var(--color-teal)" : "var(--color-hair)"}
        strokeWidth={kind === "in" ? 2.2 : 1.2}
      />
      <rect
        x={x + 2}
        y={y + 2}
        width={((CELL - 4) * percent) / 100}
        height={ROW - 10}
        rx="1.5"
        fill={RATE_FILL[kind]}
        fillOpacity={kind === "easy" ? 0.22 : 0.32}
      />
      <text x={middle} y={y + 17} textAnchor="middle" fontSize="13" fontWeight="700" fill="currentColor">
        {percent}%
      </text>
      {about && (
        <text x={middle + CELL / 2 + 8} y={y + 17} fontSize="12.5" fill="currentColor">
          {about}
        </text>
      )}
    </g>
  );
});

interface HandleProps {
  id: string;
  name: string;
  distance: number;
  kind: Peg["kind"];
  number: number;
  x: number;
  scale: PlanScale;
  svg: React.RefObject<SVGSVGElement | null>;
  chosen: boolean;
  choose: (id: string) => void;
  move: (id: string, metres: number, gesture: string) => void;
  step: number;
}

/** A peg. It is dragged with mouse or finger, or moved with the arrow keys (10 cm, with Shift one step). */
const PegHandle = memo(function PegHandle({
  id,
  name,
  distance,
  kind,
  number,
  x,
  scale,
  svg,
  chosen,
  choose,
  move,
  step,
}: HandleProps) {
  const box = useRef<DOMRect | null>(null);
  const gesture = useRef(0);
  const bind = useDrag(
    ({ xy: [cx], first, event }) => {
      if (first) {
        gesture.current++;
        choose(id);
        box.current = svg.current?.getBoundingClientRect() ?? null;
        (event.target as Element | null)?.closest<SVGGElement>("[role=slider]")?.focus();
      }
      if (!box.current) return;
      const metres = scale.distanceAt(((cx - box.current.left) / box.current.width) * scale.width);
      move(id, Math.round(metres / SNAP) * SNAP, `drag ${id} ${gesture.current}`);
    },
    { pointer: { touch: true, keys: false }, filterTaps: true },
  );
  const line = kind === "line";
  return (
    <g
      {...bind()}
      role="slider"
      tabIndex={0}
      aria-label={line ? `Line ${number}` : name ? `Target ${number}, ${name}` : `Marker ${number}`}
      aria-valuemin={0.3}
      aria-valuemax={30}
      aria-valuenow={distance}
      aria-valuetext={`${distance.toFixed(2)} m, ${stepsText(distance, step)} steps`}
      onFocus={() => choose(id)}
      onKeyDown={(event) => {
        const sign =
          event.key === "ArrowRight" || event.key === "ArrowUp"
            ? 1
            : event.key === "ArrowLeft" || event.key === "ArrowDown"
              ? -1
              : 0;
        if (sign === 0) return;
        event.preventDefault();
        const way = scale.reversed && (event.key === "ArrowLeft" || event.key === "ArrowRight") ? -sign : sign;
        move(id, distance + way * (event.shiftKey ? step : NUDGE), `keys ${id}`);
      }}
      transform={`translate(${x} 0)`}
      className="peg cursor-ew-resize touch-none outline-none"
      data-peg={id}
    >
      <rect x="-16" y="0" width="32" height={TAPE_TOP + TAPE_HIGH} fill="transparent" />
      <path
        d={`M0 ${TAPE_TOP}v${TAPE_HIGH}`}
        stroke="var(--color-night)"
        strokeWidth="2"
        strokeDasharray={line ? undefined : "2 3"}
      />
      <path
        d={line ? "M-11 4h22v18h-22zM0 22v11" : "M-11 3h22v19l-11 11-11-11z"}
        fill={chosen ? "var(--color-mustard)" : "var(--color-teal-paint)"}
        stroke="var(--color-night)"
        strokeWidth="2"
        className="peg-body"
      />
      <text y="18" textAnchor="middle" fontSize="13" fontWeight="700" fill={chosen ? "var(--color-night)" : "#fff"}>
        {number}
      </text>
    </g>
  );
});

/** Shows where the selected marker ends up when each child counts their own steps. */
const SpreadBand = ({ spread, scale }: Pick<Props, "spread" | "scale">) =>
  spread && (
    <rect
      x={Math.min(scale.xOf(spread.from), scale.xOf(spread.to))}
      y={STEPS_TOP}
      width={Math.max(3, Math.abs(scale.xOf(spread.to) - scale.xOf(spread.from)))}
      height="42"
      rx="3"
      fill="var(--color-mustard)"
      fillOpacity="0.3"
      stroke="var(--color-umber)"
      strokeWidth="1.5"
      data-spread={`${spread.from.toFixed(2)} ${spread.to.toFixed(2)}`}
    />
  );
