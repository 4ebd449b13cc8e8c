import type { HomeSpace } from "#core/records/home.ts";
import { strokesOf } from "#core/yard/draw.ts";
import { type Part, type Place, partsOf } from "#core/yard/parts.ts";
import { type Placement, pointIn } from "#core/yard/placement.ts";
import { outlineOf } from "#core/yard/shapes.ts";
import { useDrawing } from "../drawings/items.tsx";
import { Strokes } from "./strokes.tsx";

const PAD = 14;
/** How what stands in a space is told apart: fill, and a sign in its middle. */
const THINGS = {
  furniture: { fill: "#F6F4EA", fillOpacity: 0.32, sign: "" },
  breakable: { fill: "#FF8A66", fillOpacity: 0.35, sign: "!" },
  door: { fill: "#C9A4DA", fillOpacity: 0.4, sign: "D" },
  stairs: { fill: "#C9A4DA", fillOpacity: 0.4, sign: "≡" },
  wall: { fill: "#F6F4EA", fillOpacity: 0.9, sign: "" },
} as const;

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
  const drawing = useDrawing();
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
  const poly = (points: readonly Place[]) =>
    `M${points
      .map((p) =>
        to(p)
          .map((v) => v.toFixed(1))
          .join(" "),
      )
      .join("L")}`;
  return (
    <svg
      viewBox={`0 0 ${wide} ${height.toFixed(1)}`}
      className="block w-full rounded-md bg-court"
      role="img"
      aria-label={label}
    >
      <path
        d={`M${corners.map((c) => `${x(c.x).toFixed(1)} ${y(c.y).toFixed(1)}`).join("L")}Z`}
        fill="#1E3731"
        fillOpacity="0.35"
        stroke="#F6F4EA"
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
          fill="#F6F4EA"
          fillOpacity="0.1"
          stroke="#F6F4EA"
          strokeOpacity="0.4"
          strokeDasharray="2 4"
        />
      ))}
      {space.obstacles?.map((o) => {
        const { sign, ...paint } = THINGS[o.kind];
        return (
          <g key={`${o.kind} ${o.x} ${o.y}`}>
            <rect
              x={x(o.x)}
              y={y(o.y)}
              width={o.width * k}
              height={o.depth * k}
              {...paint}
              stroke="#F6F4EA"
              strokeWidth="1.5"
            />
            {sign && (
              <text
                x={x(o.x + o.width / 2)}
                y={y(o.y + o.depth / 2) + 5}
                textAnchor="middle"
                fill="#F6F4EA"
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
          {partsOf(parts, "zone").map((z) => (
            <path
              key={z.id}
              d={`${poly([
                { along: z.near, across: z.across - z.width / 2 },
                { along: z.far, across: z.across - z.width / 2 },
                { along: z.far, across: z.across + z.width / 2 },
                { along: z.near, across: z.across + z.width / 2 },
              ])}Z`}
              fill="#6FDCCB"
              fillOpacity="0.15"
              stroke="#6FDCCB"
              strokeWidth="1.5"
            />
          ))}
          <Strokes list={strokesOf(parts)} to={to} k={k} text={11} />
          {partsOf(parts, "line")
            .filter((l) => l.role === "start")
            .map((l) => (
              <path
                key={l.id}
                d={poly([
                  { along: l.along, across: -Math.min(l.width, 0.6) / 2 },
                  { along: l.along, across: Math.min(l.width, 0.6) / 2 },
                ])}
                stroke="#F2B632"
                strokeWidth="4"
                strokeLinecap="round"
              />
            ))}
          {partsOf(parts, "target").map((t) => {
            const [cx, cy] = to(t);
            const size = Math.max(16, Math.min(34, t.width * k * 1.2));
            return (
              <g key={t.id}>
                <path d={poly([{ along: 0, across: 0 }, t])} stroke="#F6F4EA" strokeOpacity="0.35" strokeWidth="1.5" />
                <use
                  href={drawing(t.item)}
                  transform={`translate(${cx.toFixed(1)} ${cy.toFixed(1)}) scale(${(size / 40).toFixed(3)}) translate(-20 -20)`}
                  fill="none"
                  stroke="#6FDCCB"
                  strokeWidth="2.8"
                  strokeLinecap="round"
                  strokeLinejoin="round"
                />
              </g>
            );
          })}
          {partsOf(parts, "person")
            .filter((p) => p.role === "sender")
            .map((p) => {
              const [cx, cy] = to({ along: p.along - 0.25, across: p.across });
              return <circle key={p.id} cx={cx} cy={cy} r="6" fill="#F6F4EA" />;
            })}
        </g>
      )}
    </svg>
  );
}
