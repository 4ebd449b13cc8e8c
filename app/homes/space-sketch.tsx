import { useRef, useState } from "react";
import { cornersFrom, standsFrom } from "#core/records/home-fields.ts";
import { FLOORS } from "#core/things/floors.ts";
import type { Point } from "#core/yard/geometry.ts";
import { OBSTACLES } from "#core/yard/space.ts";
import { say } from "#words/say.ts";
import { STANDING } from "../ui/room-plan.tsx";

const WIDE = 360;
const PAD = 16;
/** Steps shown at least, across and down. */
const LEAST = { across: 8, down: 6 };
/** A thing that is only tapped is so many steps across and deep. */
const TAPPED: Record<string, readonly [number, number]> = { door: [1.5, 0.5], wall: [2, 0.5] };
function paintOf(kind: string) {
  const { sign: _, ...paint } =
    STANDING[(OBSTACLES as readonly string[]).includes(kind) ? (kind as keyof typeof STANDING) : "furniture"];
  return paint;
}
const asSteps = (metres: number) => metres;
const half = (count: number) => Math.round(count * 2) / 2;
const figure = (count: number) => String(Math.round(count * 10) / 10);

/**
 * A space drawn in steps: corners tapped in order, things that stand there drawn by a tap or a drag. The text beside it says the same in
 * numbers, is what the form sends, and works without this picture.
 */
export function SpaceSketch({
  outline,
  own,
  corners,
  setCorners,
  stands,
  setStands,
}: {
  /** What is drawn where the corners are not tapped, steps. */
  outline: readonly Point[];
  own: boolean;
  corners: string;
  setCorners: (text: string) => void;
  stands: string;
  setStands: (text: string) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [tool, setTool] = useState<string>(own ? "corner" : "furniture");
  const [from, setFrom] = useState<Point | null>(null);
  const [at, setAt] = useState<Point>({ x: 0, y: 0 });
  const using = tool === "corner" && !own ? "furniture" : tool;
  const tapped = cornersFrom(corners, asSteps).filter((point) => Number.isFinite(point.x) && Number.isFinite(point.y));
  const drawn = own ? tapped : outline;
  const things = standsFrom(stands, asSteps);
  const fine = <T extends { x: number; width: number }>(all: T[]) => all.filter((t) => Number.isFinite(t.x + t.width));
  const across = Math.max(LEAST.across, Math.ceil(Math.max(0, ...drawn.map((point) => point.x))) + (own ? 1 : 0));
  const down = Math.max(LEAST.down, Math.ceil(Math.max(0, ...drawn.map((point) => point.y))) + (own ? 1 : 0));
  const k = (WIDE - 2 * PAD) / across;
  const tall = down * k + 2 * PAD;
  const px = (count: number) => PAD + count * k;
  const place = (e: { clientX: number; clientY: number }): Point => {
    const box = svg.current!.getBoundingClientRect();
    const per = WIDE / box.width;
    return {
      x: Math.max(0, half(((e.clientX - box.left) * per - PAD) / k)),
      y: Math.max(0, half(((e.clientY - box.top) * per - PAD) / k)),
    };
  };
  const addLine = (text: string, line: string) => (text.trim() === "" ? line : `${text.trim()}\n${line}`);
  const put = (point: Point, givenPoint: Point) => {
    if (using === "corner") {
      const last = tapped[tapped.length - 1];
      if (!last || last.x !== givenPoint.x || last.y !== givenPoint.y)
        setCorners(addLine(corners, `${figure(givenPoint.x)} ${figure(givenPoint.y)}`));
      return;
    }
    const usual = TAPPED[using] ?? [1, 1];
    const [weight, distance] =
      point.x === givenPoint.x && point.y === givenPoint.y
        ? usual
        : [Math.abs(givenPoint.x - point.x), Math.abs(givenPoint.y - point.y)];
    const line = [
      using,
      ...[
        Math.min(point.x, givenPoint.x),
        Math.min(point.y, givenPoint.y),
        Math.max(0.5, weight),
        Math.max(0.5, distance),
      ].map(figure),
    ];
    setStands(addLine(stands, line.join(" ")));
  };
  const withoutLine = (text: string, count: number) =>
    text
      .split("\n")
      .filter((_, i) => i !== count)
      .join("\n");
  const lines = stands.split("\n").filter((line) => line.trim() !== "");
  return (
    <div className="grid gap-2">
      <fieldset>
        <legend className="mb-1.5 text-lg font-bold">{say("sketch.title")}</legend>
        <p className="mb-1 text-quiet">{say(own ? "sketch.hintCorners" : "sketch.hint")}</p>
        <div className="flex flex-wrap gap-1.5">
          {[...(own ? ["corner"] : []), ...OBSTACLES, ...FLOORS].map((text) => (
            <label
              key={text}
              className="grid min-h-11 cursor-pointer place-items-center rounded-md border-2 border-hair bg-raised px-2.5 text-sm font-semibold has-checked:border-ink has-checked:bg-mustard has-checked:text-night has-focus-visible:outline-3"
            >
              <input
                type="radio"
                name="sketchTool"
                value={text}
                className="sr-only"
                checked={using === text}
                onChange={() => setTool(text)}
              />
              {nameOf(text)}
            </label>
          ))}
        </div>
      </fieldset>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDE} ${tall.toFixed(0)}`}
        className="block w-full touch-none rounded-md bg-court"
        role="group"
        aria-label={say("sketch.title")}
      >
        <g
          role="button"
          tabIndex={0}
          aria-label={say("sketch.label", { x: at.x, y: at.y })}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setFrom(place(event));
          }}
          onPointerUp={(event) => {
            if (from) put(using === "corner" ? place(event) : from, place(event));
            setFrom(null);
          }}
          onPointerCancel={() => setFrom(null)}
          onKeyDown={(event) => {
            const way = { ArrowRight: [0.5, 0], ArrowLeft: [-0.5, 0], ArrowUp: [0, -0.5], ArrowDown: [0, 0.5] }[
              event.key
            ];
            if (way) setAt({ x: Math.max(0, at.x + way[0]!), y: Math.max(0, at.y + way[1]!) });
            else if (event.key === "Enter" || event.key === " ") put(at, at);
            else return;
            event.preventDefault();
          }}
          className="group outline-none"
        >
          <defs>
            <pattern id="steps" x={PAD} y={PAD} width={k} height={k} patternUnits="userSpaceOnUse">
              <circle cx="0" cy="0" r="1.6" fill="var(--color-chalk)" fillOpacity="0.5" />
            </pattern>
          </defs>
          <rect width={WIDE} height={tall} fill="url(#steps)" />
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
          {own &&
            tapped.map((point, i) => (
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
          <path
            d={`M${px(at.x) - 8} ${px(at.y)}h16M${px(at.x)} ${px(at.y) - 8}v16`}
            stroke="var(--color-mustard)"
            strokeWidth="2"
            className="opacity-0 group-focus-visible:opacity-100"
          />
        </g>
      </svg>
      <div className="flex flex-wrap gap-2">
        {own && tapped.length > 0 && (
          <button
            type="button"
            className="btn btn-quiet btn-small min-h-11"
            onClick={() => setCorners(corners.trim().split("\n").slice(0, -1).join("\n"))}
          >
            {say("sketch.lastCorner")}
          </button>
        )}
        {lines.map((line, i) => (
          <button
            key={`${line} ${i + 1}`}
            type="button"
            className="btn btn-quiet btn-small min-h-11"
            onClick={() => setStands(withoutLine(lines.join("\n"), i))}
          >
            {say("sketch.takeAway", { what: nameOf(line.trim().split(/\s+/)[0] ?? ""), number: i + 1 })}
          </button>
        ))}
      </div>
    </div>
  );
}
/** What a word of the text is called: a thing, a corner, or a patch of another floor. */
const nameOf = (word: string) =>
  (FLOORS as readonly string[]).includes(word)
    ? say("sketch.patch", { floor: say(`floor.${word}`) })
    : word === "corner" || (OBSTACLES as readonly string[]).includes(word)
      ? say(`sketch.tool.${word}`)
      : word;
