import { Minus, Search } from "lucide-react";
import { useMemo, useState } from "react";
import type { Item } from "#core/items/item.ts";
import { MAX_OF_ONE, ROOMS } from "#core/items/lists.ts";
import { itemName, namesOf, say } from "#words/say.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import type { PartProps } from "./survey-part.ts";

/** How many of the commonest items come first. The others are listed by room and shown on request. */
const FIRST = 18;

/** The commonest items first, the others by room or by their first letters. A tap adds one. */
export function Items({ answers, items, typed, ready, changed }: PartProps) {
  const names = useMemo(() => namesOf(items), [items]);
  const begin = () => {
    const out: Record<string, string> = {};
    for (const [id, value] of Object.entries(answers.kit ?? {})) out[id] = String(value);
    for (const [key, value] of Object.entries(typed ?? {})) if (key.startsWith("kit.")) out[key.slice(4)] = value;
    return out;
  };
  const [counts, setCounts] = useState<Record<string, string>>(begin);
  const [wanted, setWanted] = useState("");
  const set = (id: string, count: number) => {
    setCounts((c) => ({ ...c, [id]: String(Math.min(MAX_OF_ONE, Math.max(0, count))) }));
    changed?.();
  };
  const asked = useMemo(
    () => items.filter((item) => !item.made && !item.always).sort((a, b) => b.homes - a.homes),
    [items],
  );
  const begins = (item: Item) =>
    ` ${itemName(item.id, names)}`.toLowerCase().includes(` ${wanted.trim().toLowerCase()}`);
  const found = wanted.trim() === "" ? null : asked.filter(begins);
  const first = asked.slice(0, FIRST);
  const rest = asked.slice(FIRST);
  const tile = (item: Item) => (
    <Thing
      key={item.id}
      item={item}
      name={itemName(item.id, names)}
      count={counts[item.id] ?? ""}
      ready={ready ?? false}
      set={set}
    />
  );
  return (
    <>
      <h2 className="text-2xl">{say("survey.things")}</h2>
      <p className="mb-2 text-quiet">{say("survey.thingsHint")}</p>
      {/* The field is there from the beginning, so that nothing moves when the script has loaded. */}
      <label className="mb-3 flex items-center gap-2 noscript:hidden">
        <Search size={20} aria-hidden="true" className="shrink-0" />
        <input
          type="search"
          className="min-h-11 w-full text-lg"
          aria-label={say("survey.search")}
          placeholder={say("survey.search")}
          disabled={!ready}
          value={wanted}
          onChange={(event) => {
            event.stopPropagation();
            setWanted(event.target.value);
          }}
        />
      </label>
      {/* Answers about items that are not shown now are sent as well. */}
      {ready &&
        asked.map((item) => (
          <input key={item.id} type="hidden" name={`kit.${item.id}`} value={counts[item.id] ?? ""} />
        ))}
      {found ? (
        <>
          <p role="status" className="mb-2 text-quiet">
            {say("survey.found", { count: found.length })}
          </p>
          <ul className={GRID}>{found.map(tile)}</ul>
        </>
      ) : (
        <>
          <ul className={GRID}>{first.map(tile)}</ul>
          {ROOMS.filter((room) => room !== "made").map((room) => {
            const list = rest.filter((item) => item.room === room);
            const count = list.filter((item) => (counts[item.id] ?? "") !== "" && counts[item.id] !== "0").length;
            return (
              list.length > 0 && (
                <details key={room} className="row-line py-1" open={(typed !== null && count > 0) || undefined}>
                  <summary className="flex min-h-12 items-center gap-2 text-lg font-semibold text-teal">
                    {say("survey.moreFrom", { room: say(`room.${room}`), count: list.length })}
                    {count > 0 && <span className="tag border-teal">{count}</span>}
                  </summary>
                  <ul className={`${GRID} pb-2`}>{list.map(tile)}</ul>
                </details>
              )
            );
          })}
        </>
      )}
    </>
  );
}
const GRID = "grid grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-2";

function Thing({
  item,
  name,
  count,
  ready,
  set,
}: {
  item: Item;
  name: string;
  count: string;
  ready: boolean;
  set: (id: string, givenCount: number) => void;
}) {
  const n = Number(count) || 0;
  if (!ready)
    return (
      <li>
        <label className="grid min-h-27 justify-items-center gap-0.5 rounded-md border-2 border-hair bg-raised p-1.5 text-center">
          <ItemDrawing item={item.id} size={28} />
          <span className="text-sm leading-tight">{name}</span>
          <input
            name={`kit.${item.id}`}
            inputMode="numeric"
            className="h-6 w-14 py-0 text-center"
            defaultValue={count}
          />
        </label>
      </li>
    );
  return (
    <li className="relative">
      <button
        type="button"
        aria-label={n > 0 ? say("survey.moreOf", { item: name, count: n }) : say("survey.more", { item: name })}
        className={`grid min-h-27 w-full justify-items-center gap-0.5 rounded-md border-2 p-1.5 ${n > 0 ? "border-teal bg-mint/30" : "border-hair bg-raised"}`}
        onClick={() => set(item.id, n + 1)}
      >
        <ItemDrawing item={item.id} size={46} />
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
          onClick={() => set(item.id, n - 1)}
        >
          <span className="grid size-7 place-items-center rounded-full border-2 border-ink bg-page">
            <Minus size={15} aria-hidden="true" />
          </span>
        </button>
      )}
    </li>
  );
}
