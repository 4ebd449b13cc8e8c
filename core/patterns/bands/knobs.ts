import type { Knob } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import type { BandsParams } from "./schema.ts";
import { bandsParams } from "./schema.ts";

/** The settings of Bands for the stations. */
export function knobs(params: BandsParams): Knob[] {
  const fields = fieldsOf(bandsParams, params);
  const { total, exact } = params.finish;
  return [
    fields.number("score/length", ["pieces"], "knob.pieces"),
    fields.number("score/length", ["finish", "rounds"], "knob.rounds", {
      off: { label: "knob.noRounds", initial: 5 },
      family: { key: "set.rounds" },
    }),
    fields.number("score/length", ["finish", "total"], "knob.firstTo", {
      off: { label: "knob.noTotal", initial: 21 },
      family: { key: "set.total" },
    }),
    ...(total !== null
      ? [fields.toggle("score/length", ["finish", "exact"], "knob.exact", { family: { key: "set.exact" } })]
      : []),
    ...(total !== null && exact
      ? [
          fields.number("score/length", ["finish", "dropTo"], "knob.dropTo", {
            off: { label: "knob.roundLost", initial: Math.floor(total / 2) },
          }),
        ]
      : []),
    fields.choice(
      "score",
      ["counting"],
      "knob.counting",
      [
        ["all", "knob.countAll"],
        ["difference", "knob.countDifference"],
      ],
      { hint: "knob.countingHint" },
    ),
    fields.choice("score/fine", ["tie"], "knob.tie", [
      ["shared", "knob.tieShared"],
      ["extra", "knob.tieExtra"],
    ]),
    fields.choice(
      "yard/fine",
      ["lineRule"],
      "knob.lineRule",
      [
        ["lower", "knob.lower"],
        ["centre", "knob.centre"],
        ["higher", "knob.higher"],
      ],
      { hint: "knob.lineRuleHint" },
    ),
    fields.choice("yard/fine", ["lastLine"], "knob.lastLine", [
      ["out", "knob.lastOut"],
      ["middle", "knob.lastMiddle"],
      ["past", "knob.lastPast"],
    ]),
    fields.choice("yard/fine", ["overshoot"], "knob.overshoot", [
      ["nothing", "knob.overNothing"],
      ["last", "knob.overLast"],
    ]),
    fields.number("yard", ["width"], "knob.bandWidth", { unit: "m", step: 0.1 }),
    fields.choice("players", ["order"], "knob.pieceOrder", [
      ["piece", "knob.pieceByPiece"],
      ["set", "knob.allAtOnce"],
    ]),
    fields.choice("players/fine", ["lead"], "knob.lead", [
      ["alternate", "knob.leadAlternate"],
      ["winner", "knob.leadWinner"],
      ["loser", "knob.leadLoser"],
      ["same", "knob.leadSame"],
    ]),
    fields.toggle("players", ["blocker"], "knob.blocker", { hint: "knob.blockerHint" }),
  ];
}

export function pegKnobs(params: BandsParams, id: string): Knob[] {
  const i = Number(id.slice(1)) - 1;
  const fields = fieldsOf(bandsParams, params);
  return [
    fields.number("yard", ["lines", i], "knob.distance", { unit: "m", step: 0.05 }),
    ...(i < params.points.length ? [fields.number("yard", ["points", i], "knob.bandPoints")] : []),
  ];
}
