import type { Fields, Layout } from "./layout.ts";

/** A layout whose values are opaque. */
export type AnyLayout = Layout<Fields>;

/** Layouts that are loaded. `index.ts` puts all of them in, and the registry of patterns loads it. */
const known = new Map<string, AnyLayout>();

/** Makes layouts known to every document that has one. */
export function keepLayouts(all: Readonly<Record<string, unknown>>): void {
  for (const [name, layout] of Object.entries(all)) known.set(name, layout as AnyLayout);
}

/** A layout by its name. Throws RangeError if it is not loaded. */
export function layoutNamed(name: string): AnyLayout {
  const layout = known.get(name);
  if (!layout) throw new RangeError(`the layout "${name}" is not loaded`);
  return layout;
}
