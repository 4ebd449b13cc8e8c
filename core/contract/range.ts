import type { Knob } from "./contract.ts";
import { standsAs } from "./standing.ts";

/** A setting that may be left to a family: a number or yes and no. */
export type FamilyKnob = Extract<Knob, { kind: "number" | "toggle" }> & { family: NonNullable<Knob["family"]> };
/** The most values of a field that a document can list. */
export const MAX_VALUES = 20;

/** The stable id of a setting: `params.tries`, `match.goes.count`. */
export const fieldOf = (k: Pick<Knob, "of" | "path">): string => [k.of ?? "params", ...k.path].join(".");

/** The settings of a game that a teacher may leave to the family. A bell or a cap that is off stays off. */
export function familyKnobs(knobs: readonly Knob[], game: { params: unknown; match: unknown }): FamilyKnob[] {
  return knobs.filter(
    (knob): knob is FamilyKnob =>
      knob.family !== undefined &&
      (knob.kind === "toggle" || (knob.kind === "number" && typeof setTo(knob, game) === "number")),
  );
}

/** The value of a setting in a game. */
export function setTo(k: Pick<Knob, "of" | "path">, game: { params: unknown; match: unknown }): unknown {
  if (k.of === "standing") return standsAs(k.path, game.params);
  return [k.of ?? "params", ...k.path].reduce<unknown>(
    (o, key) => (typeof o === "object" && o !== null ? (o as Record<string | number, unknown>)[key] : undefined),
    game,
  );
}

/**
 * The values between two others, both included, in the setting's own steps, or in larger equal steps if a document
 * could not hold that many.
 */
export function valuesBetween(k: { step: number }, from: number, to: number): number[] {
  const [lo, hi] = [Math.min(from, to), Math.max(from, to)];
  const steps = Math.round((hi - lo) / k.step);
  const by = Math.max(1, Math.ceil(steps / (MAX_VALUES - 1)));
  const out: number[] = [];
  for (let i = 0; i < steps; i += by) out.push(Math.round((lo + i * k.step) * 1000) / 1000);
  return [...out, hi];
}
