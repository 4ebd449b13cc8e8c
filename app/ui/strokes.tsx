import type { Look, Stroke } from "#core/yard/draw.ts";
import type { Place } from "#core/yard/parts.ts";
import { useDrawing } from "../drawings/items.tsx";

/** The colours of the court, from the tokens of app.css. */
export const PAINT = {
  chalk: "var(--color-chalk)",
  mint: "var(--color-mint)",
  mustard: "var(--color-mustard)",
  lilac: "var(--color-lilac)",
  court: "var(--color-court)",
} as const;
const { chalk, mint, mustard } = PAINT;
const LOOKS: Record<Look, React.SVGProps<SVGPathElement>> = {
  field: { stroke: chalk, strokeOpacity: 0.75, strokeWidth: 2, strokeDasharray: "7 4", fill: chalk, fillOpacity: 0.05 },
  zone: { stroke: mint, strokeOpacity: 0.8, strokeWidth: 2, fill: mint, fillOpacity: 0.06 },
  cell: { stroke: chalk, strokeOpacity: 0.85, strokeWidth: 2, fill: mint, fillOpacity: 0.07 },
  line: { stroke: chalk, strokeWidth: 3, strokeLinecap: "round", strokeDasharray: "1 5" },
  net: { stroke: chalk, strokeWidth: 6, strokeDasharray: "2 3" },
  run: { stroke: chalk, strokeOpacity: 0.7, strokeWidth: 2, strokeDasharray: "9 6", strokeLinejoin: "round" },
  roll: { stroke: mustard, strokeWidth: 2, strokeDasharray: "8 6" },
  spot: { stroke: mint, strokeWidth: 2.5, fill: mint, fillOpacity: 0.12 },
  start: { stroke: chalk, strokeOpacity: 0.6, strokeWidth: 3, strokeLinecap: "round", strokeDasharray: "1 4" },
};
/** Whatever is highlighted is mustard, with thicker lines and filled bands. */
const LIT: Partial<Record<Look, React.SVGProps<SVGPathElement>>> = {
  start: { strokeWidth: 5 },
  zone: { fill: mustard, fillOpacity: 0.3 },
};
/** A band is filled more strongly with each point, up to a limit. */
const WORTH = { each: 0.03, most: 0.35 };
/** A tick over an item that is finished. */
const TICK = "M-11 1l8 8 14-17";

interface Shown {
  /** Pixels per metre. */
  k: number;
  text?: number;
  /** The largest and smallest size in which an item is drawn, pixels. */
  most?: number;
  least?: number;
}

/**
 * A layout in chalk on the court. `to` returns the pixels of a place. What is `lit` is drawn in mustard, what `faint`
 * names is barely drawn, and what is `done` has a tick.
 */
export function Strokes({
  list,
  to,
  lit,
  faint,
  done = [],
  ring = false,
  ...shown
}: {
  list: readonly Stroke[];
  to: (place: Place) => readonly [number, number];
  lit?: ((id: string) => boolean) | undefined;
  faint?: (id: string) => boolean;
  done?: readonly string[];
  /** Draws a ring around the lit item. */
  ring?: boolean;
} & Shown) {
  const { k, text = 13 } = shown;
  return (
    <>
      {list.map((stroke, i) => {
        const now = lit?.(stroke.id) ?? false;
        const opacity = faint?.(stroke.id) ? 0.28 : 1;
        const key = `${stroke.id} ${stroke.kind} ${i + 1}`;
        switch (stroke.kind) {
          case "poly":
            return (
              <path
                key={key}
                d={`M${stroke.points.map((point) => to(point).map(px).join(" ")).join("L")}${stroke.closed ? "Z" : ""}`}
                fill="none"
                opacity={opacity}
                {...LOOKS[stroke.look]}
                {...(stroke.worth !== undefined && {
                  fillOpacity: px2(Math.min(WORTH.most, 0.06 + WORTH.each * stroke.worth)),
                })}
                {...(now && { stroke: mustard, strokeOpacity: 1, ...LIT[stroke.look] })}
              />
            );
          case "disc": {
            const [x, y] = to(stroke.at);
            return (
              <circle
                key={key}
                cx={px(x)}
                cy={px(y)}
                r={px(Math.max(5, stroke.radius * k))}
                opacity={opacity}
                {...(LOOKS[stroke.look] as React.SVGProps<SVGCircleElement>)}
                {...(now && { stroke: mustard })}
              />
            );
          }
          case "person": {
            const [x, y] = to(stroke.at);
            return (
              <g key={key} transform={`translate(${px(x)} ${px(y)})`} opacity={opacity}>
                <ellipse rx="6" ry="13" fill="none" stroke={chalk} strokeWidth="2.2" />
                <circle r="5.5" fill={PAINT.lilac} />
              </g>
            );
          }
          case "item": {
            const [x, y] = to(stroke.at);
            return (
              <g key={key} transform={`translate(${px(x)} ${px(y)})`} opacity={opacity}>
                <ItemStroke s={stroke} now={now} done={done.includes(stroke.id)} ring={ring} {...shown} />
              </g>
            );
          }
          default:
            return (
              <WordsStroke
                key={key}
                s={stroke}
                to={to}
                opacity={opacity}
                now={now && stroke.of === "line"}
                {...shown}
                text={text}
              />
            );
        }
      })}
    </>
  );
}

/** An item around the middle of its own group. A target is mint; anything else is chalk. */
export function ItemStroke({
  s,
  now,
  done = false,
  ring = false,
  ...shown
}: { s: Stroke & { kind: "item" }; now: boolean; done?: boolean; ring?: boolean } & Shown) {
  const drawing = useDrawing();
  const size = drawnSize(s.size, shown);
  return (
    <>
      {s.wall && <path d="M10 -16v32" stroke={chalk} strokeWidth="3" />}
      {ring && now && (
        <circle r={px(size * 0.78)} fill={mustard} fillOpacity="0.2" stroke={mustard} strokeWidth="3" data-now={s.id} />
      )}
      {s.sign === undefined ? (
        <use
          href={drawing(s.item)}
          transform={`scale(${(size / 40).toFixed(3)}) translate(-20 -20)`}
          fill="none"
          stroke={now ? mustard : s.aimed ? mint : chalk}
          strokeWidth="2.5"
          strokeLinejoin="round"
          strokeLinecap="round"
          opacity={done ? 0.45 : 1}
        />
      ) : (
        <Card sign={s.sign} size={size} paint={now ? mustard : chalk} opacity={done ? 0.45 : 1} />
      )}
      {done && (
        <path d={TICK} fill="none" stroke={chalk} strokeWidth="5" strokeLinecap="round" strokeLinejoin="round" />
      )}
    </>
  );
}

/** A card with a chalk sign on it, leaning a little. */
function Card({ sign, size, paint, opacity }: { sign: string; size: number; paint: string; opacity: number }) {
  const half = size / 2;
  return (
    <g opacity={opacity} transform="rotate(-4)">
      <path
        d={`M${px(-half * 0.8)} ${px(-half)}L${px(half * 0.84)} ${px(-half * 0.94)}L${px(half * 0.8)} ${px(half)}L${px(-half * 0.84)} ${px(half * 0.94)}Z`}
        fill={PAINT.court}
        stroke={paint}
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <text
        y={px(size * 0.2)}
        textAnchor="middle"
        fill={paint}
        fontSize={px(Math.min(size * 0.6, (size * 1.2) / sign.length))}
        fontWeight="700"
        pointerEvents="none"
      >
        {sign}
      </text>
    </g>
  );
}

/** Words with the court's colour around them, so that they can be read across any line. */
function WordsStroke({
  s,
  to,
  opacity,
  now,
  text,
  ...shown
}: {
  s: Stroke & { kind: "text" };
  to: (place: Place) => readonly [number, number];
  opacity: number;
  now: boolean;
} & Shown & { text: number }) {
  const [x, y] = to(s.at);
  let [dx, dy] = [0, text * 0.36];
  let anchor: "start" | "middle" | "end" = "middle";
  if (s.beside && "side" in s.beside) {
    const half = drawnSize(s.beside.size, shown) / 2;
    dy = s.beside.side === "under" ? half + text * 0.9 : -half - 7;
  } else if (s.beside) {
    const [tx, ty] = to(s.beside.toward);
    const far = Math.hypot(tx - x, ty - y) || 1;
    const [ux, uy] = [(tx - x) / far, (ty - y) / far];
    dx = ux * BESIDE;
    dy += uy * (BESIDE + text * 0.3);
    if (Math.abs(ux) > 0.5) anchor = ux > 0 ? "start" : "end";
  }
  return (
    <text
      x={px(x + dx)}
      y={px(y + dy)}
      textAnchor={anchor}
      fill={now ? mustard : chalk}
      fontSize={text}
      fontWeight="700"
      opacity={opacity}
      stroke={PAINT.court}
      strokeWidth="2.5"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {s.text}
    </text>
  );
}
/** If words are this far from the end, they are put beside it, pixels. */
const BESIDE = 8;
/** Items are drawn to scale, but never too small to be recognised. */
const SIZES = { least: 20, most: 46 };
/** The size in which an item is drawn, pixels. */
export const drawnSize = (metres: number, { k, least = SIZES.least, most = SIZES.most }: Shown) =>
  Math.max(Math.min(least, most), Math.min(most, metres * k * 1.25));
const px = (value: number) => Math.round(value * 10) / 10;
const px2 = (value: number) => Math.round(value * 100) / 100;
