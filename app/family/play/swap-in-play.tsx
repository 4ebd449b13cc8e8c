import { useEffect, useState } from "react";
import { itemName, namesOf, say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { CardData } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import type { Act } from "../inputs/input.ts";

/** Swaps the object during a game. The layout stays as it is, and the record says when the object changed. */
export function SwapInPlay({
  data,
  own,
  is,
  act,
  close,
}: {
  data: CardData;
  own: OwnCard;
  is: string;
  act: Act;
  close: () => void;
}) {
  const [options, setOptions] = useState<string[] | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the panel opens
  useEffect(() => {
    void own.options("send").then((o) => setOptions(o.here));
  }, []);
  const names = namesOf(data.card.making?.items.own ?? []);
  const others = options?.filter((id) => id !== is) ?? [];
  return (
    <div className="grid gap-2.5">
      <h2 data-heading className="font-sans text-lg font-bold">
        {say("play.swapTitle")}
      </h2>
      {options === null && <p role="status">{say("fetch.recomputing")}</p>}
      {options !== null && others.length === 0 && <p>{say("fetch.swapNone")}</p>}
      <div className="grid max-h-64 grid-cols-3 gap-2.5 overflow-y-auto">
        {others.map((id) => (
          <button
            key={id}
            type="button"
            className="grid min-h-20 justify-items-center rounded-md border-2 border-ink p-1.5"
            onClick={() => act({ kind: "object", role: "send", item: id })}
          >
            <ItemDrawing item={id} />
            <span className="leading-tight">{itemName(id, names)}</span>
          </button>
        ))}
      </div>
      <button type="button" className="btn min-h-12" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}
