import { Minus } from "lucide-react";
import { useMemo, useState } from "react";
import { MOST_OF_ONE, ROOMS } from "#core/things/item.ts";
import { itemName, namesOf, say } from "#words/say.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import type { PartProps } from "./survey-part.ts";

/** By room; a tap adds one. */
export function Things({ answers, items, typed, ready, changed }: PartProps) {
  const names = useMemo(() => namesOf(items), [items]);
  const begin = () => {
    const out: Record<string, string> = {};
    for (const [id, n] of Object.entries(answers.kit ?? {})) out[id] = String(n);
    for (const [k, v] of Object.entries(typed ?? {})) if (k.startsWith("kit.")) out[k.slice(4)] = v;
    return out;
  };
  const [counts, setCounts] = useState<Record<string, string>>(begin);
  const set = (id: string, n: number) => {
    setCounts((c) => ({ ...c, [id]: String(Math.min(MOST_OF_ONE, Math.max(0, n))) }));
    changed?.();
  };
  // What most homes have comes first, so that two minutes are enough.
  const asked = items.filter((i) => !i.made && !i.always).sort((a, b) => b.homes - a.homes);
  return (
    <>
      <h1 className="text-2xl">{say("survey.things")}</h1>
      <p className="mb-2 text-quiet">{say("survey.thingsHint")}</p>
      {ROOMS.filter((r) => r !== "made").map((room) => (
        <section key={room} className="mb-4">
          <h2 className="mb-1.5 text-lg">{say(`room.${room}`)}</h2>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-2">
            {asked
              .filter((i) => i.room === room)
              .map((i) => {
                const name = itemName(i.id, names);
                const n = Number(counts[i.id] ?? 0) || 0;
                return (
                  <li key={i.id} className="relative">
                    {ready ? (
                      <>
                        <input type="hidden" name={`kit.${i.id}`} value={counts[i.id] ?? ""} />
                        <button
                          type="button"
                          aria-label={
                            n > 0 ? say("survey.moreOf", { item: name, count: n }) : say("survey.more", { item: name })
                          }
                          className={`grid min-h-25 w-full justify-items-center gap-0.5 rounded-md border-2 p-1.5 ${n > 0 ? "border-teal bg-mint/30" : "border-hair bg-raised"}`}
                          onClick={() => set(i.id, n + 1)}
                        >
                          <ItemDrawing item={i.id} size={46} />
                          <span className="text-sm leading-tight">{name}</span>
                        </button>
                        {n > 0 && (
                          <span
                            aria-hidden="true"
                            className="pointer-events-none absolute top-1 right-1 grid min-w-7 place-items-center rounded-full bg-ink px-1.5 text-sm font-bold text-page"
                          >
                            {n}
                          </span>
                        )}
                        {n > 0 && (
                          <button
                            type="button"
                            aria-label={say("survey.less", { item: name })}
                            className="absolute top-0 left-0 grid size-11 place-items-center"
                            onClick={() => set(i.id, n - 1)}
                          >
                            <span className="grid size-7 place-items-center rounded-full border-2 border-ink bg-page">
                              <Minus size={15} aria-hidden="true" />
                            </span>
                          </button>
                        )}
                      </>
                    ) : (
                      <label className="grid min-h-25 justify-items-center gap-0.5 rounded-md border-2 border-hair bg-raised p-1.5 text-center">
                        <ItemDrawing item={i.id} size={40} />
                        <span className="text-sm leading-tight">{name}</span>
                        <input
                          name={`kit.${i.id}`}
                          inputMode="numeric"
                          className="w-14 text-center"
                          defaultValue={counts[i.id] ?? ""}
                        />
                      </label>
                    )}
                  </li>
                );
              })}
          </ul>
        </section>
      ))}
    </>
  );
}
