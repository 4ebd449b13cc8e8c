import { describe, expect, it } from "vitest";
import { isRefusal } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { PlayEvent } from "../events/events.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { patternNames, patterns } from "../patterns/registry.ts";
import { bodiesOf, missOf } from "./play.ts";
import { bellAt, openPlay, outlook, type Play, referee, replay, view } from "./referee.ts";

const climb = { name: "climb", params: patterns.climb.example.params };
const bands = { name: "bands", params: patterns.bands.example.params };
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const two = { players: 2, mode: "against", seed: 1 } as const;
const send = (hit: string | null, at = 0): PlayEvent => ({ kind: "send", hit, at });
const rest = (zone: string): PlayEvent => ({ kind: "send", rest: zone, at: 0 });

describe("referee", () => {
  it("undoes, and the record keeps everything", () => {
    const { play } = replay(climb, alone, [send("t1"), send("t2"), { kind: "undo", at: 0 }]);
    expect(view(play).score[0]).toMatchObject({ value: 2 });
    expect(play.record).toHaveLength(3);
    expect(view(play).now).toEqual({ key: "climb.target", params: { label: "box", item: "box", number: 2, of: 5 } });
  });

  it("corrects an earlier event with a reason, replaying what followed", () => {
    const { play } = replay(climb, alone, [send("t1"), send(null), send("t2")]);
    const fixed = referee(play, {
      kind: "correct",
      at: 5,
      seq: 1,
      event: { kind: "send", at: 0, hit: "t2" },
      reason: "it touched",
    });
    if (isRefusal(fixed)) throw new Error("refused");
    expect(view(fixed).score[0]!.value).toBe(5);
    expect(view(fixed).progress[0]).toMatchObject({ sends: 3, stage: 2 });
  });

  it("refuses in words and changes nothing", () => {
    const { play } = replay(climb, alone, [send("t1")]);
    expect(referee(play, send("t9"))).toEqual({ refused: { key: "refused.unknownTarget", params: { target: "t9" } } });
    expect(referee(openPlay(climb, alone), { kind: "undo", at: 0 })).toEqual({
      refused: { key: "refused.nothingToUndo" },
    });
    expect(replay(climb, alone, [send("t1"), rest("z1")])).toMatchObject({
      seq: 1,
      refused: { key: "refused.notInGame" },
    });
  });

  it("records that something else is sent now: it changes no score, is undone like anything else, and survives a correction", () => {
    const swap = (item: string): PlayEvent => ({ kind: "object", at: 0, role: "send", item });
    const { play } = replay(climb, alone, [swap("shirtRoll"), send("t1"), swap("sockBall"), send("t2")]);
    expect(view(play).objects).toEqual({ send: "sockBall" });
    expect(view(play).score[0]).toMatchObject({ value: 5 });
    expect(view(play).progress[0]).toMatchObject({ sends: 2 });
    const back = replay(climb, alone, [swap("shirtRoll"), send("t1"), swap("sockBall"), { kind: "undo", at: 0 }]).play;
    expect(view(back).objects).toEqual({ send: "shirtRoll" });
    const fixed = referee(play, {
      kind: "correct",
      at: 9,
      seq: 1,
      event: { kind: "send", at: 0, hit: null },
      reason: "no",
    });
    if (isRefusal(fixed)) throw new Error("refused");
    expect(view(fixed).objects).toEqual({ send: "sockBall" });
    const over = replay(
      climb,
      alone,
      ["t1", "t2", "t3", "t4", "t5"].map((text) => send(text)),
    ).play;
    expect(referee(over, swap("sockBall"))).toEqual({ refused: { key: "refused.over" } });
    const stopped = replay(climb, alone, [{ kind: "stop", at: 0 }]).play;
    expect(referee(stopped, swap("sockBall"))).toEqual({ refused: { key: "refused.stopped" } });
  });

  it("stands still with its clock, and only what ends or mends it is taken meanwhile", () => {
    const tally = { name: "tally", params: patterns.tally.example.params, match: patterns.tally.example.match };
    const { play } = replay(tally, alone, [
      { kind: "ready", at: 1000 },
      { kind: "count", at: 3000, n: 2 },
    ]);
    const due = bellAt(view(play))!;
    const take = (givenPlay: typeof play, ...events: PlayEvent[]) =>
      events.reduce((eachPlay, event) => {
        const next = referee(eachPlay, event);
        if (isRefusal(next)) throw new Error(next.refused.key);
        return next;
      }, givenPlay);
    const still = take(play, { kind: "pause", at: 4000 });
    expect(view(still)).toMatchObject({ paused: true, asks: [], done: null, canUndo: true });
    expect(outlook(still)).toEqual([]);
    expect(referee(still, { kind: "count", at: 5000, n: 1 })).toEqual({ refused: { key: "refused.paused" } });
    expect(referee(still, { kind: "pause", at: 5000 })).toEqual({ refused: { key: "refused.paused" } });
    expect(referee(play, { kind: "goOn", at: 5000 })).toEqual({ refused: { key: "refused.notPaused" } });
    expect(referee(still, { kind: "goOn", at: 3999 })).toEqual({ refused: { key: "refused.earlier" } });
    expect(view(take(still, { kind: "stop", at: 9000 })).done).toBe("stopped");
    expect(view(take(still, { kind: "undo", at: 9000 })).score[0]!.value).toBe(0);
    // Twice: both are added up, and the bell goes so much later.
    const on = take(still, { kind: "goOn", at: 10_000 }, { kind: "pause", at: 11_000 }, { kind: "goOn", at: 11_500 });
    expect(view(on)).toMatchObject({ paused: false, still: 6500 });
    expect(bellAt(view(on))).toBe(due + 6500);
    expect(referee(on, { kind: "bell", at: due + 6499 })).toHaveProperty("refused.key", "refused.bellEarly");
    const late = take(on, { kind: "count", at: due + 6000, n: 3 }, { kind: "bell", at: due + 6500 });
    expect(bellAt(view(late))).toBeNull();
    // What a correction changes keeps its time, and an outcome that is looked ahead to can be told as it is.
    const fixed = take(late, {
      kind: "correct",
      at: due + 7000,
      seq: 1,
      event: { kind: "count", at: 0, n: 4 },
      reason: "more",
    });
    expect(view(fixed).score[0]!.value).toBe(view(late).score[0]!.value + 2);
    expect(isRefusal(referee(on, outlook(on)[0]!.event))).toBe(false);
  });

  it.each(patternNames)(
    "a foot over the line in %s is a spent miss, whatever was hit; or it is sent again, or nobody minds",
    (name) => {
      const activity = fromPattern(name);
      const setup = activity.players.modes.includes("alone")
        ? alone
        : ({ players: 2, mode: "against", seed: 1 } as const);
      const begun = (foot: Match["foot"]) => {
        let play = openPlay(gameSettingsOf({ ...activity, match: { ...activity.match, foot } }), setup);
        // As far as the first send.
        for (let i = 0; i < 3 && !view(play).asks.some((ask) => missOf(ask)); i++) {
          const next = outlook(play)[0];
          if (!next) break;
          play = referee(play, next.event) as Play;
        }
        return play;
      };
      const first = view(begun("spent")).asks.find((ask) => missOf(ask));
      if (!first) return;
      const seen = (play: Play, event: object) => {
        const after = referee(play, { at: 0, ...event } as PlayEvent);
        if (isRefusal(after)) throw new Error(after.refused.key);
        const { score, progress, player, now } = view(after);
        return { score, progress, player, now };
      };
      const [miss, hit] = [missOf(first)!, bodiesOf(first)[0]!];
      const over = { ...hit, foot: true };
      expect(seen(begun("spent"), over)).toEqual(seen(begun("spent"), miss));
      expect(seen(begun("ignored"), over)).toEqual(seen(begun("ignored"), hit));
      const { score, progress } = view(begun("again"));
      expect(seen(begun("again"), over)).toMatchObject({ score, progress });
    },
  );

  it("a correction may end the game earlier: what came after is set aside, and listed", () => {
    const short = { name: "sweep", params: { ...patterns.sweep.example.params, sends: 12 } };
    const ids = patterns.sweep.example.params.targets.map((target) => target.id);
    const { play } = replay(short, alone, [...ids.slice(0, -1).map((id) => send(id)), send(null), send(null)]);
    const last = ids.length - 1;
    const event = { kind: "send", at: 0, hit: ids[last]! } as const;
    const fixed = referee(play, { kind: "correct", at: 9, seq: last, event, reason: "it fell" }) as Play;
    expect(view(fixed)).toMatchObject({ done: "over", aside: [last + 1] });
    expect(view(fixed).progress[0]!.sends).toBe(ids.length);
    expect(fixed.record).toHaveLength(ids.length + 2);
    expect(view(play).aside).toEqual([]);
  });

  it("keeps what is sent again because of a foot or a call, and it changes nothing", () => {
    const { play } = replay(climb, alone, [
      send("t1"),
      { kind: "again", at: 1, why: "call" },
      { kind: "again", at: 2, why: "foot" },
      send("t2", 3),
    ]);
    expect(view(play).progress[0]).toMatchObject({ sends: 2, stage: 2 });
    expect(play.record).toHaveLength(4);
    const back = replay(climb, alone, [
      send("t1"),
      { kind: "again", at: 1, why: "call" },
      { kind: "undo", at: 2 },
    ]).play;
    expect(view(back).progress[0]).toMatchObject({ sends: 1 });
    const tally = { name: "tally", params: patterns.tally.example.params, match: patterns.tally.example.match };
    expect(referee(openPlay(tally, alone), { kind: "again", at: 0, why: "call" })).toEqual({
      refused: { key: "refused.nothingSent" },
    });
  });

  it("takes a correction back when later events would no longer be allowed", () => {
    const game = { name: "bands", params: { ...patterns.bands.example.params, pieces: 1 } };
    const { play } = replay(game, two, [rest("z4"), rest("z1"), { kind: "ready", at: 0 }]);
    const to = referee(play, { kind: "correct", at: 1, seq: 1, event: { kind: "stand", at: 0 }, reason: "slip" });
    expect(to).toEqual({ refused: { key: "refused.correction", params: { number: 2 } } });
  });

  it("shows the sum of a round by difference, with a knocked piece where it ended", () => {
    const events: PlayEvent[] = [
      rest("z3"),
      rest("z2"),
      rest("z4"),
      rest("z3"),
      rest("short"),
      { kind: "move", at: 0, piece: 0, place: "z2" },
      rest("over"),
      { kind: "ready", at: 0 },
    ];
    const { play } = replay(bands, two, events);
    const now = view(play);
    expect(now.score.map((score) => score.value)).toEqual([2, 0]);
    expect(now.score[0]!.working).toBe("8 - 6 = 2");
    expect(now.player).toBe(0);
  });

  it("drops back after going over an exact total", () => {
    const params = {
      ...patterns.bands.example.params,
      pieces: 1,
      counting: "all",
      finish: { rounds: null, total: 10, exact: true, dropTo: 5 },
    };
    const { play } = replay({ name: "bands", params }, alone, [
      rest("z4"),
      { kind: "ready", at: 0 },
      rest("z4"),
      { kind: "ready", at: 0 },
    ]);
    expect(view(play).score[0]).toMatchObject({ value: 5, working: "6 + 6 = 12; 12 > 10: 5" });
    const { play: done } = replay({ name: "bands", params }, alone, [
      ...play.record,
      rest("z3"),
      { kind: "ready", at: 0 },
      rest("z1"),
      { kind: "ready", at: 0 },
    ]);
    expect(view(done).ending).toMatchObject({ reason: { key: "bands.end.total" } });
  });

  it("a go can be stopped, and the stop undone; every outcome can be looked at first", () => {
    const { play } = replay(climb, alone, [send("t1"), { kind: "stop", at: 1 }]);
    expect(view(play)).toMatchObject({ done: "stopped", asks: [] });
    const back = referee(play, { kind: "undo", at: 2 });
    if (isRefusal(back)) throw new Error("refused");
    expect(view(back)).toMatchObject({ from: "start", doneParts: ["t1"] });
    expect(outlook(back)).toHaveLength(6);
    expect(
      outlook(back).find((eachOutlook) => eachOutlook.event.kind === "send" && eachOutlook.event.hit === "t2")!,
    ).toMatchObject({
      score: 5,
      working: "2 + 3 = 5",
      turn: { player: 0, side: 0 },
      ending: null,
    });
  });
  it("looks ahead within a round as well, and to the end; every score has its working", () => {
    const { play } = replay(bands, alone, [rest("z2")]);
    const third = outlook(play).find(
      (eachOutlook) => eachOutlook.event.kind === "send" && eachOutlook.event.rest === "z3",
    )!;
    expect(third).toMatchObject({ score: 2 + 4, working: "2 + 4 = 6", ending: null });
    const tries = { ...climb, params: { ...climb.params, scoring: { ...climb.params.scoring, by: "tries" } } };
    const hits = ["t1", null, "t2", null, null, "t3", "t4"];
    const { play: nearly } = replay(
      tries,
      alone,
      hits.map((hit, i) => ({ kind: "send", hit, at: i })),
    );
    expect(view(nearly).score[0]).toMatchObject({ value: 7, working: "1 + 2 + 3 + 1 = 7" });
    const top = outlook(nearly).find(
      (eachOutlook) => eachOutlook.event.kind === "send" && eachOutlook.event.hit === "t5",
    )!;
    expect(top).toMatchObject({
      score: 8,
      working: "1 + 2 + 3 + 1 + 1 = 8",
      ending: { reason: { key: "climb.end.top" } },
    });
    const timed = { ...climb, params: { ...climb.params, scoring: { ...climb.params.scoring, by: "time" } } };
    const go = ["t1", "t2", "t3", "t4", "t5"].map((hit, i) => ({
      kind: "send" as const,
      hit,
      at: 1000 + 1234 * (i + 1),
    }));
    const { play: done } = replay(timed, alone, [{ kind: "ready", at: 1000 }, ...go]);
    const [score] = view(done).score;
    expect(score!.working).toBe("1.2 + 1.3 + 1.2 + 1.2 + 1.3 = 6.2");
    expect(score!.value).toBe(62);
  });
});
