import type { Knob } from "../contract/contract.ts";
import type { fieldsOf } from "../contract/fields.ts";
import type { Standing } from "./target.ts";

type Path = readonly (string | number)[];
const METRES = { unit: "m", step: 0.05 } as const;
const SIZE = { unit: "m", step: 0.01 } as const;

/** The settings of one target, except its distance. `base`: its path in the parameters. */
export function targetKnobs(fields: ReturnType<typeof fieldsOf>, base: Path, standing: Standing | undefined): Knob[] {
  const at = (name: string) => [...base, name];
  return [
    fields.item(base),
    fields.text("yard", at("label"), "knob.label"),
    fields.number("yard", at("across"), "knob.across", { ...METRES, hint: "knob.acrossHint" }),
    fields.number("yard", at("width"), "knob.width", SIZE),
    fields.number("yard", at("height"), "knob.height", SIZE),
    fields.choice("yard", at("counts"), "knob.counts", [
      [["touch"], "knob.touch"],
      [["into"], "knob.into"],
      [["touch", "into"], "knob.either"],
      [["through"], "knob.through"],
      [["touch", "through"], "knob.touchThrough"],
      [["topple"], "knob.topple"],
    ]),
    ...(standing?.counts.includes("into")
      ? [
          fields.choice(
            "yard",
            at("lies"),
            "knob.lies",
            [
              [undefined, "knob.liesAsSent"],
              [true, "knob.liesYes"],
              [false, "knob.liesNo"],
            ],
            { hint: "knob.liesHint" },
          ),
          fields.number("yard", at("turn"), "knob.turn", { step: 5, hint: "knob.turnHint" }),
        ]
      : []),
    ...(standing?.counts.includes("topple") && (standing.weight?.contents ?? 0) > 0
      ? [fields.number("yard", [...at("weight"), "filling"], "knob.filling", { step: 0.05, hint: "knob.fillingHint" })]
      : []),
  ];
}
/** The field for a target's distance from the line. */
export const distanceKnob = (fields: ReturnType<typeof fieldsOf>, path: Path, label = "knob.distance"): Knob =>
  fields.number("yard", path, label, METRES);
