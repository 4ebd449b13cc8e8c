import { useEffect, useState } from "react";
import type { AimOf, AskOf } from "#core/asks/ask.ts";
import type { PartOf } from "#core/yard/parts.ts";
import { say, targetName } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { InputProps } from "./input.ts";

/** Half the width of a drawn pin, pixels. */
const PIN = 22;

/** A pin, standing or fallen. */
const Pin = ({ fell }: { fell: boolean }) => (
  <svg viewBox="0 0 44 44" width={2 * PIN} height={2 * PIN} aria-hidden="true">
    <g transform={fell ? "rotate(78 22 30)" : undefined}>
      <path
        d="M18 6h8v7c5 4 6 8 6 14v11H12V27c0-6 1-10 6-14z"
        fill={fell ? "var(--color-mustard)" : "var(--color-mint)"}
        stroke="var(--color-night)"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
    </g>
  </svg>
);

/** The pins as they stand, far ones at the top. The player taps those that fell, or says that all fell, or how many. */
export default function Fall({ aim, act, data }: InputProps<AskOf<"send">> & { aim: AimOf<"fall"> }) {
  const [fell, setFell] = useState<readonly string[]>([]);
  const [counting, setCounting] = useState(false);
  const key = aim.standing.map((spot) => spot.id).join(" ");
  // For the next roll, nothing is marked.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says what stands
  useEffect(() => setFell([]), [key]);
  const many = aim.standing.length;
  const toggle = (id: string) => setFell(fell.includes(id) ? fell.filter((text) => text !== id) : [...fell, id]);
  const along = aim.standing.map((spot) => spot.along);
  const across = aim.standing.map((spot) => spot.across);
  const [near, far] = [Math.min(...along), Math.max(...along)];
  const half = Math.max(0.1, ...across.map(Math.abs));
  const at = (s: { along: number; across: number }) => ({
    left: `${50 + (s.across / half) * 38}%`,
    top: far === near ? "50%" : `${20 + ((far - s.along) / (far - near)) * 60}%`,
  });
  // Targets that count when they are touched, each with its picture.
  const { touched } = aim;
  const thing = (id: string) => {
    const part = data.card.parts.find((eachPart) => eachPart.kind === "target" && eachPart.id === id);
    return part?.kind === "target" ? part : undefined;
  };
  const nameOf = (id: string, i: number) => {
    const target = touched && thing(id);
    return target ? targetName(target) : say("play.pin", { number: i + 1 });
  };
  // If only a number was recorded, nobody knows which pins still stand, so the next answer can only be a number.
  const known = aim.known !== false;
  return (
    <>
      {known && !counting && (
        <WhichFell touched={touched} aim={aim} at={at} fell={fell} toggle={toggle} nameOf={nameOf} thing={thing} />
      )}
      {counting || !known ? (
        <div className="grid grow grid-cols-4 gap-2" role="group" aria-label={say("play.howManyFell")}>
          {Array.from({ length: many + 1 }, (_, n) => (
            <button
              key={`n${n + 1}`}
              type="button"
              className="min-h-12 rounded-sm border-[3px] border-night bg-mint text-2xl font-bold text-night"
              onClick={() => act({ kind: "send", fell: n })}
            >
              {n}
            </button>
          ))}
        </div>
      ) : (
        <button
          type="button"
          className="min-h-14 rounded-full border-[3px] border-night bg-mustard text-2xl font-bold text-night disabled:border-dashed disabled:bg-transparent disabled:text-lg disabled:text-ink short:min-h-11"
          disabled={fell.length === 0}
          onClick={() => act({ kind: "send", fell: [...fell].sort() })}
        >
          {fell.length === 0
            ? say(touched ? "play.tapTouched" : "play.tapFell")
            : say(touched ? "play.touchedCount" : "play.fellCount", { count: fell.length })}
        </button>
      )}
      <div className="grid auto-cols-fr grid-flow-col gap-2.5">
        {known && !counting && (
          <button
            type="button"
            className="btn min-h-12 px-1 text-lg leading-tight short:min-h-9"
            onClick={() => act({ kind: "send", fell: [] })}
          >
            {say(touched ? "play.noneTouched" : "play.noneFell")}
          </button>
        )}
        <button
          type="button"
          className="btn min-h-12 px-1 text-lg leading-tight short:min-h-9"
          onClick={() => act({ kind: "send", fell: many })}
        >
          {say("play.allFell")}
        </button>
        {known && !touched && (
          <button
            type="button"
            className="btn min-h-12 px-1 text-lg leading-tight short:min-h-9"
            aria-pressed={counting}
            onClick={() => setCounting(!counting)}
          >
            {say("play.byNumber")}
          </button>
        )}
      </div>
    </>
  );
}

/** Draws the pins as they stand. Players tap those that fell. */
const WhichFell = ({
  touched,
  aim,
  at,
  fell,
  toggle,
  nameOf,
  thing,
}: {
  touched: true | undefined;
  aim: AimOf<"fall">;
  at: (s: { along: number; across: number }) => { left: string; top: string };
  fell: readonly string[];
  toggle: (id: string) => void;
  nameOf: (id: string, i: number) => string;
  thing: (id: string) => PartOf<"target"> | undefined;
}) => (
  <div
    role="group"
    aria-label={say(touched ? "play.whichTouched" : "play.whichFell")}
    className="relative mx-auto min-h-36 w-full max-w-96 grow rounded-md short:min-h-28 flat:min-h-24 border-2 border-night bg-court"
  >
    {aim.standing.map((spot, i) => (
      <label
        key={spot.id}
        className="absolute grid size-11 -translate-1/2 cursor-pointer place-items-center has-focus-visible:outline-3"
        style={at(spot)}
      >
        <input
          type="checkbox"
          className="sr-only"
          checked={fell.includes(spot.id)}
          onChange={() => toggle(spot.id)}
          aria-label={nameOf(spot.id, i)}
        />
        {touched ? (
          <span
            className={`grid size-11 place-items-center rounded-full border-2 border-night text-night ${fell.includes(spot.id) ? "bg-mustard" : "bg-mint"}`}
          >
            <ItemDrawing item={thing(spot.id)?.item ?? ""} size={28} />
          </span>
        ) : (
          <Pin fell={fell.includes(spot.id)} />
        )}
      </label>
    ))}
  </div>
);
