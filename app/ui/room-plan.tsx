import type { HomeSpace } from "#core/records/home.ts";
import { strokesOf } from "#core/yard/draw.ts";
import { type Part, type Place, partsOf } from "#core/yard/parts.ts";
import { type Placement, pointIn } from "#core/yard/placement.ts";
import { outlineOf } from "#core/yard/shapes.ts";
import { PAINT, Strokes } from "./strokes.tsx";

const PAD = 14;
/** Each kind of obstacle in a space has its own fill and its own sign in the middle. */
export const STANDING = {
  furniture: { fill: PAINT.chalk, fillOpacity: 0.32, sign: "" },
  breakable: { fill: "var(--color-ember)", fillOpacity: 0.4, sign: "!" },
  door: { fill: PAINT.lilac, fillOpacity: 0.45, sign: "D" },
  stairs: { fill: PAINT.lilac, fillOpacity: 0.4, sign: "≡" },
  wall: { fill: PAINT.chalk, fillOpacity: 0.9, sign: "" },
} as const;
/** A start line is drawn at most this wide, metres, because only its place matters here. */
const START_WIDE = 0.6;
const shortStart = (part: Part): Part =>
  part.kind === "line" && part.role === "start" ? { ...part, width: Math.min(part.width, START_WIDE) } : part;

/** A home's space to scale, with its obstacles, and with the layout if it fits there. */
export function RoomPlan({
  space,
  parts,
  placement,
  label,
  wide,
  tall,
}: {
  space: HomeSpace;
  parts: readonly Part[];
  placement: Placement | null;
  label: string;
  wide: number;
  tall: number;
}) {
  const corners = outlineOf(space);
  const [xs, ys] = [corners.map((corner) => corner.x), corners.map((corner) => corner.y)];
  const [lx, ly] = [Math.min(...xs), Math.min(...ys)];
  const [across, down] = [Math.max(...xs) - lx, Math.max(...ys) - ly];
  const k = Math.min((wide - 2 * PAD) / across, (tall - 2 * PAD) / down);
  const height = down * k + 2 * PAD;
  const x = (metres: number) => (wide - across * k) / 2 + (metres - lx) * k;
  const y = (metres: number) => PAD + (metres - ly) * k;
  const to = (place: Place): readonly [number, number] => {
    const at = pointIn(place, placement!);
    return [x(at.x), y(at.y)];
  };
  const starts = new Set(partsOf(parts, "line").flatMap((line) => (line.role === "start" ? [line.id] : [])));
  return (
    <svg
      viewBox={`0 0 ${wide} ${height.toFixed(1)}`}
      className="block w-full rounded-md bg-court"
      role="img"
      aria-label={label}
    >
      <path
        d={`M${corners.map((corner) => `${x(corner.x).toFixed(1)} ${y(corner.y).toFixed(1)}`).join("L")}Z`}
        fill="var(--color-court-deep)"
        fillOpacity="0.35"
        stroke="var(--color-chalk)"
        strokeWidth={space.indoors ? 3.5 : 2}
        strokeDasharray={space.indoors ? undefined : "7 5"}
      />
      {space.floors?.map((floor) => (
        <rect
          key={`${floor.floor} ${floor.x} ${floor.y}`}
          x={x(floor.x)}
          y={y(floor.y)}
          width={floor.width * k}
          height={floor.depth * k}
          fill="var(--color-chalk)"
          fillOpacity="0.1"
          stroke="var(--color-chalk)"
          strokeOpacity="0.4"
          strokeDasharray="2 4"
        />
      ))}
      {space.obstacles?.map((obstacle) => {
        const { sign, ...paint } = STANDING[obstacle.kind];
        return (
          <Obstacle
            key={`${obstacle.kind} ${obstacle.x} ${obstacle.y}`}
            obstacle={obstacle}
            x={x}
            y={y}
            k={k}
            paint={paint}
            sign={sign}
          />
        );
      })}
      {placement && <Placed parts={parts} to={to} k={k} starts={starts} />}
    </svg>
  );
}

/** Draws an obstacle. */
const Obstacle = ({
  obstacle,
  x,
  y,
  k,
  paint,
  sign,
}: {
  obstacle: NonNullable<HomeSpace["obstacles"]>[number];
  x: (metres: number) => number;
  y: (metres: number) => number;
  k: number;
  paint: Omit<(typeof STANDING)[keyof typeof STANDING], "sign">;
  sign: string;
}) => (
  <g>
    <rect
      x={x(obstacle.x)}
      y={y(obstacle.y)}
      width={obstacle.width * k}
      height={obstacle.depth * k}
      {...paint}
      stroke="var(--color-chalk)"
      strokeWidth="1.5"
    />
    {sign && (
      <text
        x={x(obstacle.x + obstacle.width / 2)}
        y={y(obstacle.y + obstacle.depth / 2) + 5}
        textAnchor="middle"
        fill="var(--color-chalk)"
        fontSize="14"
        fontWeight="700"
      >
        {sign}
      </text>
    )}
  </g>
);

/** Draws the game at its place in the room. */
const Placed = ({
  parts,
  to,
  k,
  starts,
}: {
  parts: readonly Part[];
  to: (place: Place) => readonly [number, number];
  k: number;
  starts: Set<string>;
}) => (
  <g>
    {partsOf(parts, "target").map((target) => (
      <path
        key={target.id}
        d={`M${[{ along: 0, across: 0 }, target]
          .map((eachTarget) =>
            to(eachTarget)
              .map((v) => v.toFixed(1))
              .join(" "),
          )
          .join("L")}`}
        stroke={PAINT.chalk}
        strokeOpacity="0.35"
        strokeWidth="1.5"
      />
    ))}
    <Strokes
      list={strokesOf(parts.map(shortStart))}
      to={to}
      k={k}
      lit={(id) => starts.has(id)}
      text={11}
      least={16}
      most={34}
    />
    {partsOf(parts, "person")
      .filter((p) => p.role === "sender")
      .map((p) => {
        const [cx, cy] = to({ along: p.along - 0.25, across: p.across });
        return <circle key={p.id} cx={cx} cy={cy} r="6" fill="var(--color-chalk)" />;
      })}
  </g>
);
