import type { Knob } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { downKnob, pinKnobs } from "../../targets/pin-knobs.ts";
import { SHAPES } from "./limits.ts";
import { type PinsParams, pinsParams } from "./schema.ts";

export function knobs(params: PinsParams): Knob[] {
  const fields = fieldsOf(pinsParams, params);
  const { formation } = params;
  const { count } = formation;
  const given = formation.kind === "given" ? formation : { kind: "given", shape: "triangle", count, gap: 0.12 };
  const own = formation.kind === "own" ? formation : { kind: "own", count, depth: 0.9, width: 0.9 };
  return [
    fields.number("score/length", ["frames"], "knob.frames", { family: { key: "set.frames" } }),
    fields.number("score/length", ["rolls"], "knob.rolls", { family: { key: "set.rolls" } }),
    fields.number("score", ["points"], "knob.pinPoints"),
    fields.number("score", ["bonus"], "knob.pinBonus", { hint: "knob.pinBonusHint" }),
    fields.toggle("score", ["standUp"], "knob.standUp", { family: { key: "set.standUp" } }),
    downKnob(fields),
    fields.choice("score/fine", ["untouched"], "knob.untouched", [
      ["counts", "knob.untouchedCounts"],
      ["stood", "knob.untouchedStood"],
    ]),
    fields.toggle("yard/fine", ["pinOnPin"], "knob.pinOnPin", { hint: "knob.pinOnPinHint" }),
    fields.number("score/fine", ["pieces"], "knob.rollThings", { off: { label: "knob.fetchEach", initial: 2 } }),
    fields.choice("yard", ["formation"], "knob.formation", [
      [given, "knob.formationGiven"],
      [own, "knob.formationOwn"],
    ]),
    ...(formation.kind === "given"
      ? [
          fields.choice(
            "yard",
            ["formation", "shape"],
            "knob.shape",
            SHAPES.map((shape) => [shape, `shape.${shape}`] as const),
            { compared: true },
          ),
          fields.number("yard", ["formation", "gap"], "knob.pinGap", {
            unit: "m",
            step: 0.01,
            hint: "knob.pinGapHint",
          }),
        ]
      : [
          fields.number("yard", ["formation", "depth"], "knob.fieldDepth", { unit: "m", step: 0.05 }),
          fields.number("yard", ["formation", "width"], "knob.fieldWidth", { unit: "m", step: 0.05 }),
        ]),
    fields.number("yard", ["formation", "count"], "knob.pinCount"),
  ];
}

export const pegKnobs = (params: PinsParams): Knob[] => pinKnobs(fieldsOf(pinsParams, params), params.pin);
