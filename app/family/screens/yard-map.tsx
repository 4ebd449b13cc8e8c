import { memo } from "react";
import { strokesOf } from "#core/yard/draw.ts";
import { boundsOf, type Part, type Place } from "#core/yard/parts.ts";
import { Strokes } from "../../ui/strokes.tsx";

/** The margin around the layout, pixels. */
const PAD = { top: 26, bottom: 34, side: 34 };

export interface MapMarks {
  /** The part that matters now, and those that are finished. */
  now?: string;
  done?: readonly string[];
  /** Pieces that lie in zones. `shape` tells the players apart. */
  pieces?: readonly { zone: string | null; shape: number }[];
  /** Only these parts are shown at full strength. */
  only?: readonly string[];
  /** The way to walk now, from point to point. */
  way?: readonly Place[];
  /** Marks what lies behind the last target. */
  behind?: boolean;
}

/** The extent of a map in metres, and how many pixels a metre gets. */
function extentOf(parts: readonly Part[], width: number, height: number): { lo: number; half: number; scale: number } {
  const { along, across } = boundsOf(parts);
  const [lo, hi] = along;
  const half = Math.max(0.4, -across[0], across[1]);
  const scale = Math.min((height - PAD.top - PAD.bottom) / Math.max(0.5, hi - lo), (width - 2 * PAD.side) / (2 * half));
  return { lo, half, scale };
}
/** How many pixels a metre gets on a map of this size. */
export const mapScale = (parts: readonly Part[], width: number, height: number): number =>
  extentOf(parts, width, height).scale;

/**
 * The layout from the child's side, to scale: the start line at the bottom, targets above it. Drawn like chalk on a
 * court.
 */
export const YardMap = memo(Drawn, (a, b) => {
  const same = a.parts === b.parts && a.width === b.width && a.height === b.height && a.label === b.label;
  return same && JSON.stringify(a.marks) === JSON.stringify(b.marks);
});
function Drawn({
  parts,
  width,
  height,
  marks = {},
  label,
}: {
  parts: readonly Part[];
  width: number;
  height: number;
  marks?: MapMarks;
  label: string;
}) {
  const { lo, half, scale } = extentOf(parts, width, height);
  const x = (across: number) => width / 2 + across * scale;
  const y = (along: number) => height - PAD.bottom - (along - lo) * scale;
  const seen = new Map<string, number>();
  const [before, end] = marks.way?.slice(-2) ?? [];
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      className="max-w-full"
      role="img"
      aria-label={label}
    >
      {marks.behind && (
        <rect
          x={6}
          y={2}
          width={width - 12}
          height={PAD.top - 6}
          rx="4"
          fill="var(--color-ember)"
          fillOpacity="0.35"
          stroke="var(--color-ember)"
          strokeWidth="2"
          strokeDasharray="5 4"
        />
      )}
      <Strokes
        list={strokesOf(parts)}
        to={(place) => [x(place.across), y(place.along)]}
        k={scale}
        lit={(id) => id === marks.now || id === "start"}
        faint={(id) => marks.only !== undefined && !marks.only.includes(id)}
        done={marks.done ?? []}
        ring
        text={16}
        least={30}
        most={52}
      />
      {marks.way && marks.way.length > 1 && (
        <g fill="none" stroke="var(--color-mustard)" strokeWidth="3.5" strokeLinecap="round" strokeLinejoin="round">
          <path
            d={`M${marks.way.map((place) => `${x(place.across).toFixed(1)} ${y(place.along).toFixed(1)}`).join("L")}`}
            strokeDasharray="2 8"
          />
          <path
            d="M-9 11L0 0l9 11"
            transform={`translate(${x(end!.across).toFixed(1)} ${y(end!.along).toFixed(1)}) rotate(${arrowTurn(before!, end!).toFixed(0)})`}
          />
        </g>
      )}
      {marks.pieces?.map((piece, i) => {
        const zone = parts.find((part) => part.kind === "zone" && part.id === piece.zone);
        const count = seen.get(piece.zone ?? "") ?? 0;
        seen.set(piece.zone ?? "", count + 1);
        const at =
          zone?.kind === "zone"
            ? { cx: x(-zone.width / 2) + 20 + count * 26, cy: (y(zone.near) + y(zone.far)) / 2 }
            : { cx: x(-half) + 20 + count * 26, cy: piece.zone === "over" ? 13 : y(lo) - 18 };
        return <PieceShape key={`p${i + 1}`} shape={piece.shape} {...at} />;
      })}
    </svg>
  );
}

/** The rotation of the arrowhead. It points up if the way leads straight ahead. */
function arrowTurn(from: Place, to: Place): number {
  return (Math.atan2(to.across - from.across, to.along - from.along) * 180) / Math.PI;
}

/** A piece. Players differ by shape as well as by colour. */
export function PieceShape({ shape, cx, cy, r = 10 }: { shape: number; cx: number; cy: number; r?: number }) {
  const common = { stroke: "var(--color-night)", strokeWidth: 2 };
  switch (shape % 6) {
    case 0:
      return <circle cx={cx} cy={cy} r={r} fill="var(--color-mustard)" {...common} />;
    case 1:
      return (
        <rect
          x={cx - r * 0.9}
          y={cy - r * 0.9}
          width={r * 1.8}
          height={r * 1.8}
          fill="var(--color-chalk)"
          {...common}
        />
      );
    case 2:
      return <path d={`M${cx} ${cy - r}l${r} ${r * 1.8}h${-2 * r}z`} fill="var(--color-clay)" {...common} />;
    case 3:
      return <path d={`M${cx} ${cy - r}l${r} ${r}l${-r} ${r}l${-r} ${-r}z`} fill="var(--color-lilac)" {...common} />;
    case 4:
      return (
        <path
          d={`M${cx - r} ${cy - r}l${2 * r} ${2 * r}M${cx + r} ${cy - r}l${-2 * r} ${2 * r}`}
          stroke="var(--color-ice)"
          strokeWidth="5"
          strokeLinecap="round"
        />
      );
    default:
      return (
        <path
          d={`M${cx - r} ${cy}h${2 * r}M${cx} ${cy - r}v${2 * r}`}
          stroke="var(--color-leaf)"
          strokeWidth="5"
          strokeLinecap="round"
        />
      );
  }
}
