import type { Knob, Space } from "../contract.ts";
import { type BandsParams, MOST_BANDS } from "./params.ts";

const cm = (m: number) => Math.round(m * 100) / 100;
const choice = (
  station: Knob["station"],
  path: string,
  label: string,
  options: readonly (readonly [value: unknown, label: string])[],
  hint?: string,
): Knob => ({
  station,
  kind: "choice",
  path: [path],
  label,
  hint,
  options: options.map(([value, name]) => ({ value, label: name })),
});

/** What the stations offer for bands. */
export function knobs(p: BandsParams): Knob[] {
  const out: Knob[] = [
    { station: "score", kind: "number", path: ["pieces"], label: "knob.pieces", least: 1, most: 10, step: 1 },
    {
      station: "score",
      kind: "number",
      path: ["finish", "rounds"],
      label: "knob.rounds",
      least: 1,
      most: 100,
      step: 1,
      off: { label: "knob.noRounds", initial: 5 },
    },
    {
      station: "score",
      kind: "number",
      path: ["finish", "total"],
      label: "knob.firstTo",
      least: 1,
      most: 1000,
      step: 1,
      off: { label: "knob.noTotal", initial: 21 },
    },
  ];
  if (p.finish.total !== null)
    out.push({ station: "score", kind: "toggle", path: ["finish", "exact"], label: "knob.exact" });
  if (p.finish.total !== null && p.finish.exact)
    out.push({
      station: "score",
      kind: "number",
      path: ["finish", "dropTo"],
      label: "knob.dropTo",
      least: 0,
      most: 999,
      step: 1,
      off: { label: "knob.roundLost", initial: Math.floor(p.finish.total / 2) },
    });
  out.push(
    choice(
      "score",
      "counting",
      "knob.counting",
      [
        ["all", "knob.countAll"],
        ["difference", "knob.countDifference"],
      ],
      "knob.countingHint",
    ),
    choice("score", "tie", "knob.tie", [
      ["shared", "knob.tieShared"],
      ["extra", "knob.tieExtra"],
    ]),
    { station: "score", kind: "toggle", path: ["carry"], label: "knob.carry" },
    choice(
      "yard",
      "lineRule",
      "knob.lineRule",
      [
        ["lower", "knob.lower"],
        ["centre", "knob.centre"],
        ["higher", "knob.higher"],
      ],
      "knob.lineRuleHint",
    ),
    choice("yard", "lastLine", "knob.lastLine", [
      ["out", "knob.lastOut"],
      ["middle", "knob.lastMiddle"],
      ["past", "knob.lastPast"],
    ]),
    choice("yard", "overshoot", "knob.overshoot", [
      ["nothing", "knob.overNothing"],
      ["last", "knob.overLast"],
    ]),
    {
      station: "yard",
      kind: "number",
      unit: "m",
      path: ["width"],
      label: "knob.bandWidth",
      least: 0.3,
      most: 10,
      step: 0.1,
    },
    choice("players", "order", "knob.pieceOrder", [
      ["piece", "knob.pieceByPiece"],
      ["set", "knob.allAtOnce"],
    ]),
    choice("players", "lead", "knob.lead", [
      ["alternate", "knob.leadAlternate"],
      ["winner", "knob.leadWinner"],
      ["loser", "knob.leadLoser"],
      ["same", "knob.leadSame"],
    ]),
    { station: "players", kind: "toggle", path: ["blocker"], label: "knob.blocker", hint: "knob.blockerHint" },
  );
  return out;
}

export function pegKnobs(p: BandsParams, id: string): Knob[] {
  const i = Number(id.slice(1)) - 1;
  const out: Knob[] = [
    {
      station: "yard",
      kind: "number",
      unit: "m",
      path: ["lines", i],
      label: "knob.distance",
      least: 0.3,
      most: 30,
      step: 0.05,
    },
  ];
  if (i < p.points.length)
    out.push({
      station: "yard",
      kind: "number",
      path: ["points", i],
      label: "knob.bandPoints",
      least: 0,
      most: 100,
      step: 1,
    });
  return out;
}

export function addPeg(p: BandsParams, space: Space): BandsParams | null {
  const last = p.lines[p.lines.length - 1]!;
  const next = cm(Math.min(last + 0.4, space.length));
  if (p.points.length >= MOST_BANDS || next < last + 0.1) return null;
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
