import { useEffect } from "react";
import { extraObjectIndex, extraObjects } from "#core/kit/extra-objects.ts";
import { own } from "#core/own.ts";
import { BARE } from "#core/targets/bare-ways.ts";
import type { Part } from "#core/yard/parts.ts";
import { itemName, namesOf, say, targetName } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { CardData } from "../card/card-data.ts";
import { Keys } from "./keys.tsx";

type Reachable = Extract<Part, { kind: "target" | "line" }>;
/** The part of the layout with this id: a target, or a line to send from. */
const toldPart = (data: CardData, id: string): Reachable | undefined =>
  data.card.parts.find((part): part is Reachable => (part.kind === "target" || part.kind === "line") && part.id === id);
const nameOf = (data: CardData, part: Reachable | undefined, id: string): string =>
  part?.kind === "target"
    ? targetName(part)
    : part
      ? say("play.lineName", { label: part.label ?? id })
      : (BARE as readonly string[]).includes(id)
        ? say(`way.${id}`)
        : sentAs(data, id);
/** The item that serves as one of the objects that take turns, by its role. */
function objectFor(data: CardData, role: string): string | null {
  const { kit } = data.card.activity;
  return role === "send" ? kit.send : (extraObjects(data.card.activity)[extraObjectIndex(role)] ?? null);
}
function sentAs(data: CardData, role: string): string {
  const item = objectFor(data, role);
  return item === null ? role : itemName(item, namesOf(data.card.activity.kit.own));
}

const NONE: readonly string[] = [];

/**
 * Several targets or lines to choose from, one tap each, or a number on the keyboard. `miss` adds a button for none
 * of them. `gone` lists those that no longer count. They keep their places, so that no other button moves under the
 * finger.
 */
export default function Targets({
  ids,
  gone = NONE,
  data,
  pick,
  miss = false,
  keys = true,
  worth,
}: {
  ids: readonly string[];
  gone?: readonly string[];
  data: CardData;
  pick: (id: string | null) => void;
  miss?: boolean;
  keys?: boolean;
  /** What each is worth now, if worth differs. */
  worth?: Readonly<Record<string, number>> | undefined;
}) {
  useEffect(() => {
    if (!keys) return;
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.repeat || event.ctrlKey || event.metaKey || event.altKey)
        return;
      const at = /^[1-9]$/.test(event.key) ? Number(event.key) - 1 : -1;
      const id = ids[at];
      if (id !== undefined && !gone.includes(id)) pick(id);
      else if (miss && (event.key === "0" || event.key === "ArrowRight")) pick(null);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [ids, gone, pick, miss, keys]);
  const few = ids.length <= 4;
  return (
    <>
      <div
        data-targets
        className={`grid grow gap-2 ${few ? "grid-cols-2" : "grid-cols-3"} ${ids.length > 9 ? "sm:grid-cols-4" : ""}`}
      >
        {ids.map((id, i) => {
          const part = toldPart(data, id);
          // If all are worth the same, the worth is not shown.
          const points = part?.points === undefined ? undefined : (own(worth, id) ?? part.points);
          const drawn = part?.kind === "target" ? part.item : part ? null : objectFor(data, id);
          const price = points === undefined ? "" : say("play.points", { points });
          return (
            <button
              key={id}
              type="button"
              disabled={gone.includes(id)}
              className="relative grid min-h-16 content-center justify-items-center rounded-xl border-[3px] border-night bg-mint p-1 text-night active:scale-[0.98] disabled:border-dashed disabled:bg-transparent disabled:text-ink disabled:opacity-50 short:min-h-11 short:grid-flow-col short:items-center short:justify-center short:gap-2"
              aria-label={`${nameOf(data, part, id)} ${price}`.trim()}
              onClick={() => pick(id)}
            >
              {drawn !== null && (
                <span
                  aria-hidden="true"
                  className={few ? "[&_svg]:h-14 short:[&_svg]:h-9" : "[&_svg]:h-10 short:[&_svg]:h-7"}
                >
                  <ItemDrawing item={drawn} />
                </span>
              )}
              <span className={`grid leading-tight ${few ? "text-xl short:text-lg" : "text-base"}`}>
                <span className="font-bold">{nameOf(data, part, id)}</span>
                {price && <span className="text-base leading-tight">{price}</span>}
              </span>
              {keys && i < 9 && (
                <span aria-hidden="true" className="absolute top-1 left-2 hidden text-sm lg:block">
                  {i + 1}
                </span>
              )}
            </button>
          );
        })}
      </div>
      {miss && (
        <button
          type="button"
          className="min-h-14 rounded-md border-4 border-night bg-rose text-2xl font-bold text-night active:scale-[0.98] short:min-h-10"
          onClick={() => pick(null)}
        >
          {say("play.miss")}
        </button>
      )}
      {keys && <Keys of={miss ? "targets" : "choose"} />}
    </>
  );
}
