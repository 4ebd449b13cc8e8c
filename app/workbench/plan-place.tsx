import {
  type PointerEvent,
  type ReactNode,
  type RefObject,
  useCallback,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import { MAX_ZOOM, type PlanScale, type Room, USUAL_ROOM, WIDTH } from "./scale.ts";

/** How far the pointer moves on the empty court before it drags the plan, pixels. */
const DRAGGED = 3;
/** A place is brought into sight when it is nearer to the edge than this, pixels: one just chosen, and one just moved. */
const NEAR_EDGE = { chosen: 70, moved: 14 } as const;

/** What is seen of the plan: its place on the page, and how far it is zoomed. */
export interface PlanView {
  box: RefObject<HTMLDivElement | null>;
  plan: RefObject<HTMLDivElement | null>;
  tape: RefObject<HTMLDivElement | null>;
  room: Room;
  /** False until the place is measured, which needs the script. */
  measured: boolean;
  /** A step of `zoomsOf`. */
  zoom: number;
  zoomBy: (steps: 1 | -1) => void;
  /** Back to the size that fits the game as it is now. */
  refit: () => void;
  /** Counts how often `refit` was asked for. */
  fitted: number;
}

export function usePlanView(): PlanView {
  const box = useRef<HTMLDivElement>(null);
  const plan = useRef<HTMLDivElement>(null);
  const tape = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<Room | null>(null);
  const [zoom, setZoom] = useState(0);
  const [fitted, setFitted] = useState(0);
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    const measure = () => {
      const { width, height } = element.getBoundingClientRect();
      // It is not shown yet.
      if (width === 0 || height === 0) return;
      // Nothing is drawn for less than the usual width; on a narrow page the picture is smaller.
      const unit = Math.max(1, WIDTH / Math.max(1, width));
      const next = { wide: Math.round(width * unit), tall: Math.floor(height * unit) };
      setRoom((was) => (was?.wide === next.wide && was.tall === next.tall ? was : next));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const zoomBy = useCallback((steps: 1 | -1) => setZoom((was) => Math.max(-1, Math.min(MAX_ZOOM, was + steps))), []);
  const refit = useCallback(() => {
    setZoom(0);
    setFitted((count) => count + 1);
  }, []);
  return { box, plan, tape, room: room ?? USUAL_ROOM, measured: room !== null, zoom, zoomBy, refit, fitted };
}

/** Scrolls the plan so that a place is in its middle, if it is nearer to the edge than `edge`, pixels. */
function show(plan: HTMLElement | null, [x, y]: readonly [number, number], edge = Number.POSITIVE_INFINITY) {
  if (!plan) return;
  const out = (at: number, from: number, size: number) => at < from + edge || at > from + size - edge;
  if (out(x, plan.scrollLeft, plan.clientWidth)) plan.scrollLeft = x - plan.clientWidth / 2;
  if (out(y, plan.scrollTop, plan.clientHeight)) plan.scrollTop = y - plan.clientHeight / 2;
}

/**
 * Keeps the middle of the game, or the chosen place, in sight when the scale or the choice changes, and a place that
 * was moved once it lies still. `settled` changes with every change that is done.
 */
export function useInSight(
  { plan, room, zoom, measured }: PlanView,
  scale: PlanScale,
  at: { id: string; along: number; across: number } | null,
  settled: unknown,
): void {
  const { k, width, height } = scale;
  const now = useRef({ scale, at, zoom, room });
  now.current = { scale, at, zoom, room };
  const go = useCallback(
    (why: "scaled" | "chosen" | "moved") => {
      const element = plan.current;
      if (!element) return;
      const { scale: s, at: a, zoom: z, room: r } = now.current;
      const unit = element.clientWidth / r.wide;
      const place = a && ([s.x(a.along) * unit, s.y(a.across) * unit] as const);
      if (why === "moved") place && show(element, place, NEAR_EDGE.moved);
      else if (place && z > 0) show(element, place, why === "chosen" ? NEAR_EDGE.chosen : undefined);
      else if (why === "scaled") show(element, [0, s.y(0) * unit]);
    },
    [plan],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new scale moves the view
  useLayoutEffect(() => go("scaled"), [go, k, width, height, measured]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only another choice does, never a drag
  useLayoutEffect(() => go("chosen"), [go, at?.id]);
  const first = useRef(settled);
  useLayoutEffect(() => {
    if (settled !== first.current) go("moved");
    first.current = settled;
  }, [go, settled]);
}

/**
 * The place of the plan: as high as the page allows, always of the same size whatever is drawn in it. What does not
 * fit is scrolled, or moved by dragging the empty court. The tape below is scrolled along with it.
 */
export function PlanPlace({
  view,
  scale,
  still,
  foot,
  children,
}: {
  view: PlanView;
  scale: PlanScale;
  /** What is drawn fits by its height, as the side view does. */
  still: boolean;
  foot: ReactNode;
  children: ReactNode;
}) {
  const from = useRef<{ x: number; y: number; left: number; top: number } | null>(null);
  const take = (event: PointerEvent<HTMLDivElement>) => {
    const { plan } = view;
    const free = !(event.target as Element).closest("[role=button], [role=slider], [data-frame], .cursor-pointer");
    // A finger scrolls by itself.
    if (!plan.current || event.pointerType !== "mouse" || event.button !== 0 || !free) return;
    from.current = { x: event.clientX, y: event.clientY, left: plan.current.scrollLeft, top: plan.current.scrollTop };
  };
  const drag = (event: PointerEvent<HTMLDivElement>) => {
    const [start, plan] = [from.current, view.plan.current];
    if (!start || !plan) return;
    if (event.buttons === 0) {
      from.current = null;
      return;
    }
    const [dx, dy] = [event.clientX - start.x, event.clientY - start.y];
    if (Math.hypot(dx, dy) < DRAGGED) return;
    plan.scrollLeft = start.left - dx;
    plan.scrollTop = start.top - dy;
  };
  return (
    <div ref={view.box} className="plan-box on-court relative overflow-hidden rounded-md bg-court">
      <div
        ref={view.plan}
        className="plan-scroll h-full w-full overflow-auto"
        onScroll={(event) => alike(event.currentTarget, view)}
        onPointerDown={take}
        onPointerMove={drag}
        onPointerUp={() => {
          from.current = null;
        }}
      >
        <div
          className="relative"
          style={
            view.measured
              ? {
                  width: `${(100 * scale.width) / view.room.wide}%`,
                  aspectRatio: `${scale.width} / ${still ? view.room.tall : scale.height}`,
                }
              : { height: "100%" }
          }
        >
          {children}
        </div>
      </div>
      {foot}
    </div>
  );
}

/** Scrolls plan and tape alike. */
function alike(moved: HTMLElement, { plan, tape, room }: PlanView): void {
  for (const other of [plan.current, tape.current])
    if (other && other !== moved && other.scrollLeft !== moved.scrollLeft) other.scrollLeft = moved.scrollLeft;
  tape.current?.style.setProperty("--left", String((moved.scrollLeft * room.wide) / moved.clientWidth));
}

/** The place of the tape, as wide as the plan. */
export function TapePlace({
  view,
  scale,
  tall,
  children,
}: {
  view: PlanView;
  scale: PlanScale;
  /** The height of the tape, pixels. */
  tall: number;
  children: ReactNode;
}) {
  return (
    <div
      ref={view.tape}
      className="plan-scroll mt-1 w-full overflow-x-auto overflow-y-hidden"
      style={{ aspectRatio: `${WIDTH} / ${tall}`, maxHeight: tall }}
      onScroll={(event) => alike(event.currentTarget, view)}
    >
      <div className="h-full" style={{ width: view.measured ? `${(100 * scale.width) / view.room.wide}%` : "100%" }}>
        {children}
      </div>
    </div>
  );
}
