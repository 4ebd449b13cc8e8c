import type { Knob } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { cm } from "../../contract/round.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineIndex, linesFrom } from "../../targets/lines.ts";
import type { ClimbParams } from "./schema.ts";
import { climbParams } from "./schema.ts";

/** The settings of Climb for the stations. */
export function knobs(params: ClimbParams): Knob[] {
  const fields = fieldsOf(climbParams, params);
  const points = params.scoring.by === "points" ? params.scoring : { by: "points", first: 3, growth: 0 };
  const forfeit = params.forfeit ?? {
    misses: 3,
    exercise: "star jumps",
    dose: 7,
    second: "toe touches",
    third: "steps on the spot",
    seated: "arm circles",
    cap: 4,
  };
  return [
    fields.number("score/length", ["tries"], "knob.tries", {
      off: { label: "knob.noCap", initial: 24 },
      family: { key: "set.sends" },
    }),
    fields.choice("score", ["scoring"], "knob.scoring", [
      [points, "knob.byPoints"],
      [{ by: "tries" }, "knob.byTries"],
      [{ by: "time" }, "knob.byTime"],
    ]),
    ...(params.scoring.by === "points"
      ? [
          fields.number("score", ["scoring", "first"], "knob.first"),
          fields.number("score", ["scoring", "growth"], "knob.growth", { hint: "knob.growthHint" }),
        ]
      : []),
    fields.choice("score", ["forfeit"], "knob.forfeit", [
      [null, "knob.none"],
      [forfeit, "knob.exercise"],
    ]),
    ...(params.forfeit
      ? [
          fields.number("score", ["forfeit", "misses"], "knob.misses"),
          fields.text("score", ["forfeit", "exercise"], "knob.exerciseName"),
          fields.number("score", ["forfeit", "dose"], "knob.dose"),
          fields.text("score", ["forfeit", "second"], "knob.exerciseOr"),
          fields.text("score", ["forfeit", "third"], "knob.exerciseOr2"),
          fields.text("score", ["forfeit", "seated"], "knob.exerciseSeated"),
          fields.number("score", ["forfeit", "cap"], "knob.forfeitCap", {
            off: { label: "knob.forfeitNoCap", initial: 4 },
          }),
        ]
      : []),
    ...(params.ladder.kind === "targets"
      ? [
          fields.choice("yard", ["ladder", "order"], "knob.order", [
            ["nearest", "knob.nearest"],
            ["farthest", "knob.farthest"],
            ["listed", "knob.listed"],
          ]),
        ]
      : []),
    fields.choice(
      "yard",
      ["ladder"],
      "knob.ladder",
      ladders(params).map((ladder) => [ladder.value, ladder.label] as const),
    ),
  ];
}

/** The same climb in the other form: targets at rising distances, or one target and a line that moves back. */
function ladders({ ladder }: ClimbParams) {
  if (ladder.kind === "targets") {
    const { distance: _, ...first } = ladder.targets[0]!;
    return [
      { value: ladder, label: "knob.ladderTargets" },
      {
        value: {
          kind: "line",
          target: { ...first, across: 0 },
          lines: linesFrom(ladder.targets.map((target) => target.distance)),
        },
        label: "knob.ladderLine",
      },
    ];
  }
  const spread = (i: number) => cm((i % 2 === 0 ? -1 : 1) * (0.25 + 0.1 * i));
  return [
    {
      value: {
        kind: "targets",
        order: "nearest",
        targets: ladder.lines.map((distance, i) => ({
          ...ladder.target,
          id: `t${i + 1}`,
          distance,
          across: spread(i),
        })),
      },
      label: "knob.ladderTargets",
    },
    { value: ladder, label: "knob.ladderLine" },
  ];
}

export function pegKnobs(params: ClimbParams, id: string): Knob[] {
  const { ladder } = params;
  const fields = fieldsOf(climbParams, params);
  const place = ladder.kind === "targets" ? ladder.targets.findIndex((target) => target.id === id) : -1;
  const base = ladder.kind === "targets" ? ["ladder", "targets", place] : ["ladder", "target"];
  return [
    ladder.kind === "targets"
      ? distanceKnob(fields, [...base, "distance"])
      : distanceKnob(fields, ["ladder", "lines", lineIndex(id)], "knob.fromTarget"),
    ...targetKnobs(fields, base, ladder.kind === "targets" ? ladder.targets[place] : ladder.target),
  ];
}
