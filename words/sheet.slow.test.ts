import { describe, expect, it } from "vitest";
import { compileFor } from "#core/compile/card.ts";
import type { Knob } from "#core/contract/contract.ts";
import { fieldOf, setTo } from "#core/contract/range.ts";
import { withSetting } from "#core/contract/settings.ts";
import { type Activity, activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { sheetWords } from "./generated/sheet.ts";
import { sheetRules } from "./sheet.ts";

const cardOf = (designed: Activity) =>
  compileFor({
    designed,
    child: { age: 8, step: null, leftHanded: false },
    homes: [{ ...NOTHING_SAID, id: "h", label: "h" }],
    items: { own: [], hidden: [] },
  });
const all = (givenActivity: Activity) => JSON.stringify(sheetRules(cardOf(givenActivity)));

/** Another value that a field may have. Undefined if the test knows none. */
function other(knob: Knob, value: unknown): unknown {
  switch (knob.kind) {
    case "toggle":
      return value !== true;
    case "number": {
      if (typeof value !== "number") return knob.least + (knob.step ?? 1);
      return value + (knob.step ?? 1) <= knob.most ? value + (knob.step ?? 1) : value - (knob.step ?? 1);
    }
    case "choice":
      return knob.options.find((option) => JSON.stringify(option.value) !== JSON.stringify(value))?.value;
    default:
      return undefined;
  }
}

/** Fields that the plan, the set-up steps or the boxes of the sheet show, or that only concern the screen. */
const ELSEWHERE =
  /^knob\.(board|pinCount|full|cards|cardsUp|formation|shape|pinGap|bandWidth|laneWidth|cellSize|squareCell|marked|goalsWidth|courtNear|courtFar|netHeight|grow|told|how|calls|carry|mix)$/;

describe.each(patternNames)("%s on paper", (name) => {
  const design = fromPattern(name);

  it("says what to do, with every sentence whole", () => {
    expect(sheetWords).toHaveProperty([`sheet.how.${name}`]);
    const rules = sheetRules(cardOf(design));
    for (const text of [rules.how, rules.players, ...rules.facts]) {
      expect(text).not.toMatch(/[[\]{}*]|undefined|NaN|\bsends?\b/);
      expect(text).toMatch(/[.]$/);
    }
  });

  it("has every field that changes a score: another value reads otherwise", () => {
    const silent: string[] = [];
    for (const knob of opened(design).knobs()) {
      if (ELSEWHERE.test(knob.label) || knob.kind === "ways" || knob.kind === "turns") continue;
      // Without a bell nothing is in the air when it rings.
      const bell = knob.label === "knob.inAir" && design.match.seconds === null ? 60 : design.match.seconds;
      const timed = { ...design, match: { ...design.match, seconds: bell } };
      const game = { params: timed.pattern.params, match: timed.match };
      const value = other(knob, setTo(knob, game));
      if (value === undefined) continue;
      const next = withSetting(game, { field: fieldOf(knob), value: value as never });
      const read = activity.safeParse({ ...design, pattern: { name, params: next.params }, match: next.match });
      // The document does not allow this value together with the others.
      if (!read.success) continue;
      if (all(read.data) === all(timed)) silent.push(`${knob.label} ${JSON.stringify(value)}`);
    }
    expect(silent).toEqual([]);
  });
});

describe("a sheet", () => {
  it("says in the setting up how many pins stand", () => {
    for (const name of ["pins", "stackUp"] as const)
      expect(JSON.stringify(cardOf(fromPattern(name)).notes)).toMatch(/"(count|pins|full)":6|"6"/);
  });
  it("names the points of each target, the words and the tasks", () => {
    expect(sheetRules(cardOf(fromPattern("board"))).points).toMatch(/ 2, .* 3, .* 5$/);
    expect(all(fromPattern("speller"))).toContain("sun, sand, and");
    expect(all(fromPattern("checklist"))).toContain("toss and catch");
    expect(all(fromPattern("streak"))).toContain("5 in a row");
    expect(all(fromPattern("pins"))).toMatch(/2 points.*3/);
    expect(all(fromPattern("tally"))).toContain("45 seconds");
    expect(all(fromPattern("climb"))).toContain("16 rolls");
  });
  it("has the rules for moments that seldom come, where they may come", () => {
    const facts = (
      name: Parameters<typeof fromPattern>[0],
      params: object = {},
      modes?: Activity["players"]["modes"],
    ) => {
      const design = fromPattern(name);
      const next = {
        ...design,
        players: { ...design.players, ...(modes && { modes }) },
        pattern: { ...design.pattern, params: { ...(design.pattern.params as object), ...params } },
      };
      return sheetRules(cardOf(activity.parse(next))).facts.join(" ");
    };
    expect(facts("streak")).toContain("out of turn is a drop");
    expect(facts("streak", {}, ["alone"])).not.toContain("out of turn");
    expect(facts("passLadder")).toContain("out of turn is a drop");
    expect(facts("closest", { leads: "loser" })).toContain("farthest from the jack leads");
    expect(facts("closest")).not.toContain("farthest");
    expect(facts("closest")).toContain("the round does not count");
    expect(facts("swapSquare", { score: "time" })).toContain("as soon as one side finishes");
    expect(facts("swapSquare")).not.toContain("race");
    expect(facts("bases", { outs: ["first"] })).toContain("has to run");
    expect(facts("bases")).not.toContain("has to run");
    expect(facts("threeLine")).toContain("a line for both sides");
    expect(facts("stackUp", { heap: "shared" })).toContain("each side has its own rounds");
    expect(facts("stackUp")).not.toContain("own rounds");
  });
});

it("mentions objects in the air only if the game can have a bell", () => {
  const design = fromPattern("board");
  const facts = (seconds: number | null) =>
    sheetRules(cardOf({ ...design, match: { ...design.match, seconds } })).facts.filter((fact) =>
      fact.includes("in the air"),
    );
  expect(facts(null)).toEqual([]);
  expect(facts(60)).toHaveLength(1);
});
