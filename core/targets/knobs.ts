import type { Knob } from "../contract/contract.ts";
import type { fieldsOf } from "../contract/fields.ts";
import type { Standing } from "./target.ts";

type Path = readonly (string | number)[];
const METRES = { unit: "m", step: 0.05 } as const;
const SIZE = { unit: "m", step: 0.01 } as const;

/** What of one target can be set, its distance aside. `base`: where it lies in the parameters. */
export function targetKnobs(f: ReturnType<typeof fieldsOf>, base: Path, t: Standing | undefined): Knob[] {
  const at = (name: string) => [...base, name];
  return [
    f.item(base),
    f.text("yard", at("label"), "knob.label"),
    f.number("yard", at("across"), "knob.across", { ...METRES, hint: "knob.acrossHint" }),
    f.number("yard", at("width"), "knob.width", SIZE),
    f.number("yard", at("height"), "knob.height", SIZE),
    f.choice("yard", at("counts"), "knob.counts", [
      [["touch"], "knob.touch"],
      [["into"], "knob.into"],
      [["touch", "into"], "knob.either"],
      [["through"], "knob.through"],
      [["touch", "through"], "knob.touchThrough"],
      [["topple"], "knob.topple"],
    ]),
    ...(t?.counts.includes("into")
      ? [
          f.choice(
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
          f.number("yard", at("turn"), "knob.turn", { step: 5, hint: "knob.turnHint" }),
        ]
      : []),
    ...(t?.counts.includes("topple") && (t.weight?.contents ?? 0) > 0
      ? [f.number("yard", [...at("weight"), "filling"], "knob.filling", { step: 0.05, hint: "knob.fillingHint" })]
      : []),
  ];
}
/** How far a target is from the line. */
export const distanceKnob = (f: ReturnType<typeof fieldsOf>, path: Path, label = "knob.distance"): Knob =>
  f.number("yard", path, label, METRES);
