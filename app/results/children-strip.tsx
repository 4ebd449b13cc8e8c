import { useState } from "react";
import { Button } from "../ui/button.tsx";
import type { ChildView, ResultView } from "./view.server.ts";

const HIGH = 250;
const TOP = 16;
const BASE = 64;
/** It is drawn no narrower than this, where there are children enough; and at most so many times its size, pixels. */
const MIN_WIDE = 820;
const MAX_TIMES = 1.4;

/** What the legend shows and hides. */
const LAYERS = ["best", "other", "uncounted", "range"] as const;
type Layer = (typeof LAYERS)[number];
type Expected = ResultView["expected"][string];

/**
 * Only goes in the unit of the activity are on its scale. A go without equipment, or one played another way, is in the
 * table alone.
 */
const onScale = (row: ChildView, unit: string): ChildView => ({
  ...row,
  goes: row.goes.filter((go) => go.unit === unit),
  best: row.best?.unit === unit ? row.best : null,
});

/** Tenths of a second are shown as seconds. */
const shown = (value: number, unit: string) => (unit === "tenths" ? String(value / 10) : String(value));

/**
 * A column for each child, youngest left: the range that the forecast expects for the age, every go as a dot, the best
 * as a square. The legend shows and hides each of them.
 */
export function ChildrenStrip({ view }: { view: ResultView }) {
  const { expected, mark, unit } = view;
  const [hidden, setHidden] = useState<ReadonlySet<Layer>>(new Set());
  const rows = view.rows.map((row) => onScale(row, unit));
  const wide = 33;
  // The last name leans out to the right.
  const width = 52 + rows.length * wide + 30;
  const values = rows.flatMap((row) => [...row.goes.map((go) => go.value), expected[row.age]?.high ?? 0]);
  const most = Math.max(1, mark ?? 0, ...values) * 1.06;
  const y = (value: number) => TOP + (HIGH - TOP) * (1 - value / most);
  const ticks = [...new Set([0, 0.25, 0.5, 0.75, 1].map((t) => Math.round(t * most)))];
  const toggle = (layer: Layer) =>
    setHidden((was) => new Set(was.has(layer) ? [...was].filter((each) => each !== layer) : [...was, layer]));
  return (
    <div>
      <div className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${width} ${HIGH + BASE}`}
          className="block h-auto w-full"
          style={{ minWidth: Math.min(MIN_WIDE, width * MAX_TIMES), maxWidth: width * MAX_TIMES }}
          role="img"
          aria-label={`Every child's goes in ${view.unitWords}, beside the likely range for their age`}
        >
          {ticks.map((tick) => (
            <g key={tick}>
              <path d={`M46 ${y(tick)}H${width}`} stroke="var(--color-hair)" />
              <text x="40" y={y(tick) + 4} textAnchor="end" fontSize="11.5" fill="var(--color-quiet)">
                {shown(tick, unit)}
              </text>
            </g>
          ))}
          {mark !== null && (
            <path d={`M46 ${y(mark)}H${width}`} stroke="var(--color-plum)" strokeWidth="2" strokeDasharray="7 5" />
          )}
          {rows.map((row, i) => (
            <OneChild
              key={row.cardId}
              row={row}
              e={expected[row.age]}
              x={52 + i * wide + wide / 2}
              y={y}
              hidden={hidden}
            />
          ))}
        </svg>
      </div>
      <Legend view={view} hidden={hidden} toggle={toggle} />
    </div>
  );
}

/** Draws a child's goes as dots over the range expected at their age. */
const OneChild = ({
  row,
  e,
  x,
  y,
  hidden,
}: {
  row: ChildView;
  e: Expected | undefined;
  x: number;
  y: (value: number) => number;
  hidden: ReadonlySet<Layer>;
}) => (
  <g>
    {e && !hidden.has("range") && (
      <rect
        x={x - 11}
        y={y(e.high)}
        width="22"
        height={Math.max(2, y(e.low) - y(e.high))}
        fill="var(--color-teal)"
        fillOpacity="0.16"
      />
    )}
    {e && !hidden.has("range") && (
      <path d={`M${x - 11} ${y(e.middle)}h22`} stroke="var(--color-teal)" strokeWidth="2" />
    )}
    {row.goes
      .filter((go) => !go.best && !hidden.has(go.counts ? "other" : "uncounted"))
      .map((go) =>
        go.counts ? (
          <circle
            key={go.id}
            cx={x}
            cy={y(go.value)}
            r="3.6"
            fill="var(--color-raised)"
            stroke="currentColor"
            strokeWidth="1.6"
          />
        ) : (
          <path
            key={go.id}
            d={`M${x - 4} ${y(go.value) - 4}l8 8m0-8l-8 8`}
            stroke="var(--color-coral)"
            strokeWidth="2"
          />
        ),
      )}
    {row.best && !hidden.has("best") && (
      <rect
        x={x - 5.5}
        y={y(row.best.value) - 5.5}
        width="11"
        height="11"
        fill="var(--color-mustard)"
        stroke="currentColor"
        strokeWidth="1.8"
      />
    )}
    <text
      x={x}
      y={HIGH + 12}
      fontSize="12"
      fill={row.played ? "currentColor" : "var(--color-quiet)"}
      transform={`rotate(48 ${x - 5} ${HIGH + 12})`}
    >
      {row.child}
    </text>
    {!row.played && (
      <text x={x} y={HIGH - 5} textAnchor="middle" fontSize="12" fill="var(--color-quiet)">
        {row.opened ? "–" : "·"}
      </text>
    )}
  </g>
);

/** Explains the signs in the chart, and shows or hides what it draws. */
function Legend({
  view,
  hidden,
  toggle,
}: {
  view: ResultView;
  hidden: ReadonlySet<Layer>;
  toggle: (layer: Layer) => void;
}) {
  const entry = (layer: Layer, sign: React.ReactNode, words: string) => (
    <Button
      look="bare"
      size="small"
      aria-pressed={!hidden.has(layer)}
      onClick={() => toggle(layer)}
      className={`px-1.5 font-normal ${hidden.has(layer) ? "line-through opacity-70" : ""}`}
    >
      {sign} {words}
    </Button>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-3 text-sm text-quiet">
      {entry("best", <b className="text-mustard">■</b>, "best go")}
      {entry("other", <span>○</span>, "another go")}
      {entry(
        "uncounted",
        <b className="text-coral">×</b>,
        "does not count (stopped, beyond the limit, removed or late)",
      )}
      {entry("range", <b className="text-teal">▮</b>, `likely range for the age${view.holds && `: ${view.holds}`}`)}
      {view.mark !== null && (
        <span>
          <b className="text-plum">- - -</b> score to beat: {view.markWords}
        </span>
      )}
      <span>– opened, not played</span>
      <span>· not opened</span>
    </div>
  );
}
