import { held } from "../contract/round.ts";
import type { Face } from "../kit/face.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import type { Pin } from "./pin-schema.ts";

/** The rule for a fallen pin. */
export const pinRule = (p: Pin): HitRule =>
  p.weight && p.down !== "moved" && p.down !== "top"
    ? { kind: "topple", width: p.width, height: p.height, ...p.weight }
    : { kind: "touch", width: p.width };
/** Another item for every pin. How full it is stays. */
export function pinFaced(was: Pin, { item, width, height, mass, contents }: Face): Pin {
  const of = was.weight && { mass, contents, filling: was.weight.filling };
  const size = { width: held(width, 0.02, 0.5), height: held(height, 0.02, 1.5) };
  return { item, ...size, ...(of && { weight: of }), down: was.down };
}

export function pinTouched({ weight: _, ...rest }: Pin): Pin {
  return rest;
}
