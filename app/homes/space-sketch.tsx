import { useRef, useState } from "react";
import { FLOORS } from "#core/items/floors.ts";
import { cornersFrom, standsFrom } from "#core/records/home-fields.ts";
import type { Point } from "#core/yard/geometry.ts";
import { OBSTACLES } from "#core/yard/space-limits.ts";
import { say } from "#words/say.ts";
import { SketchDrawing, scaleOf } from "./sketch-drawing.tsx";

/** The size of an item that is tapped instead of drawn, in steps across and deep. */
const TAPPED: Record<string, readonly [number, number]> = { door: [1.5, 0.5], wall: [2, 0.5] };
const asSteps = (metres: number) => metres;
const figure = (count: number) => String(Math.round(count * 10) / 10);

/** Appends a line to a text. */
const addLine = (text: string, line: string) => (text.trim() === "" ? line : `${text.trim()}\n${line}`);
/** Returns the line of text for an obstacle that was drawn between two corners, or only tapped. */
function standLine(kind: string, one: Point, other: Point): string {
  const [width, depth] =
    one.x === other.x && one.y === other.y
      ? (TAPPED[kind] ?? [1, 1])
      : [Math.abs(other.x - one.x), Math.abs(other.y - one.y)];
  const figures = [Math.min(one.x, other.x), Math.min(one.y, other.y), Math.max(0.5, width), Math.max(0.5, depth)];
  return [kind, ...figures.map(figure)].join(" ");
}

/**
 * A space drawn in steps: the corners are tapped in order, and items are added by a tap or a drag. The text beside it
 * says the same in numbers. The form sends the text, which works without the drawing.
 */
export function SpaceSketch({
  outline,
  own,
  corners,
  setCorners,
  stands,
  setStands,
}: {
  /** The outline to draw when no corners are tapped, steps. */
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
  const scale = scaleOf(drawn, own ? 1 : 0);
  const { px } = scale;
  const place = (event: { clientX: number; clientY: number }) =>
    scale.place(event, svg.current!.getBoundingClientRect());
  const put = (one: Point, other: Point) => {
    if (using !== "corner") return setStands(addLine(stands, standLine(using, one, other)));
    const last = tapped[tapped.length - 1];
    if (!last || last.x !== other.x || last.y !== other.y)
      setCorners(addLine(corners, `${figure(other.x)} ${figure(other.y)}`));
  };
  return (
    <div className="grid gap-2">
      <Tools own={own} using={using} use={setTool} />
      <svg
        ref={svg}
        viewBox={`0 0 ${scale.wide} ${scale.tall.toFixed(0)}`}
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
          <SketchDrawing scale={scale} drawn={drawn} corners={own ? tapped : null} things={things} />
          <path
            d={`M${px(at.x) - 8} ${px(at.y)}h16M${px(at.x)} ${px(at.y) - 8}v16`}
            stroke="var(--color-mustard)"
            strokeWidth="2"
            className="opacity-0 group-focus-visible:opacity-100"
          />
        </g>
      </svg>
      <TakeBack
        corners={own && tapped.length > 0 ? corners : null}
        setCorners={setCorners}
        stands={stands}
        setStands={setStands}
      />
    </div>
  );
}
/** The name of a word in the text: an item, a corner, or an area with another floor. */
const nameOf = (word: string) =>
  (FLOORS as readonly string[]).includes(word)
    ? say("sketch.patch", { floor: say(`floor.${word}`) })
    : word === "corner" || (OBSTACLES as readonly string[]).includes(word)
      ? say(`sketch.tool.${word}`)
      : word;

function Tools({ own, using, use }: { own: boolean; using: string; use: (tool: string) => void }) {
  return (
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
              onChange={() => use(text)}
            />
            {nameOf(text)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Buttons that remove the last corner and each obstacle. */
function TakeBack({
  corners,
  setCorners,
  stands,
  setStands,
}: {
  /** Null if there is no corner to take back. */
  corners: string | null;
  setCorners: (text: string) => void;
  stands: string;
  setStands: (text: string) => void;
}) {
  const lines = stands.split("\n").filter((line) => line.trim() !== "");
  return (
    <div className="flex flex-wrap gap-2">
      {corners !== null && (
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
          onClick={() => setStands(lines.filter((_, k) => k !== i).join("\n"))}
        >
          {say("sketch.takeAway", { what: nameOf(line.trim().split(/\s+/)[0] ?? ""), number: i + 1 })}
        </button>
      ))}
    </div>
  );
}
