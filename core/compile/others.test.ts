import { describe, expect, it } from "vitest";
import { askOf } from "../asks/ask.ts";
import { isRefusal } from "../contract/contract.ts";
import { personOf } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, gameSettingsOf, parseActivity } from "../formats/activity.ts";
import { listOf } from "../kit/items.ts";
import type { PatternName } from "../patterns/registry.ts";
import { NOTHING_SAID } from "../records/home.ts";
import { take } from "../referee/playing.test-utils.ts";
import { openPlay, type Play, referee, view } from "../referee/referee.ts";
import { forHome, type HomeFacts } from "./for-home.ts";
import { rolesOf } from "./roles.ts";

const ALONE = { players: 1, mode: "alone", seed: 1 } as const;
const items = listOf([]);
const home = (kit: Record<string, number>): HomeFacts => ({ ...NOTHING_SAID, id: "h", label: "a home", kit });
const withOthers = (name: PatternName, others: string[], params: object): Activity => {
  const design = fromPattern(name);
  const doc = {
    ...design,
    kit: { ...design.kit, others },
    pattern: { name, params: { ...design.pattern.params, ...params } },
  };
  return activity.parse(doc);
};
const withWhat = (play: Play) => askOf(view(play).asks, "send")?.manner.thing ?? "send";

describe("things that take turns", () => {
  it("come word by word and mark by mark, and each has its own chances", () => {
    const words = withOthers("speller", ["softBall"], { things: ["send", "other1"], list: "sun, sand" });
    const play = openPlay(gameSettingsOf(words), ALONE);
    expect(withWhat(play)).toBe("send");
    const next = take(play, ...["c1", "c4", "c3"].map((hit) => ({ kind: "send", hit })));
    expect(withWhat(next)).toBe("other1");
    const person = personOf(words, { age: 8 });
    expect(person.sends({ thing: "other1" }).sending.item.id).toBe("softBall");
    expect(person.sends({}).sending.item.id).toBe("sockBall");
    expect(person.sends({ thing: "other1" }).spread).not.toEqual(person.sends({}).spread);
    const marks = withOthers("passLadder", ["sockBall"], { things: ["other1", "send"], passes: 1 });
    const game = openPlay(gameSettingsOf(marks), ALONE);
    expect([withWhat(game), withWhat(take(game, { kind: "send", rest: "m1" }))]).toEqual(["other1", "send"]);
  });

  it("are a stage's own in a streak", () => {
    const design = fromPattern("streak");
    const stages = (design.pattern.params as { stages: object[] }).stages.map((stage, i) => ({
      ...stage,
      thing: i === 0 ? "send" : "other1",
    }));
    const play = openPlay(gameSettingsOf(withOthers("streak", ["balloon"], { stages })), ALONE);
    const thing = (givenPlay: Play) => askOf(view(givenPlay).asks, "count")?.manner.thing;
    expect(thing(play)).toBeUndefined();
    const { count } = (design.pattern.params as { stages: { count: number }[] }).stages[0]!;
    expect(thing(take(play, { kind: "count", n: count }))).toBe("other1");
  });

  it("are called first on a board, and fetched at the end each is sent once", () => {
    const design = withOthers("board", ["softBall", "balloon"], {
      choice: "thing",
      things: ["send", "other1", "other2"],
      fetch: "end",
      sends: null,
    });
    const call = (pick: string) => ({ kind: "choose", of: "thing", pick });
    const play = openPlay(gameSettingsOf(design), ALONE);
    expect(view(play).now.key).toBe("board.thing");
    const one = take(play, call("other1"));
    expect(withWhat(one)).toBe("other1");
    const sent = take(one, { kind: "send", hit: "t1" });
    expect(askOf(view(sent).asks, "choose")!.options).toEqual(["send", "other2"]);
    const again = referee(sent, { at: 0, ...call("other1") } as never);
    expect(isRefusal(again) && again.refused.key).toBe("refused.usedUp");
    const over = take(sent, call("send"), { kind: "send", hit: null }, call("other2"), { kind: "send", hit: "t3" });
    expect(view(over).done).toBe("over");
    expect(view(over).score[0]!.value).toBe(7);
  });

  it("are chosen for each home, another one each; where there are not so many the one serves for all", () => {
    const design = withOthers("passLadder", ["sockBall"], { things: ["send", "other1"] });
    expect(
      rolesOf(design, 1)
        .roles.map((role) => role.id)
        .slice(0, 2),
    ).toEqual(["send", "other1"]);
    const rich = forHome(design, { age: 8 }, home({ sock: 6, softBall: 1, tape: 1, rope: 1 }), items).activity;
    expect(new Set([rich.kit.send, ...rich.kit.others]).size).toBe(2);
    const poor = forHome(design, { age: 8 }, home({ softBall: 1 }), items).activity;
    expect(poor.kit.others).toHaveLength(1);
    expect(activity.safeParse(rich).success && activity.safeParse(poor).success).toBe(true);
  });

  it("must be there, and be something that can be sent", () => {
    const design = fromPattern("passLadder");
    const of = (others: string[], things: string[]) => {
      const read = parseActivity({
        ...design,
        kit: { ...design.kit, others },
        pattern: { name: "passLadder", params: { ...design.pattern.params, things } },
      });
      return read.ok ? [] : read.problems.map((problem) => problem.message);
    };
    expect(of([], ["send", "other1"])).toEqual(["there is no object 2 yet. Add it in Kit."]);
    expect(of(["bucket"], [])[0]).toMatch(/^object 2 must be an item from the list/);
    expect(of(["sockBall", "softBall", "balloon", "sponge"], [])[0]).toMatch(/at most 3/);
  });
});
