import { forwardRef, type Ref } from "react";
import type { Action } from "#core/actions/actions.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import type { ScoreUnit } from "#core/records/score-text.ts";
import type { Seen } from "#core/rehearsal/at.ts";
import type { RehearsalChild } from "#server/activities/rehearsal.ts";
import { tell, tellScore } from "#words/tell.ts";
import { MiniPlan, planScale } from "../ui/mini-plan.tsx";

/** A picture's own size, pixels; it is shown as large as its place. */
export const SIZE = { width: 240, height: 100 } as const;

/** One home's yard from above, with what moves in it on a sheet of its own over it. */
export const Tile = forwardRef(function Tile(
  {
    of: rehearsalChild,
    seen,
    unit,
    action,
    picked,
    onPick,
    moving,
  }: {
    of: RehearsalChild;
    seen: Seen | null;
    unit: ScoreUnit;
    action: Action;
    picked: boolean;
    onPick: () => void;
    moving: boolean;
  },
  canvas: Ref<HTMLCanvasElement>,
) {
  const doing = seen === null ? "drawn" : seen.stuck && seen.doing !== "done" ? "stuck" : seen.doing;
  return (
    <button
      type="button"
      aria-pressed={picked}
      onClick={onPick}
      className={`block w-full rounded-md border-2 p-1 text-left ${picked ? "border-plum" : "border-transparent"}`}
    >
      <span className="relative block" aria-hidden="true">
        <MiniPlan
          parts={layoutOf(rehearsalChild.activity)}
          space={rehearsalChild.activity.space}
          className="block w-full"
        />
        {moving && (
          <canvas
            ref={canvas}
            width={2 * SIZE.width}
            height={2 * SIZE.height}
            className="absolute inset-0 h-full w-full"
          />
        )}
      </span>
      <span className="flex items-baseline justify-between gap-2 px-0.5 text-sm">
        <span className="truncate font-semibold">{rehearsalChild.name}</span>
        <span className="whitespace-nowrap">{seen?.value != null && tellScore(seen.value, unit, action)}</span>
      </span>
      <span className={`block px-0.5 text-sm ${doing === "stuck" ? "font-bold text-coral-ink" : "text-quiet"}`}>
        {tell(`rehearsal.${doing}`)}
      </span>
    </button>
  );
});

/** Draws what moves: the child, what it sent, what lies about. */
export function drawSeen(canvas: HTMLCanvasElement, seen: Seen, space: { length: number; width: number }): void {
  const pen = canvas.getContext("2d");
  if (!pen) return;
  const scale = canvas.width / SIZE.width;
  const { x, y } = planScale(space);
  pen.setTransform(scale, 0, 0, scale, 0, 0);
  pen.clearRect(0, 0, SIZE.width, SIZE.height);
  const style = getComputedStyle(canvas);
  const paint = (name: string) => style.getPropertyValue(`--color-${name}`);
  // What flies far is drawn at the edge.
  const inside = (value: number, most: number) => Math.max(3, Math.min(most - 3, value));
  const dot = (p: { along: number; across: number }, r: number, fill: string, edge?: string) => {
    pen.beginPath();
    pen.arc(inside(x(p.along), SIZE.width), inside(y(p.across), SIZE.height), r, 0, 2 * Math.PI);
    pen.fillStyle = fill;
    pen.fill();
    if (!edge) return;
    pen.lineWidth = 1.5;
    pen.strokeStyle = edge;
    pen.stroke();
  };
  for (const place of seen.lying) dot(place, 2.5, paint("straw"));
  dot({ along: seen.child.along - 0.15, across: seen.child.across }, 5, paint("chalk"), paint("night"));
  if (seen.piece) dot(seen.piece, 3.5, paint("mustard"), paint("night"));
}
