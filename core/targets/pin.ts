import { held } from "../contract/round.ts";
import type { Face } from "../kit/face.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import type { Pin } from "./pin-schema.ts";

/** What counts as a pin that fell. */
export const pinRule = (p: Pin): HitRule =>
  p.weight && p.down !== "moved" && p.down !== "top"
    ? { kind: "topple", width: p.width, height: p.height, ...p.weight }
    : { kind: "touch", width: p.width };
/** Another thing as every pin; how full it is stays. */
export function pinFaced(was: Pin, { item, width, height, mass, contents }: Face): Pin {
  const of = was.weight && { mass, contents, filling: was.weight.filling };
  const size = { width: held(width, 0.02, 0.5), height: held(height, 0.02, 1.5) };
  return { item, ...size, ...(of && { weight: of }), down: was.down };
}

export function pinTouched({ weight: _, ...rest }: Pin): Pin {
  return rest;
}
