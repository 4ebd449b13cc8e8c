import { Check } from "lucide-react";
import { mirrored } from "#core/aim/starters.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { say } from "../words/say.ts";
import type { CardData, Ticks } from "./card-app.tsx";

interface Thing {
  id: string;
  item: string;
  name: string;
  note?: string;
}

/** What to fetch, by what it is for. */
function things({ card }: CardData): { title: string; list: Thing[] }[] {
  const a = card.activity;
  const named = (item: string, id: string, name = say(`item.${item}`)): Thing => ({ id, item, name });
  const targets = card.parts.flatMap((p) => (p.kind === "target" ? [named(p.item, p.id, p.label)] : []));
  const send = {
    ...named(a.kit.send, "send"),
    note: card.needs.pieces > 1 ? say("fetch.pieces", { count: card.needs.pieces }) : undefined,
  };
  return [
    { title: say("fetch.send"), list: [send] },
    { title: say("fetch.targets"), list: targets },
    { title: say("fetch.marker"), list: [named(a.kit.marker, "marker")] },
    { title: say("fetch.blocker"), list: card.needs.blocker ? [named(a.kit.blocker, "blocker")] : [] },
  ].filter((g) => g.list.length > 0);
}

export function FetchScreen({ data, ticks, setTicks }: { data: CardData; ticks: Ticks; setTicks: (t: Ticks) => void }) {
  const has = (id: string) => ticks.have.includes(id);
  const turn = (id: string) =>
    setTicks({ ...ticks, have: has(id) ? ticks.have.filter((x) => x !== id) : [...ticks.have, id] });
  const { cues } = data.card.activity;
  return (
    <>
      <h1 className="mb-3 text-3xl">{say("fetch.title")}</h1>
      {things(data).map((g) => (
        <section key={g.title} className="mb-4">
          <h2 className="mb-2 text-lg">{g.title}</h2>
          <ul className="grid grid-cols-2 gap-2.5">
            {g.list.map((t) => (
              <li key={t.id}>
                <button
                  type="button"
                  aria-pressed={has(t.id)}
                  aria-label={[say("fetch.have", { item: t.name }), t.note].filter(Boolean).join(", ")}
                  onClick={() => turn(t.id)}
                  className={`relative grid min-h-28 w-full justify-items-center gap-1 rounded-md border-2 p-3 ${has(t.id) ? "border-teal bg-mint/30" : "border-ink bg-raised"}`}
                >
                  <ItemDrawing item={t.item} size={60} />
                  <span className="text-lg leading-tight font-semibold">{t.name}</span>
                  {t.note && <span className="text-sm text-quiet">{t.note}</span>}
                  {has(t.id) && (
                    <span className="absolute top-1.5 right-1.5 grid size-7 place-items-center rounded-full bg-teal text-white">
                      <Check size={20} strokeWidth={3} aria-hidden="true" />
                    </span>
                  )}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {cues.length > 0 && (
        <section>
          <h2 className="mb-2 text-lg">{say("fetch.cues")}</h2>
          <ol className="grid gap-1.5 text-lg">
            {cues.map((c, i) => (
              <li key={c.id} className="flex gap-3">
                <span className="font-head font-bold text-teal">{i + 1}</span>
                {data.card.leftHanded ? mirrored(c.text) : c.text}
              </li>
            ))}
          </ol>
        </section>
      )}
    </>
  );
}
