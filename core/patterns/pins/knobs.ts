import type { Knob } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { downKnob, pinKnobs } from "../../targets/pin.ts";
import { type PinsParams, pinsParams, SHAPES } from "./params.ts";

export function knobs(p: PinsParams): Knob[] {
  const f = fieldsOf(pinsParams, p);
  const { formation } = p;
  const { count } = formation;
  const given = formation.kind === "given" ? formation : { kind: "given", shape: "triangle", count, gap: 0.12 };
  const own = formation.kind === "own" ? formation : { kind: "own", count, depth: 0.9, width: 0.9 };
  return [
    f.number("score", ["frames"], "knob.frames", { family: { key: "set.frames" } }),
    f.number("score", ["rolls"], "knob.rolls", { family: { key: "set.rolls" } }),
    f.number("score", ["points"], "knob.pinPoints"),
    f.number("score", ["bonus"], "knob.pinBonus", { hint: "knob.pinBonusHint" }),
    f.toggle("score", ["standUp"], "knob.standUp", { family: { key: "set.standUp" } }),
    downKnob(f),
    f.choice("score", ["untouched"], "knob.untouched", [
      ["counts", "knob.untouchedCounts"],
      ["stood", "knob.untouchedStood"],
    ]),
    f.toggle("yard", ["pinOnPin"], "knob.pinOnPin", { hint: "knob.pinOnPinHint" }),
    f.number("score", ["pieces"], "knob.rollThings", { off: { label: "knob.fetchEach", initial: 2 } }),
    f.choice("yard", ["formation"], "knob.formation", [
      [given, "knob.formationGiven"],
      [own, "knob.formationOwn"],
    ]),
    ...(formation.kind === "given"
      ? [
          f.choice(
            "yard",
            ["formation", "shape"],
            "knob.shape",
            SHAPES.map((s) => [s, `shape.${s}`] as const),
            { compared: true },
          ),
          f.number("yard", ["formation", "gap"], "knob.pinGap", { unit: "m", step: 0.01, hint: "knob.pinGapHint" }),
        ]
      : [
          f.number("yard", ["formation", "depth"], "knob.fieldDepth", { unit: "m", step: 0.05 }),
          f.number("yard", ["formation", "width"], "knob.fieldWidth", { unit: "m", step: 0.05 }),
        ]),
    f.number("yard", ["formation", "count"], "knob.pinCount"),
  ];
}

export const pegKnobs = (p: PinsParams): Knob[] => pinKnobs(fieldsOf(pinsParams, p), p.pin);
