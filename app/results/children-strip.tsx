import type { ResultRow } from "#server/assignments/results.ts";
import type { Expected } from "#server/compute/work.ts";
import { tell } from "#words/tell.ts";

const HIGH = 250;
const TOP = 16;
const BASE = 64;
/** It is drawn no narrower than this, where there are children enough; and at most so many times its size, pixels. */
const MIN_WIDE = 820;
const MAX_TIMES = 1.4;

interface Props {
  rows: readonly ResultRow[];
  expected: Record<number, Expected>;
  mark: number | null;
  /** What is counted, and how it is called. */
  of: string;
  unit: string;
  show: (value: number) => string;
  /** The mark with its unit. */
  sayMark: (value: number) => string;
}

/** Only what is counted as the sending is stands on its scale: a go without things, or another way of playing, is in the table alone. */
const onScale = (row: ResultRow, unit: string): ResultRow => ({
  ...row,
  goes: row.goes.filter((go) => go.score.unit === unit),
  best: row.best?.score.unit === unit ? row.best : null,
});
const standing = (row: ResultRow) => row.goes.filter((go) => go.corrected?.score !== null);

/** A column a child, youngest left: the band that the forecast expects for the age, every go as a dot, the best as a square. */
export function ChildrenStrip({ rows: all, expected, mark, of, unit, show, sayMark }: Props) {
  const rows = all.map((row) => onScale(row, of));
  const wide = 33;
  // The last name leans out to the right.
  const width = 52 + rows.length * wide + 30;
  // What the ranges of these ages hold at the least.
  const held = Object.values(expected).flatMap((eachExpected) =>
    typeof eachExpected.holds === "number" ? [eachExpected.holds] : [],
  );
  const holds = held.length > 0 ? Math.round(10 * Math.min(...held)) : null;
  const values = rows.flatMap((row) => [...row.goes.map((go) => go.score.value), expected[row.age]?.high ?? 0]);
  const most = Math.max(1, mark ?? 0, ...values) * 1.06;
  const y = (value: number) => TOP + (HIGH - TOP) * (1 - value / most);
  const ticks = [...new Set([0, 0.25, 0.5, 0.75, 1].map((t) => Math.round(t * most)))];
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${width} ${HIGH + BASE}`}
        className="block h-auto w-full"
        style={{ minWidth: Math.min(MIN_WIDE, width * MAX_TIMES), maxWidth: width * MAX_TIMES }}
        role="img"
        aria-label={`Every child's goes in ${unit}, beside the likely range for their age`}
      >
        {ticks.map((tick) => (
          <g key={tick}>
            <path d={`M46 ${y(tick)}H${width}`} stroke="var(--color-hair)" />
            <text x="40" y={y(tick) + 4} textAnchor="end" fontSize="11.5" fill="var(--color-quiet)">
              {show(tick)}
            </text>
          </g>
        ))}
        {mark !== null && (
          <path d={`M46 ${y(mark)}H${width}`} stroke="var(--color-plum)" strokeWidth="2" strokeDasharray="7 5" />
        )}
        {rows.map((row, i) => {
          const x = 52 + i * wide + wide / 2;
          const e = expected[row.age];
          return <OneChild key={row.cardId} row={row} e={e} x={x} y={y} />;
        })}
      </svg>
      <Legend holds={holds} mark={mark === null ? null : tell("strip.mark", { mark: sayMark(mark) })} />
    </div>
  );
}

/** Draws a child's goes as dots over the range expected at their age. */
const OneChild = ({
  row,
  e,
  x,
  y,
}: {
  row: ResultRow;
  e: Expected | undefined;
  x: number;
  y: (value: number) => number;
}) => (
  <g>
    {e && (
      <rect
        x={x - 11}
        y={y(e.high)}
        width="22"
        height={Math.max(2, y(e.low) - y(e.high))}
        fill="var(--color-teal)"
        fillOpacity="0.16"
      />
    )}
    {e && <path d={`M${x - 11} ${y(e.middle)}h22`} stroke="var(--color-teal)" strokeWidth="2" />}
    {row.goes
      .filter((go) => go !== row.best)
      .map((go) =>
        go.counts ? (
          <circle
            key={go.playId}
            cx={x}
            cy={y(go.score.value)}
            r="3.6"
            fill="var(--color-raised)"
            stroke="currentColor"
            strokeWidth="1.6"
          />
        ) : (
          <path
            key={go.playId}
            d={`M${x - 4} ${y(go.score.value) - 4}l8 8m0-8l-8 8`}
            stroke="var(--color-coral)"
            strokeWidth="2"
          />
        ),
      )}
    {row.best && (
      <rect
        x={x - 5.5}
        y={y(row.best.score.value) - 5.5}
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
      fill={standing(row).length > 0 ? "currentColor" : "var(--color-quiet)"}
      transform={`rotate(48 ${x - 5} ${HIGH + 12})`}
    >
      {row.child}
    </text>
    {standing(row).length === 0 && (
      <text x={x} y={HIGH - 5} textAnchor="middle" fontSize="12" fill="var(--color-quiet)">
        {row.openedAt ? "–" : "·"}
      </text>
    )}
  </g>
);

/** Explains the signs in the chart. */
const Legend = ({ holds, mark }: { holds: number | null; mark: string | null }) => (
  <p className="flex flex-wrap gap-x-5 text-sm text-quiet">
    <span>
      <b className="text-mustard">■</b> best go
    </span>
    <span>○ another go</span>
    <span>
      <b className="text-coral">×</b> does not count (stopped, after the goes that count, removed, or too late)
    </span>
    <span>
      <b className="text-teal">▮</b> likely range for the age{holds && `: ${tell("strip.holds", { n: holds })}`}
    </span>
    {mark && (
      <span>
        <b className="text-plum">- - -</b> {mark}
      </span>
    )}
    <span>– opened, not played</span>
    <span>· not opened</span>
  </p>
);
