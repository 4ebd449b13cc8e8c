import { z } from "zod";
import { type Item, item } from "#core/items/item.ts";
import { SOURCE_ESTIMATED } from "#core/items/lists.ts";
import { wordFrom } from "#core/measures/id-from-name.ts";
import { typedNumber } from "#core/measures/typed-number.ts";

const { shape } = item;

/** A figure of an item as people measure it: in centimetres, grams and per cent. `by`: what makes it SI units. */
interface Figure {
  label: string;
  unit: string;
  hint?: string;
  by: number;
}
const figure = (label: string, unit: string, by = 1, hint?: string): Figure => ({
  label,
  unit,
  by,
  ...(hint !== undefined && { hint }),
});
export const FIGURES = {
  width: figure("Width", "cm", 0.01),
  depth: figure("Depth", "cm", 0.01),
  height: figure("Height", "cm", 0.01),
  mass: figure("Weight when empty", "g", 0.001),
  opening: figure("Width of the opening", "cm", 0.01, "cm; leave empty for none"),
  openingDepth: figure("Other side of the opening", "cm", 0.01, "cm; empty: round"),
  gap: figure("Gap to pass through", "cm", 0.01, "cm; leave empty for none"),
  contents: figure("Weight when full", "kg", 1, "kg; leave empty if it holds nothing"),
  drag: figure("Rolling resistance", "", 1, "1 is a ball; leave empty if it does not roll"),
  softness: figure("Softness", "", 0.01, "0 to 100"),
  rebound: figure("Bounce", "", 0.01, "0 to 100"),
  noise: figure("Noise", "", 1, "0 to 3"),
  handling: figure("Ease of handling", "", 1, "1: easy, 1.2: harder"),
  homes: figure("Share of homes that have it", "%", 0.01, "of 100"),
  count: figure("How many they have", ""),
} satisfies { [K in keyof Item]?: Figure };
export type FigureOf = keyof typeof FIGURES;

/** SI units have up to six decimals: a card of 0.3 mm is 0.0003 m. */
const rounded = (value: number) => Math.round(value * 1e6) / 1e6;
const shownIn = (by: number, value: number) => Math.round((value / by) * 1000) / 1000;

/** A figure of the form, with the limits of the item's own schema in the unit of the form. */
function field(name: FigureOf, number: { minValue: number | null; maxValue: number | null }) {
  const { label, unit, by } = FIGURES[name];
  const [least, most] = [shownIn(by, number.minValue!), shownIn(by, number.maxValue!)];
  const wrong = `${label} must be ${name === "count" ? "a whole number" : "a number"} from ${least} to ${most}${unit && ` ${unit}`}`;
  const typed = z.number(wrong).min(least, wrong).max(most, wrong);
  return (name === "count" ? typed.int(wrong) : typed).transform((value) => rounded(value * by));
}
const needed = (
  name: "width" | "depth" | "height" | "mass" | "softness" | "rebound" | "noise" | "handling" | "homes" | "count",
) => z.preprocess(typedNumber, field(name, shape[name]));
const optional = (name: "opening" | "openingDepth" | "gap" | "contents" | "drag") => {
  const inner = shape[name].unwrap();
  const number = "unwrap" in inner ? inner.unwrap() : inner;
  return z.preprocess((text) => typedNumber(text) ?? null, field(name, number).nullable());
};

/** The form of an item. The browser and the server read it alike, and both get SI units from it. */
export const itemForm = z.object({
  name: shape.name.default(""),
  room: shape.room,
  drawing: shape.drawing,
  uses: shape.uses,
  moves: shape.moves.default([]),
  cautions: shape.cautions.default([]),
  width: needed("width"),
  depth: needed("depth"),
  height: needed("height"),
  mass: needed("mass"),
  opening: optional("opening"),
  openingDepth: optional("openingDepth"),
  gap: optional("gap"),
  contents: optional("contents"),
  drag: optional("drag"),
  softness: needed("softness"),
  rebound: needed("rebound"),
  noise: needed("noise"),
  handling: needed("handling"),
  homes: needed("homes"),
  count: needed("count"),
  material: shape.material,
  source: shape.source,
  ask: shape.ask.default(false),
  outdoorsOnly: shape.outdoorsOnly.default(false),
  breakable: shape.breakable.default(false),
  kinds: shape.kinds.default(false),
  endless: shape.endless.default(false),
});
export type ItemForm = z.infer<typeof itemForm>;

/** Makes an id from a name: `foam disc` becomes foamDisc. A name in another script has no letters for one. */
function idFrom(name: string): string {
  const word = wordFrom(name, 36);
  if (/^[A-Z]/.test(word)) return word[0]!.toLowerCase() + word.slice(1);
  return `own${word || Date.now().toString(36)}`;
}

/** The item that a form describes: `was` with its changes, or a new one under an id made of its name. */
export function itemIn({ openingDepth, ...form }: ItemForm, id: string | null, was: Item | null): Item {
  return {
    ...form,
    ...(openingDepth !== null && openingDepth !== undefined && { openingDepth }),
    id: id ?? idFrom(form.name),
    always: false,
    made: was?.made ?? null,
  };
}

const BLANK: Partial<Item> = {
  room: "living",
  softness: 0.5,
  rebound: 0.1,
  noise: 1,
  material: "plastic",
  handling: 1,
  homes: 0.5,
  count: 1,
  source: SOURCE_ESTIMATED,
  drawing: "line",
};
/** What the form shows first, for an item or for a new one. */
export function formOfItem(is: Item | null): Record<string, unknown> {
  const from: Partial<Item> = is ?? BLANK;
  const figures = (Object.keys(FIGURES) as FigureOf[]).map((name) => {
    const value = from[name];
    return [name, typeof value === "number" ? String(shownIn(FIGURES[name].by, value)) : ""] as const;
  });
  return { ...from, ...Object.fromEntries(figures) };
}
