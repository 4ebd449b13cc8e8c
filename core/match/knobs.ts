import type { Knob } from "../contract/contract.ts";
import { fieldsOf } from "../contract/fields.ts";
import type { Match, MatchField } from "../contract/match.ts";
import { match } from "../contract/match-schema.ts";
import type { Swap } from "../contract/swaps.ts";

const USUAL: readonly (readonly [Swap, string])[] = [
  ["send", "knob.swapSend"],
  ["miss", "knob.swapMiss"],
  ["budget", "knob.swapBudget"],
  ["go", "knob.swapGo"],
];

/** The settings of a match that its pattern can use. */
export function matchKnobs(
  givenMatch: Match,
  fields: readonly MatchField[],
  swaps: readonly (readonly [Swap, string])[] = USUAL,
): Knob[] {
  const f = fieldsOf(match, givenMatch);
  const of = "match" as const;
  const all: Record<MatchField, () => Knob[]> = {
    seconds: () => [
      f.number("score/length", ["seconds"], "knob.timeLimit", {
        of,
        unit: "s",
        step: 5,
        family: { key: "set.seconds" },
        off: { label: "knob.noBell", initial: 120 },
      }),
    ],
    goes: () => [
      f.number("score/length", ["goes", "count"], "knob.goes", { of, family: { key: "set.goes" } }),
      ...(givenMatch.goes.count > 1
        ? [
            f.choice(
              "score/length",
              ["goes", "keep"],
              "knob.keep",
              [
                ["best", "knob.best"],
                ["total", "knob.total"],
              ],
              { of },
            ),
          ]
        : []),
    ],
    swap: () => [
      f.choice("players", ["swap"], "knob.swap", swaps, { of, ...(swaps === USUAL && { hint: "knob.swapHint" }) }),
    ],
    end: () => [
      f.choice(
        "players",
        ["end"],
        "knob.end",
        [
          ["all", "knob.endAll"],
          ["first", "knob.endFirst"],
        ],
        { of },
      ),
    ],
    foot: () => [
      f.choice(
        "score/fine",
        ["foot"],
        "knob.foot",
        [
          ["spent", "knob.footSpent"],
          ["again", "knob.footAgain"],
          ["ignored", "knob.footIgnored"],
        ],
        { of },
      ),
    ],
    calls: () => [
      f.choice(
        "players/fine",
        ["calls"],
        "knob.calls",
        [
          ["replayed", "knob.callsReplayed"],
          ["looks", "knob.callsLooks"],
          ["agreed", "knob.callsAgreed"],
        ],
        { of },
      ),
    ],
    carry: () => [f.toggle("score/fine", ["carry"], "knob.carry", { of })],
  };
  // People may disagree in any game.
  return [...fields, "calls" as const].flatMap((field) => all[field]());
}
