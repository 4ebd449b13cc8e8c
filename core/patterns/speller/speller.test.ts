import { describe, expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern } from "../../formats/activity.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { speller } from "./index.ts";
import { fewestOf, laidOut } from "./params.ts";
import { type SpellerParams, spellerParams } from "./schema.ts";
import { tellSpeller } from "./speller.reference.ts";
import { entriesOf, signsOf } from "./words.ts";

const { params: base } = speller.example;
const of = (over: object): SpellerParams => spellerParams.parse({ ...base, ...over });
const card = (text: string, i: number) => ({
  id: `c${i + 1}`,
  text,
  distance: 1.5 + (i % 3) * 0.4,
  across: i * 0.3 - 0.6,
});
const cards = (letters: string) => [...letters].map(card);

function spellerOf(draws: Draw): Drawn<SpellerParams> {
  const knock = draws.one(["once", "word", "down"] as const);
  const lists: Record<SpellerParams["knock"], readonly (readonly [letters: string, list: string])[]> = {
    once: [
      ["abc", "ab, cab"],
      ["ab", "aba, b"],
    ],
    word: [
      ["aabc", "aba, cab"],
      ["abc", "ab, cab"],
    ],
    down: [
      ["aabbc", "ab, cab"],
      ["abc", "bca"],
    ],
  };
  const [letters, list] = draws.one(lists[knock]);
  const params = of({
    cards: cards(letters),
    list,
    knock,
    wrong: draws.one(["stays", "costs", "restarts"]),
    does: draws.one([[], [], ["travel"], ["send", "travel"], ["write", "send"], ["send", "write", "travel"]]),
    sends: 2 + draws.upTo(7),
    score: draws.one(["letters", "words", "sends"]),
  });
  const around = match.parse({
    seconds: draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    swap: draws.one(["send", "miss", "go", "once"]),
    end: draws.one(["all", "first"]),
  });
  return { params, match: around };
}
function spellerEvent(draws: Draw, at: number, params: SpellerParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.06)
    ? draws.one(["send", "ready", "bell"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  if (kind === "choose")
    return {
      kind,
      at,
      of: draws.chance(0.97) ? "letter" : "target",
      pick: draws.chance(0.05) ? null : draws.one(params.cards).id,
    };
  if (kind !== "send") return { kind: kind as "ready", at };
  return { kind, at, hit: draws.chance(0.15) ? null : draws.chance(0.02) ? "nowhere" : draws.one(params.cards).id };
}

describe("Speller", () => {
  it("a second telling agrees", () => {
    expect(run(speller.rules, tellSpeller, spellerOf, spellerEvent)).toBeGreaterThan(SEQUENCES / 30);
  }, 400_000);

  it("shows what wrong cards cost, and what was started again", () => {
    const working = (wrong: string) => {
      let state = speller.rules.start(of({ cards: cards("abc"), list: "abc", knock: "once", wrong }), USUAL_MATCH, {
        players: 1,
        mode: "alone",
        seed: 1,
      });
      for (const hit of ["c2", "c1", "c2", "c1", null, "c3"])
        state = speller.rules.step(state, { kind: "send", at: 0, hit }) as typeof state;
      return speller.rules.score(state)[0]!.working;
    };
    // A wrong card at nought costs nothing.
    expect(working("costs")).toBe("3 {right} - 1 {wrong} = 2");
    expect(working("restarts")).toBe("2 {right} - 2 {again} = 0");
    expect(working("stays")).toBe("");
  });

  it("a word that is gone to takes the way from card to card, one that is written its letters, and neither takes a send", () => {
    const travel = (over: object) => ({
      ...fromPattern("speller"),
      pattern: { name: "speller", params: of({ cards: cards("abc"), list: "abc", score: "time", ...over }) },
      match: USUAL_MATCH,
    });
    const minutes = (over: object) => {
      const forecast = forecastActivity(
        travel(over) as never,
        [{ age: 8 }],
        { players: 1, mode: "alone", seed: 1 },
        "middle",
      );
      expect(forecast.sides[0]!.finish).toBeCloseTo(1, 12);
      expect(mean(forecast.sides[0]!.sends)).toBe(0);
    };
    minutes({ does: ["travel"] });
    minutes({ does: ["write"] });
    const asked = (over: object) => {
      const state = speller.rules.start(of({ cards: cards("abc"), list: "abc", ...over }), USUAL_MATCH, {
        players: 1,
        mode: "alone",
        seed: 1,
      });
      const [ask] = speller.rules.asks(state);
      return ask!.kind === "choose" || ask!.kind === "task" ? ask!.takes.seconds : 0;
    };
    // The first card stands 1.5 m ahead and 0.6 m aside.
    expect(asked({ does: ["travel"], travel: "hop" })).toBeCloseTo(1 + Math.hypot(1.5, 0.6) / 0.9, 9);
    expect(asked({ does: ["travel"], travel: "crawl" })).toBeGreaterThan(asked({ does: ["travel"], travel: "hop" }));
    expect(asked({ does: ["write"] })).toBe(6);
    expect(
      speller.possible!(of({ cards: cards("abc"), list: "ab, ca", does: ["send", "travel"], sends: 2 }), USUAL_MATCH)
        .most,
    ).toBe(2);
    expect(
      speller.possible!(of({ cards: cards("abc"), list: "ab, ca", does: ["travel", "send"], sends: 1 }), USUAL_MATCH)
        .most,
    ).toBe(3);
    expect(speller.problems(of({ does: ["travel"], score: "sends" }), USUAL_MATCH)[0]!.path).toEqual([
      "params",
      "score",
    ]);
  });

  it("distinct letters that stand up at once are a climb in which another target is a spent send", () => {
    const spots = [
      { distance: 1.5, across: -0.4 },
      { distance: 2, across: 0.35 },
      { distance: 2.4, across: -0.1 },
    ];
    const activity = fromPattern("speller");
    const spelling = {
      ...activity,
      pattern: {
        name: "speller",
        params: of({
          up: 0,
          cards: spots.map((spot, i) => ({ ...spot, id: `c${i + 1}`, text: "xyz"[i] })),
          list: "xyz",
          sends: 12,
          score: "sends",
        }),
      },
    } as typeof activity;
    const climbing = {
      ...activity,
      pattern: {
        name: "climb",
        params: {
          ladder: {
            kind: "targets",
            order: "listed",
            targets: spots.map((spot, i) => ({
              ...spot,
              id: `c${i + 1}`,
              item: "paperSheet",
              label: "",
              width: base.card.width,
              height: base.card.height,
              counts: ["touch"],
            })),
          },
          tries: 12,
          scoring: { by: "tries" },
          forfeit: null,
        },
      },
    } as typeof activity;
    const alone = { players: 1, mode: "alone", seed: 1 } as const;
    const [one, two] = [spelling, climbing].map(
      (eachActivity) => forecastActivity(eachActivity, [{ age: 8 }], alone, "middle").sides[0]!,
    );
    expect(one!.finish).toBeGreaterThan(0.2);
    expect(one!.finish).toBeCloseTo(two!.finish, 10);
    expect(mean(one!.sends)).toBeCloseTo(mean(two!.sends), 10);
  });

  it("keeps signs of two letters together, in any script", () => {
    expect(signsOf("chat", ["c", "h", "ch", "a", "t"])).toEqual(["ch", "a", "t"]);
    expect(signsOf("мяч", ["м", "я", "ч"])).toEqual(["м", "я", "ч"]);
    expect(signsOf("cat", ["c", "a"])).toBeNull();
    expect(entriesOf("sun, 3 + 4 = 7; Ball")).toEqual([
      { prompt: "sun", text: "sun" },
      { prompt: "3 + 4", text: "7" },
      { prompt: "Ball", text: "ball" },
    ]);
  });

  it("names the card that a word misses, and says how many the list takes", () => {
    const issue = (over: object) => spellerParams.safeParse({ ...base, ...over }).error?.issues[0];
    expect(issue({ list: "sun, moon" })).toMatchObject({
      path: ["list"],
      message: '"moon" (word 2) needs a card "m". Add the card, or remove the word.',
    });
    expect(issue({ cards: cards("anb"), list: "ban, anna", knock: "word" })?.message).toBe(
      '"anna" (word 2) needs another card "a". Add the card, or remove the word.',
    );
    expect(issue({ list: " , " })?.message).toMatch(/^the list can have 1 to 30 words; it has 0/);
    expect(fewestOf(of({ list: "sun, sand, and" }))).toBe(5);
    const laid = laidOut(of({ cards: cards("sunadsunad"), list: "sun, sand", knock: "down" }), { width: 2 })!;
    expect(
      laid
        .map((c) => c.text)
        .sort()
        .join(""),
    ).toBe("adnnssu");
    expect(issue({ cards: laid, list: "sun, sand", knock: "down" })).toBeUndefined();
    expect(speller.problems(of({ show: "picture" }), USUAL_MATCH)[0]?.message).toMatch(/no picture of "sun"/);
  });
});
