import type { Knob, Space } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { cm } from "../../contract/schema.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineId, lineIndex, linesFrom, nextLine } from "../../targets/lines.ts";
import { added } from "../../targets/list.ts";
import { type ClimbParams, climbParams, MAX_RUNGS } from "./params.ts";

/** What the stations offer for a climb. */
export function knobs(p: ClimbParams): Knob[] {
  const f = fieldsOf(climbParams, p);
  const points = p.scoring.by === "points" ? p.scoring : { by: "points", first: 3, growth: 0 };
  const forfeit = p.forfeit ?? {
    misses: 3,
    exercise: "star jumps",
    dose: 7,
    second: "toe touches",
    third: "steps on the spot",
    seated: "arm circles",
    cap: 4,
  };
  return [
    f.number("score", ["tries"], "knob.tries", {
      off: { label: "knob.noCap", initial: 24 },
      family: { key: "set.sends" },
    }),
    f.choice("score", ["scoring"], "knob.scoring", [
      [points, "knob.byPoints"],
      [{ by: "tries" }, "knob.byTries"],
      [{ by: "time" }, "knob.byTime"],
    ]),
    ...(p.scoring.by === "points"
      ? [
          f.number("score", ["scoring", "first"], "knob.first"),
          f.number("score", ["scoring", "growth"], "knob.growth", { hint: "knob.growthHint" }),
        ]
      : []),
    f.choice("score", ["forfeit"], "knob.forfeit", [
      [null, "knob.none"],
      [forfeit, "knob.exercise"],
    ]),
    ...(p.forfeit
      ? [
          f.number("score", ["forfeit", "misses"], "knob.misses"),
          f.text("score", ["forfeit", "exercise"], "knob.exerciseName"),
          f.number("score", ["forfeit", "dose"], "knob.dose"),
          f.text("score", ["forfeit", "second"], "knob.exerciseOr"),
          f.text("score", ["forfeit", "third"], "knob.exerciseOr2"),
          f.text("score", ["forfeit", "seated"], "knob.exerciseSeated"),
          f.number("score", ["forfeit", "cap"], "knob.forfeitCap", { off: { label: "knob.forfeitNoCap", initial: 4 } }),
        ]
      : []),
    ...(p.ladder.kind === "targets"
      ? [
          f.choice("yard", ["ladder", "order"], "knob.order", [
            ["nearest", "knob.nearest"],
            ["farthest", "knob.farthest"],
            ["listed", "knob.listed"],
          ]),
        ]
      : []),
    f.choice(
      "yard",
      ["ladder"],
      "knob.ladder",
      ladders(p).map((l) => [l.value, l.label] as const),
    ),
  ];
}

/** The same climb told the other way: targets at rising distances, or one target and a line that moves back. */
function ladders({ ladder }: ClimbParams) {
  if (ladder.kind === "targets") {
    const { distance: _, ...first } = ladder.targets[0]!;
    return [
      { value: ladder, label: "knob.ladderTargets" },
      {
        value: {
          kind: "line",
          target: { ...first, across: 0 },
          lines: linesFrom(ladder.targets.map((t) => t.distance)),
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

export function pegKnobs(p: ClimbParams, id: string): Knob[] {
  const { ladder } = p;
  const f = fieldsOf(climbParams, p);
  const place = ladder.kind === "targets" ? ladder.targets.findIndex((t) => t.id === id) : -1;
  const base = ladder.kind === "targets" ? ["ladder", "targets", place] : ["ladder", "target"];
  return [
    ladder.kind === "targets"
      ? distanceKnob(f, [...base, "distance"])
      : distanceKnob(f, ["ladder", "lines", lineIndex(id)], "knob.fromTarget"),
    ...targetKnobs(f, base, ladder.kind === "targets" ? ladder.targets[place] : ladder.target),
  ];
}

export function addPeg(p: ClimbParams, space: Space): ClimbParams | null {
  const { ladder } = p;
  if (ladder.kind === "line") {
    const next = nextLine(ladder.lines, space);
    return ladder.lines.length >= MAX_RUNGS || next === null
      ? null
      : { ...p, ladder: { ...ladder, lines: [...ladder.lines, next] } };
  }
  if (ladder.targets.length >= MAX_RUNGS) return null;
  return { ...p, ladder: { ...ladder, targets: [...ladder.targets, added(ladder.targets, space)] } };
}

export function removePeg(p: ClimbParams, id: string): ClimbParams | null {
  const { ladder } = p;
  if (ladder.kind === "line")
    return ladder.lines.length < 2
      ? null
      : { ...p, ladder: { ...ladder, lines: ladder.lines.filter((_, i) => lineId(i) !== id) } };
  return ladder.targets.length < 2
    ? null
    : { ...p, ladder: { ...ladder, targets: ladder.targets.filter((t) => t.id !== id) } };
}
