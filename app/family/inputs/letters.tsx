import type { AskOf, Spelled } from "#core/asks/ask.ts";
import type { PartOf } from "#core/yard/parts.ts";
import { say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import { speak } from "../use-device.ts";
import { Big } from "./big.tsx";
import type { InputProps } from "./input.ts";

/** Cards so near each other along, metres, are one row. */
const ROW = 0.4;
/** The word so far: letters that are found, and those to come only where they may be read. */
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
      <span className="flex gap-1.5" aria-hidden="true">
        {spell.signs.map((s, i) => (
          <span
            key={`${i + 1}`}
            className={`grid min-h-11 min-w-9 place-items-center rounded-sm border-b-4 px-1 text-2xl font-bold uppercase short:min-h-8 ${i === spell.at ? "border-night bg-mustard text-night" : i < spell.at ? "border-court bg-mint text-night" : "border-ink/40"}`}
          >
            {reads || i < spell.at ? s : ""}
          </span>
        ))}
      </span>
    </div>
  );
}

/** A word that is written down, and then it is done. */
export const Written = ({ spell, act }: InputProps<AskOf<"task">> & { spell: Spelled }) => (
  <>
    <Prompt spell={spell} />
    <Big text={say("play.done")} press={() => act({ kind: "task" })} />
  </>
);

/** The cards as they stand, far ones above: tap the one that was hit, or gone to. */
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
    .filter((p): p is PartOf<"target"> => p.kind === "target" && among.includes(p.id))
    .sort((a, b) => Math.round((b.along - a.along) / ROW) || a.across - b.across);
  return (
    <>
      <Prompt spell={spell} />
      <div className="grid grow grid-cols-5 gap-1.5">
        {cards.map((c) => (
          <button
            key={c.id}
            type="button"
            className="min-h-14 rounded-lg border-[3px] border-night bg-mint px-1 text-2xl leading-none font-bold text-night uppercase active:scale-[0.97] short:min-h-9"
            onClick={() => tap(c.id)}
          >
            {c.sign ?? c.label}
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
