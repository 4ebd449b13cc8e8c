import type { Look, Stroke } from "#core/yard/draw.ts";
import type { Place } from "#core/yard/parts.ts";
import { useDrawing } from "../drawings/items.tsx";

const CHALK = "#F6F4EA";
const MINT = "#6FDCCB";
const LOOKS: Record<Look, React.SVGProps<SVGPathElement>> = {
  field: { stroke: CHALK, strokeOpacity: 0.75, strokeWidth: 2, strokeDasharray: "7 4", fill: CHALK, fillOpacity: 0.05 },
  cell: { stroke: CHALK, strokeOpacity: 0.85, strokeWidth: 2, fill: MINT, fillOpacity: 0.07 },
  line: { stroke: CHALK, strokeWidth: 3, strokeLinecap: "round", strokeDasharray: "1 5" },
  net: { stroke: CHALK, strokeWidth: 6, strokeDasharray: "2 3" },
  run: { stroke: CHALK, strokeOpacity: 0.7, strokeWidth: 2, strokeDasharray: "9 6", strokeLinejoin: "round" },
  roll: { stroke: "#F2B632", strokeWidth: 2, strokeDasharray: "8 6" },
  spot: { stroke: MINT, strokeWidth: 2.5, fill: MINT, fillOpacity: 0.12 },
};

/**
 * Marks on the floor and things that stand there, in chalk on the court. `to` gives the pixels of a place, `k` the pixels of a metre; `lit` is
 * drawn in mustard, what `faint` names hardly at all.
 */
export function Strokes({
  list,
  to,
  k,
  lit = null,
  faint,
  text = 13,
  most = MOST_DRAWN,
}: {
  list: readonly Stroke[];
  to: (p: Place) => readonly [number, number];
  k: number;
  lit?: string | null;
  faint?: (id: string) => boolean;
  text?: number;
  /** Things are drawn no larger than so many pixels. */
  most?: number;
}) {
  const drawing = useDrawing();
  return (
    <>
      {list.map((s, i) => {
        const now = s.id === lit;
        const opacity = faint?.(s.id) ? 0.25 : 1;
        const key = `${s.id} ${s.kind} ${i + 1}`;
        switch (s.kind) {
          case "poly":
            return (
              <path
                key={key}
                d={`M${s.points.map((p) => to(p).map(px).join(" ")).join("L")}${s.closed ? "Z" : ""}`}
                fill="none"
                opacity={opacity}
                {...LOOKS[s.look]}
                {...(now && { stroke: "#F2B632", strokeOpacity: 1 })}
              />
            );
          case "disc": {
            const [x, y] = to(s.at);
            return (
              <circle
                key={key}
                cx={px(x)}
                cy={px(y)}
                r={px(Math.max(5, s.radius * k))}
                opacity={opacity}
                {...(LOOKS[s.look] as React.SVGProps<SVGCircleElement>)}
                {...(now && { stroke: "#F2B632" })}
              />
            );
          }
          case "person": {
            const [x, y] = to(s.at);
            return (
              <g key={key} transform={`translate(${px(x)} ${px(y)})`} opacity={opacity}>
                <ellipse rx="6" ry="13" fill="none" stroke={CHALK} strokeWidth="2.2" />
                <circle r="5.5" fill="#C9A4DA" />
              </g>
            );
          }
          case "thing": {
            const [x, y] = to(s.at);
            const size = drawnSize(s.size, k, most);
            return (
              <g key={key} transform={`translate(${px(x)} ${px(y)})`} opacity={opacity}>
                {s.wall && <path d="M10 -16v32" stroke={CHALK} strokeWidth="3" />}
                <use
                  href={drawing(s.item)}
                  transform={`scale(${px(size / 40)}) translate(-20 -20)`}
                  fill="none"
                  stroke={now ? "#F2B632" : CHALK}
                  strokeWidth="2.4"
                  strokeLinejoin="round"
                  strokeLinecap="round"
                />
              </g>
            );
          }
          default: {
            const [x, y] = to(s.at);
            const down = s.under === undefined ? text * 0.36 : drawnSize(s.under, k, most) / 2 + text * 0.9;
            return (
              <text
                key={key}
                x={px(x)}
                y={px(y + down)}
                textAnchor="middle"
                fill={CHALK}
                fontSize={text}
                fontWeight="700"
                opacity={opacity}
                stroke="#27463F"
                strokeWidth="2.5"
                paintOrder="stroke"
                pointerEvents="none"
              >
                {s.text}
              </text>
            );
          }
        }
      })}
    </>
  );
}
/** Things are drawn to scale, but never too small to be made out. */
const MOST_DRAWN = 46;
const drawnSize = (metres: number, k: number, most: number) =>
  Math.max(Math.min(20, most), Math.min(most, metres * k * 1.25));
const px = (v: number) => Math.round(v * 10) / 10;
