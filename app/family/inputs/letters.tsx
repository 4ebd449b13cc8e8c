import type { AskOf, Spelled } from "#core/asks/ask.ts";
import type { PartOf } from "#core/yard/parts.ts";
import { say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import { speak } from "../play/sounds.ts";
import { Big } from "./big.tsx";
import type { InputProps } from "./input.ts";

/** Letter cards whose distances differ by less than this form one row, metres. */
const ROW = 0.4;
/** One letter card, in chalk. The one to hit next is circled like a target. Letters already found are underlined. */
function Chalked({ sign, state, lean }: { sign: string; state: "asked" | "found" | "later"; lean: number }) {
  const wide = Math.max(40, 16 + 15 * sign.length);
  return (
    <svg
      aria-hidden="true"
      viewBox={`${-wide / 2} -24 ${wide} 48`}
      style={{ width: `${wide / 16}rem` }}
      className="h-12 short:h-9"
    >
      {state === "asked" && (
        <ellipse rx={wide / 2 - 2} ry="22" fill="none" stroke="var(--color-mustard)" strokeWidth="3" />
      )}
      <g
        transform={`rotate(${3 * lean})`}
        fill="none"
        stroke="var(--color-chalk)"
        strokeOpacity={state === "later" ? 0.5 : 1}
        strokeWidth="1.5"
        strokeLinecap="round"
      >
        {state !== "asked" && (
          <path d={`M${-wide / 2 + 5} 17H${wide / 2 - 5}`} strokeWidth={state === "found" ? 3 : 1.5} />
        )}
        <text
          y="8"
          textAnchor="middle"
          fontSize="23"
          fontWeight="700"
          stroke="none"
          fill={state === "asked" ? "var(--color-mustard)" : "var(--color-chalk)"}
        >
          {sign.toUpperCase()}
        </text>
      </g>
    </svg>
  );
}

/** The word so far. Letters still to come are shown only if the child may read them. */
function Prompt({ spell }: { spell: Spelled }) {
  const reads = spell.show === "word";
  return (
    <div className="flex flex-wrap items-center gap-3">
      {spell.show === "picture" && <ItemDrawing item={spell.prompt} size={64} />}
      {spell.show === "prompt" && <span className="text-3xl font-bold">{spell.prompt}</span>}
      {spell.show === "voice" && (
        <button type="button" className="btn min-h-11" onClick={() => speak(spell.prompt)}>
          {say("play.hear")}
        </button>
      )}
      <span className="sr-only">{say("play.spelled", { letter: spell.at + 1, letters: spell.signs.length })}</span>
      <span className="flex flex-wrap gap-2 rounded-md bg-night px-3 py-2 short:py-1" aria-hidden="true">
        {spell.signs.map((sign, i) => (
          <Chalked
            key={`${i + 1}`}
            sign={reads || i < spell.at ? sign : ""}
            state={i === spell.at ? "asked" : i < spell.at ? "found" : "later"}
            lean={i % 2 === 0 ? -1 : 1}
          />
        ))}
      </span>
    </div>
  );
}

/** A word that the child writes down, and then confirms. */
export const Written = ({ spell, act }: InputProps<AskOf<"task">> & { spell: Spelled }) => (
  <>
    <Prompt spell={spell} />
    <Big text={say("play.done")} press={() => act({ kind: "task" })} />
  </>
);

/** The letter cards as they stand, far ones at the top. The player taps the one that was hit, or reached. */
export default function Letters({
  among,
  spell,
  data,
  tap,
  miss = false,
}: Pick<InputProps, "data"> & {
  among: readonly string[];
  spell: Spelled;
  tap: (id: string | null) => void;
  miss?: boolean;
}) {
  const cards = data.card.parts
    .filter((part): part is PartOf<"target"> => part.kind === "target" && among.includes(part.id))
    .sort((a, b) => Math.round((b.along - a.along) / ROW) || a.across - b.across);
  return (
    <>
      <Prompt spell={spell} />
      <div className="grid grow grid-cols-5 gap-1.5">
        {cards.map((card) => (
          <button
            key={card.id}
            type="button"
            className="min-h-14 rounded-sm border-2 border-chalk bg-court px-1 text-2xl leading-none font-bold text-chalk uppercase shadow-[0_0_0_3px_var(--color-court)] active:scale-[0.97] short:min-h-9"
            onClick={() => tap(card.id)}
          >
            {card.sign ?? card.label}
          </button>
        ))}
      </div>
      {miss && (
        <button
          type="button"
          className="min-h-14 rounded-md border-4 border-night bg-rose text-2xl font-bold text-night active:scale-[0.98] short:min-h-10"
          onClick={() => tap(null)}
        >
          {say("play.miss")}
        </button>
      )}
    </>
  );
}
