import type { Knob, Space } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { type BandsParams, bandsParams, MAX_BANDS } from "./params.ts";

const cm = (m: number) => Math.round(m * 100) / 100;

/** What the stations offer for bands. */
export function knobs(p: BandsParams): Knob[] {
  const f = fieldsOf(bandsParams, p);
  const { total, exact } = p.finish;
  return [
    f.number("score", ["pieces"], "knob.pieces"),
    f.number("score", ["finish", "rounds"], "knob.rounds", {
      off: { label: "knob.noRounds", initial: 5 },
      family: { key: "set.rounds" },
    }),
    f.number("score", ["finish", "total"], "knob.firstTo", {
      off: { label: "knob.noTotal", initial: 21 },
      family: { key: "set.total" },
    }),
    ...(total !== null ? [f.toggle("score", ["finish", "exact"], "knob.exact", { family: { key: "set.exact" } })] : []),
    ...(total !== null && exact
      ? [
          f.number("score", ["finish", "dropTo"], "knob.dropTo", {
            off: { label: "knob.roundLost", initial: Math.floor(total / 2) },
          }),
        ]
      : []),
    f.choice(
      "score",
      ["counting"],
      "knob.counting",
      [
        ["all", "knob.countAll"],
        ["difference", "knob.countDifference"],
      ],
      { hint: "knob.countingHint" },
    ),
    f.choice("score", ["tie"], "knob.tie", [
      ["shared", "knob.tieShared"],
      ["extra", "knob.tieExtra"],
    ]),
    f.choice(
      "yard",
      ["lineRule"],
      "knob.lineRule",
      [
        ["lower", "knob.lower"],
        ["centre", "knob.centre"],
        ["higher", "knob.higher"],
      ],
      { hint: "knob.lineRuleHint" },
    ),
    f.choice("yard", ["lastLine"], "knob.lastLine", [
      ["out", "knob.lastOut"],
      ["middle", "knob.lastMiddle"],
      ["past", "knob.lastPast"],
    ]),
    f.choice("yard", ["overshoot"], "knob.overshoot", [
      ["nothing", "knob.overNothing"],
      ["last", "knob.overLast"],
    ]),
    f.number("yard", ["width"], "knob.bandWidth", { unit: "m", step: 0.1 }),
    f.choice("players", ["order"], "knob.pieceOrder", [
      ["piece", "knob.pieceByPiece"],
      ["set", "knob.allAtOnce"],
    ]),
    f.choice("players", ["lead"], "knob.lead", [
      ["alternate", "knob.leadAlternate"],
      ["winner", "knob.leadWinner"],
      ["loser", "knob.leadLoser"],
      ["same", "knob.leadSame"],
    ]),
    f.toggle("players", ["blocker"], "knob.blocker", { hint: "knob.blockerHint" }),
  ];
}

export function pegKnobs(p: BandsParams, id: string): Knob[] {
  const i = Number(id.slice(1)) - 1;
  const f = fieldsOf(bandsParams, p);
  return [
    f.number("yard", ["lines", i], "knob.distance", { unit: "m", step: 0.05 }),
    ...(i < p.points.length ? [f.number("yard", ["points", i], "knob.bandPoints")] : []),
  ];
}

export function addPeg(p: BandsParams, space: Space): BandsParams | null {
  const last = p.lines[p.lines.length - 1]!;
  const next = cm(Math.min(last + 0.4, space.length));
  if (p.points.length >= MAX_BANDS || next < last + 0.1) return null;
  return { ...p, lines: [...p.lines, next], points: [...p.points, Math.min(100, p.points[p.points.length - 1]! + 2)] };
}

/** A line goes with the band that begins at it; the last one with the band before it. */
export function removePeg(p: BandsParams, id: string): BandsParams | null {
  if (p.lines.length <= 2) return null;
  const i = Number(id.slice(1)) - 1;
  return {
    ...p,
    lines: p.lines.filter((_, k) => k !== i),
    points: p.points.filter((_, k) => k !== Math.min(i, p.points.length - 1)),
  };
}
