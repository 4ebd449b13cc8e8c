import type { HomeSpace } from "#core/records/home.ts";
import { strokesOf } from "#core/yard/draw.ts";
import { type Part, type Place, partsOf } from "#core/yard/parts.ts";
import { type Placement, pointIn } from "#core/yard/placement.ts";
import { outlineOf } from "#core/yard/shapes.ts";
import { PAINT, Strokes } from "./strokes.tsx";

const PAD = 14;
/** How what stands in a space is told apart: fill, and a sign in its middle. */
export const STANDING = {
  furniture: { fill: PAINT.chalk, fillOpacity: 0.32, sign: "" },
  breakable: { fill: "var(--color-ember)", fillOpacity: 0.4, sign: "!" },
  door: { fill: PAINT.lilac, fillOpacity: 0.45, sign: "D" },
  stairs: { fill: PAINT.lilac, fillOpacity: 0.4, sign: "≡" },
  wall: { fill: PAINT.chalk, fillOpacity: 0.9, sign: "" },
} as const;
/** A line to send from is no wider here than so much, metres: where it lies is what matters. */
const START_WIDE = 0.6;
const shortStart = (p: Part): Part =>
  p.kind === "line" && p.role === "start" ? { ...p, width: Math.min(p.width, START_WIDE) } : p;

/** A home's space to scale, what stands in it, and where a layout lies in it, if it does. */
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
  const [xs, ys] = [corners.map((c) => c.x), corners.map((c) => c.y)];
  const [lx, ly] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - lx, Math.max(...ys) - ly];
  const k = Math.min((wide - 2 * PAD) / w, (tall - 2 * PAD) / h);
  const height = h * k + 2 * PAD;
  const x = (m: number) => (wide - w * k) / 2 + (m - lx) * k;
  const y = (m: number) => PAD + (m - ly) * k;
  const to = (p: Place): readonly [number, number] => {
    const at = pointIn(p, placement!);
    return [x(at.x), y(at.y)];
  };
  const starts = new Set(partsOf(parts, "line").flatMap((l) => (l.role === "start" ? [l.id] : [])));
  return (
    <svg
      viewBox={`0 0 ${wide} ${height.toFixed(1)}`}
      className="block w-full rounded-md bg-court"
      role="img"
      aria-label={label}
    >
      <path
        d={`M${corners.map((c) => `${x(c.x).toFixed(1)} ${y(c.y).toFixed(1)}`).join("L")}Z`}
        fill="var(--color-court-deep)"
        fillOpacity="0.35"
        stroke="var(--color-chalk)"
        strokeWidth={space.indoors ? 3.5 : 2}
        strokeDasharray={space.indoors ? undefined : "7 5"}
      />
      {space.floors?.map((f) => (
        <rect
          key={`${f.floor} ${f.x} ${f.y}`}
          x={x(f.x)}
          y={y(f.y)}
          width={f.width * k}
          height={f.depth * k}
          fill="var(--color-chalk)"
          fillOpacity="0.1"
          stroke="var(--color-chalk)"
          strokeOpacity="0.4"
          strokeDasharray="2 4"
        />
      ))}
      {space.obstacles?.map((o) => {
        const { sign, ...paint } = STANDING[o.kind];
        return (
          <g key={`${o.kind} ${o.x} ${o.y}`}>
            <rect
              x={x(o.x)}
              y={y(o.y)}
              width={o.width * k}
              height={o.depth * k}
              {...paint}
              stroke="var(--color-chalk)"
              strokeWidth="1.5"
            />
            {sign && (
              <text
                x={x(o.x + o.width / 2)}
                y={y(o.y + o.depth / 2) + 5}
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
      })}
      {placement && (
        <g>
          {partsOf(parts, "target").map((t) => (
            <path
              key={t.id}
              d={`M${[{ along: 0, across: 0 }, t]
                .map((p) =>
                  to(p)
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
      )}
    </svg>
  );
}
