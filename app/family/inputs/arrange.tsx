import { useRef, useState } from "react";
import { type AskOf, arranged, type Spot } from "#core/asks/ask.ts";
import { itemName, say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { InputProps } from "./input.ts";

/** The distance of one press of an arrow key, metres. */
const NUDGE = 0.05;
const cm = (metres: number) => Math.round(metres * 100);

/**
 * The targets that the child sets up inside the marked area: pins, or the targets of a game. They are dragged, moved
 * with the arrow keys, or typed in centimetres. Far is at the top.
 */
export default function Arrange({ ask, data, act }: InputProps<AskOf<"arrange">>) {
  const [spots, setSpots] = useState<readonly Spot[]>(ask.spots);
  const [chosen, choose] = useState(0);
  const area = useRef<HTMLDivElement>(null);
  const { things } = ask;
  const marked = data.card.parts.find((part) => part.kind === "court" && part.id === ask.field);
  if (marked?.kind !== "court") return null;
  // A target may have been placed outside the area. It is shown too.
  const edge = (f: (spot: Spot) => number, pick: (...n: number[]) => number, at: number) =>
    pick(at, ...ask.spots.map(f));
  const near = edge((spot) => spot.along - ask.size / 2, Math.min, marked.along - marked.depth / 2);
  const far = edge((spot) => spot.along + ask.size / 2, Math.max, marked.along + marked.depth / 2);
  const left = edge((spot) => spot.across - ask.size / 2, Math.min, marked.across - marked.width / 2);
  const right = edge((spot) => spot.across + ask.size / 2, Math.max, marked.across + marked.width / 2);
  const court = { along: (near + far) / 2, across: (left + right) / 2, depth: far - near, width: right - left };
  const sizeOf = (i: number) => things?.[i]?.size ?? ask.size;
  const held = (spot: Spot, i: number): Spot => {
    const half = sizeOf(i) / 2;
    return {
      ...spot,
      along: Math.min(far - half, Math.max(near + half, spot.along)),
      across: Math.min(right - half, Math.max(left + half, spot.across)),
    };
  };
  const put = (i: number, along: number, across: number) =>
    setSpots((all) => all.map((spot, k) => (k === i ? held({ id: spot.id, along, across }, i) : spot)));
  const place = (spot: Spot, i: number) => ({
    left: `${((spot.across - court.across) / court.width + 0.5) * 100}%`,
    top: `${(0.5 - (spot.along - court.along) / court.depth) * 100}%`,
    width: `${Math.max(7, (sizeOf(i) / court.width) * 100)}%`,
  });
  const drag = (i: number) => (event: React.PointerEvent) => {
    if (event.buttons === 0 || !area.current) return;
    const box = area.current.getBoundingClientRect();
    put(
      i,
      court.along + (0.5 - (event.clientY - box.top) / box.height) * court.depth,
      court.across + ((event.clientX - box.left) / box.width - 0.5) * court.width,
    );
  };
  const keys = (spot: Spot, i: number) => (event: React.KeyboardEvent) => {
    const by = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    put(i, spot.along + by[0]! * NUDGE, spot.across + by[1]! * NUDGE);
  };
  const nameOf = (spot: Spot, i: number) =>
    things
      ? say("setOut.at", {
          number: i + 1,
          what: things[i]!.label || itemName(things[i]!.item),
          far: cm(spot.along),
          aside: cm(spot.across),
        })
      : say("play.pinAt", { number: i + 1, cm: cm(spot.across - court.across), far: cm(spot.along - court.along) });
  const at = spots[chosen];
  const typed = (along: string, across: string) => {
    const [far, aside] = [Number(along), Number(across)];
    if (along !== "" && across !== "" && Number.isFinite(far) && Number.isFinite(aside))
      put(chosen, far / 100, aside / 100);
  };
  return (
    <>
      <p className="font-semibold">{say(things ? "setOut.how" : "play.arrange")}</p>
      {data.card.activity.setOut?.farther && things && <p>{say("setOut.farther")}</p>}
      <Area
        area={area}
        court={court}
        spots={spots}
        nameOf={nameOf}
        things={things}
        chosen={chosen}
        place={place}
        choose={choose}
        drag={drag}
        keys={keys}
      />
      {things && at && <TypedPlace nameOf={nameOf} at={at} chosen={chosen} typed={typed} />}
      <button
        type="button"
        className="btn btn-main min-h-14 short:min-h-10 text-2xl"
        onClick={() => act(arranged(spots))}
      >
        {say("play.theyStand")}
      </button>
    </>
  );
}

/** Draws the area from above. Each item can be dragged in it. */
const Area = ({
  area,
  court,
  spots,
  nameOf,
  things,
  chosen,
  place,
  choose,
  drag,
  keys,
}: {
  area: React.RefObject<HTMLDivElement | null>;
  court: { along: number; across: number; depth: number; width: number };
  spots: readonly Spot[];
  nameOf: (spot: Spot, i: number) => string;
  things: InputProps<AskOf<"arrange">>["ask"]["things"];
  chosen: number;
  place: (spot: Spot, i: number) => { left: string; top: string; width: string };
  choose: (value: number) => void;
  drag: (i: number) => (event: React.PointerEvent) => void;
  keys: (spot: Spot, i: number) => (event: React.KeyboardEvent) => void;
}) => (
  <div
    ref={area}
    className="relative mx-auto w-full max-w-72 touch-none rounded-md border-2 border-night bg-court short:max-w-44"
    style={{ aspectRatio: `${court.width} / ${court.depth}`, maxHeight: "42vh" }}
  >
    {spots.map((spot, i) => (
      <button
        key={spot.id}
        type="button"
        aria-label={nameOf(spot, i)}
        className={`absolute grid aspect-square min-w-8 -translate-1/2 cursor-grab place-items-center rounded-full border-2 border-night text-sm font-bold text-night ${things && i === chosen ? "bg-mustard" : "bg-mint"}`}
        style={place(spot, i)}
        onPointerDown={(event) => {
          choose(i);
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onFocus={() => choose(i)}
        onPointerMove={drag(i)}
        onKeyDown={keys(spot, i)}
      >
        {things ? (
          <span aria-hidden="true" className="relative grid place-items-center">
            <ItemDrawing item={things[i]!.item} size={22} />
            <span className="absolute -right-2 -bottom-1 rounded-sm bg-page px-0.5 text-[10px] leading-3">{i + 1}</span>
          </span>
        ) : (
          i + 1
        )}
      </button>
    ))}
  </div>
);

/** Fields for typing the place of the selected item. */
const TypedPlace = ({
  nameOf,
  at,
  chosen,
  typed,
}: {
  nameOf: (spot: Spot, i: number) => string;
  at: Spot;
  chosen: number;
  typed: (along: string, across: string) => void;
}) => (
  <fieldset className="flex items-end justify-center gap-3">
    <legend className="sr-only">{nameOf(at, chosen)}</legend>
    <span className="pb-2 text-lg font-bold">{chosen + 1}</span>
    {(["far", "aside"] as const).map((which) => (
      <label key={which} className="grid text-sm">
        {say(`setOut.${which}`)}
        <input
          inputMode="numeric"
          key={`${chosen} ${cm(at.along)} ${cm(at.across)}`}
          className="w-28"
          defaultValue={cm(which === "far" ? at.along : at.across)}
          onBlur={(event) =>
            which === "far"
              ? typed(event.target.value, String(cm(at.across)))
              : typed(String(cm(at.along)), event.target.value)
          }
        />
      </label>
    ))}
  </fieldset>
);
