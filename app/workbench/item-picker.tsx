import { useId, useState } from "react";
import type { Item } from "#core/items/item.ts";
import { tell } from "#words/tell.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { Select } from "../ui/field.tsx";
import { useSchool } from "./items.tsx";

/** If there are at least this many items, there is a search field. */
const MANY = 12;
const SORTS = ["homes", "name"] as const;

/**
 * Items as pictures with their names. They are found by their letters. Those that most homes of the class have come
 * first, with their count.
 */
export function ItemPicker({
  title,
  items,
  is,
  pick,
}: {
  title: string;
  items: readonly Item[];
  is: string;
  pick: (item: Item) => void;
}) {
  const { name, had, answered: told } = useSchool();
  const [wanted, setWanted] = useState("");
  const [sort, setSort] = useState<(typeof SORTS)[number]>("homes");
  const group = useId();
  const homes = (item: Item) => (item.always ? told : (had.get(item.id) ?? 0));
  const letters = wanted.trim().toLowerCase();
  const shown = items
    .filter((item) => name(item.id).toLowerCase().includes(letters))
    .sort((a, b) =>
      sort === "homes" && told > 0
        ? homes(b) - homes(a) || b.homes - a.homes
        : sort === "homes"
          ? b.homes - a.homes
          : name(a.id).localeCompare(name(b.id)),
    );
  return (
    <fieldset className="min-w-0">
      <legend className="sr-only">{title}</legend>
      {items.length >= MANY && (
        <div className="flex items-center gap-2 pt-1 text-sm">
          <input
            type="search"
            className="min-w-0 grow py-0.5"
            placeholder="Find an item"
            aria-label={`${title}: find an item`}
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          <Select
            className="py-0.5"
            aria-label={`${title}: sort by`}
            value={sort}
            onChange={(event) => setSort(event.target.value as typeof sort)}
          >
            <option value="homes">sort by homes</option>
            <option value="name">sort by name</option>
          </Select>
        </div>
      )}
      <div className="grid max-h-56 grid-cols-4 gap-1 overflow-y-auto py-1">
        {shown.map((item) => (
          <label
            key={item.id}
            className={`grid content-start justify-items-center rounded-sm border-2 p-0.5 text-center text-[11px] leading-tight has-focus-visible:outline-3 ${is === item.id ? "border-ink bg-mustard font-bold text-night" : "border-hair"}`}
          >
            <input
              type="radio"
              name={group}
              className="sr-only"
              aria-label={
                told > 0 ? tell("picker.thing", { name: name(item.id), n: homes(item), all: told }) : name(item.id)
              }
              checked={is === item.id}
              onChange={() => pick(item)}
            />
            <ItemDrawing item={item.id} size={30} />
            <span aria-hidden="true">{name(item.id)}</span>
            {told > 0 && (
              <span aria-hidden="true" className="font-normal opacity-80">
                {homes(item)} of {told}
              </span>
            )}
          </label>
        ))}
      </div>
      {shown.length === 0 && <p className="py-1 text-sm text-quiet">No item matches.</p>}
      {told > 0 && <p className="text-xs text-quiet">{tell("picker.told", { n: told })}</p>}
    </fieldset>
  );
}
