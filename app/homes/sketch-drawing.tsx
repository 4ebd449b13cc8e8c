import type { standsFrom } from "#core/records/home-fields.ts";
import type { Point } from "#core/yard/geometry.ts";
import { OBSTACLES } from "#core/yard/space-limits.ts";
import { say } from "#words/say.ts";
import { STANDING } from "../ui/room-plan.tsx";

const WIDE = 360;
const PAD = 16;
/** The smallest number of steps shown, across and down. */
const LEAST = { across: 8, down: 6 };

/** Converts steps to units of the drawing: `k` units to a step, `px` for a place; `wide` and `tall` are its size. */
export interface Scale {
  wide: number;
  tall: number;
  k: number;
  px: (steps: number) => number;
  /** Returns the place under a pointer, in half steps. `box` is the drawing's place on the screen. */
  place: (at: { clientX: number; clientY: number }, box: { left: number; top: number; width: number }) => Point;
}
/** Returns the scale at which the whole drawing fits, with `more` steps to spare. */
export function scaleOf(drawn: readonly Point[], more: number): Scale {
  const across = Math.max(LEAST.across, Math.ceil(Math.max(0, ...drawn.map((point) => point.x))) + more);
  const down = Math.max(LEAST.down, Math.ceil(Math.max(0, ...drawn.map((point) => point.y))) + more);
  const k = (WIDE - 2 * PAD) / across;
  const half = (count: number) => Math.max(0, Math.round(count * 2) / 2);
  return {
    wide: WIDE,
    tall: down * k + 2 * PAD,
    k,
    px: (steps) => PAD + steps * k,
    place: (at, box) => {
      const per = WIDE / box.width;
      return {
        x: half(((at.clientX - box.left) * per - PAD) / k),
        y: half(((at.clientY - box.top) * per - PAD) / k),
      };
    },
  };
}

function paintOf(kind: string) {
  const { sign: _, ...paint } =
    STANDING[(OBSTACLES as readonly string[]).includes(kind) ? (kind as keyof typeof STANDING) : "furniture"];
  return paint;
}
const fine = <T extends { x: number; width: number }>(all: readonly T[]) =>
  all.filter((t) => Number.isFinite(t.x + t.width));

/** Draws a dot for every step, the patches of other floors, the outline, the numbered corners and the obstacles. */
export function SketchDrawing({
  scale: { wide, tall, k, px },
  drawn,
  corners,
  things,
}: {
  scale: Scale;
  drawn: readonly Point[];
  /** The corners tapped so far; null when the outline is given. */
  corners: readonly Point[] | null;
  things: ReturnType<typeof standsFrom>;
}) {
  return (
    <>
      <defs>
        <pattern id="steps" x={PAD} y={PAD} width={k} height={k} patternUnits="userSpaceOnUse">
          <circle cx="0" cy="0" r="1.6" fill="var(--color-chalk)" fillOpacity="0.5" />
        </pattern>
      </defs>
      <rect width={wide} height={tall} fill="url(#steps)" />
      {fine(things.floors).map((f) => (
        <rect
          key={JSON.stringify(f)}
          x={px(f.x)}
          y={px(f.y)}
          width={f.width * k}
          height={f.depth * k}
          fill="var(--color-straw)"
          fillOpacity="0.2"
          stroke="var(--color-straw)"
          strokeDasharray="3 4"
        />
      ))}
      {drawn.length > 0 && (
        <path
          d={`M${drawn.map((point) => `${px(point.x)} ${px(point.y)}`).join("L")}${drawn.length > 2 ? "Z" : ""}`}
          fill="var(--color-chalk)"
          fillOpacity="0.06"
          stroke="var(--color-chalk)"
          strokeWidth="3"
          strokeLinejoin="round"
        />
      )}
      {corners?.map((point, i) => (
        <g key={`${point.x} ${point.y} ${i + 1}`}>
          <circle
            cx={px(point.x)}
            cy={px(point.y)}
            r="9"
            fill="var(--color-mustard)"
            stroke="var(--color-night)"
            strokeWidth="2"
          />
          <text
            x={px(point.x)}
            y={px(point.y) + 4}
            textAnchor="middle"
            fontSize="11"
            fontWeight="700"
            fill="var(--color-night)"
          >
            {i + 1}
          </text>
        </g>
      ))}
      {fine(things.obstacles).map((o) => (
        <g key={JSON.stringify(o)}>
          <rect
            x={px(o.x)}
            y={px(o.y)}
            width={o.width * k}
            height={o.depth * k}
            {...paintOf(o.kind)}
            stroke="var(--color-chalk)"
            strokeWidth="1.5"
          />
          <text
            x={px(o.x + o.width / 2)}
            y={px(o.y + o.depth / 2) + 4}
            textAnchor="middle"
            fontSize="11"
            fill="var(--color-chalk)"
            stroke="var(--color-court)"
            strokeWidth="2.5"
            paintOrder="stroke"
          >
            {(OBSTACLES as readonly string[]).includes(o.kind) ? say(`sketch.tool.${o.kind}`) : o.kind}
          </text>
        </g>
      ))}
    </>
  );
}
