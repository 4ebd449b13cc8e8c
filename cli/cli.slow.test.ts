import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { isRefusal } from "#core/contract/contract.ts";
import type { PlayEvent } from "#core/events/events.ts";
import { fromPattern, gameSettingsOf, parseActivity } from "#core/formats/activity.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { random } from "#core/random.ts";
import { openPlay, outlook, referee, view } from "#core/referee/referee.ts";
import { runCommand } from "./commands.ts";

const page = readFileSync(new URL("../docs/activity-format.md", import.meta.url), "utf8");
const examples = [...page.matchAll(/```json (\w+)\n([\s\S]*?)```/g)].map((match) => ({
  command: match[1]!,
  text: match[2]!,
}));
const run = (command: string, input: unknown) => {
  const r = runCommand(command, JSON.stringify(input));
  return { ...r, json: r.code === 0 ? JSON.parse(r.out) : null };
};
const hit = JSON.parse(examples.find((example) => example.command === "hit")!.text);
const home = JSON.parse(examples.find((example) => example.command === "substitute")!.text);
const fit = JSON.parse(examples.find((example) => example.command === "fit")!.text);
const climb = JSON.parse(examples.find((example) => example.command === "forecast")!.text);

describe("command line", () => {
  it.each(examples.map((example, i) => [`${i + 1} ${example.command}`, example] as const))(
    "takes the documented example %s",
    (_, { command, text }) => {
      if (command === "activity") expect(parseActivity(JSON.parse(text)).ok).toBe(true);
      else expect(runCommand(command, text)).toMatchObject({ code: 0, err: "" });
    },
  );

  it("gives the worked figures", () => {
    expect(run("hit", hit).json.p).toBeCloseTo(0.43682, 6);
    const value = run("forecast", climb).json;
    expect(value).toMatchObject({ method: "exact", policy: "middle" });
    expect(value.sides[0].sends.mean).toBeCloseTo(1 / 0.85 + 1 / 0.7, 3);
  });

  it("says how often whoever starts wins, and takes who starts as given", () => {
    const rally = { activity: "rally", players: [{ age: 8 }, { age: 8 }], mode: "against" };
    const drawn = run("forecast", rally).json;
    const first = run("forecast", { ...rally, starts: "first" }).json;
    expect(drawn.sides[0].win).toBeCloseTo(0.5, 9);
    expect(first.sides[0].win).toBeCloseTo(drawn.starts[0][0], 12);
    expect(first.starts).toBeNull();
  });

  it("says what a home can use, in words and figures", () => {
    const told = run("substitute", home).json;
    expect(told.proved).toBe(true);
    expect(told.picks.map((pick: { role: string }) => pick.role)).toContain("send");
    expect(told.picks[0].why.text).toMatch(/\.$/);
    expect(told.changes.map((change: { text: string }) => change.text).join(" ")).toContain("instead of");
    for (const value of told.held) expect(Math.abs(value.after - value.wanted)).toBeLessThanOrEqual(0.05);
    const fixed = run("substitute", { ...home, fixed: { send: "shirtRoll" } }).json;
    expect(fixed.activity.kit.send).toBe("shirtRoll");
  });

  it("says the fewest trips of a square, and mixes one", () => {
    const cells = [0, 0, 1, 1, 1, 0, 2, 2, 2];
    expect(run("square", { n: 3, cells }).json).toEqual({ lower: 1, upper: 1, collected: 0, sensible: 1 });
    expect(run("square", { n: 3, least: 5, most: 5, seed: 4 }).json).toMatchObject({
      lower: 5,
      upper: 5,
      wanted: true,
    });
  });

  it("makes levels, estimates, a fair match and cards for words, by the name of a pattern", () => {
    const { levels, ladder } = run("levels", { activity: "climb", player: { age: 7 }, targets: ["bucket"] }).json;
    expect(levels).toHaveLength(5);
    expect(levels[0].rate).toBeGreaterThan(levels[4].rate);
    expect(ladder.shares.reduce((sum: number, b: number) => sum + b, 0)).toBeCloseTo(1, 9);
    const events = (hit: string | null) => [{ kind: "send", at: 0, hit }];
    const of = (hit: string | null) =>
      run("estimate", { activity: "climb", age: 8, goes: [{ events: events(hit) }] }).json.known[0];
    expect(of("t1").middle).toBeLessThan(of(null).middle);
    expect(of("t1").text).toContain("dinner plate");
    expect(run("fair", { activity: "pins", players: [{ age: 7 }, { age: "adult" }] }).json.fair).toBe(true);
    expect(run("letters", { list: "noon, on", knock: "word" }).json).toMatchObject({
      cards: { n: 2, o: 2 },
      fewest: 4,
      easyToHard: ["on", "noon"],
    });
    expect(run("letters", { list: "cat", cards: ["c", "a"] }).json).toMatchObject({ spells: [], cannot: ["cat"] });
    expect(run("compile", { activity: "climb", age: 7 }).json.markers.length).toBeGreaterThan(0);
  });

  it("lays a game out in a space, the same way every time", () => {
    const told = run("fit", fit).json;
    expect(told.placement).not.toBeNull();
    expect(["designed", "adapted"]).toContain(told.status);
    expect(run("fit", fit).json).toEqual(told);
    const tiny = run("fit", { ...fit, space: { ...fit.space, length: 0.6, width: 0.6, obstacles: [] } }).json;
    expect(tiny).toMatchObject({ status: "none", proved: true, placement: null });
  });

  it.each([
    ["substitute", { ...home, home: { kit: { sock: 0 } } }, "home.kit.sock"],
    ["substitute", { ...home, home: { kit: { sock: 1e6 } } }, "99 or fewer"],
    ["substitute", { ...home, home: { space: { kind: "attic" } } }, "space must be one of"],
    ["substitute", { ...home, age: 3 }, "age"],
    ["square", { n: 3, cells: [0, 1, 2] }, "cells"],
    ["levels", { activity: "climb", corridor: { low: 0.8, high: 0.6 } }, "corridor"],
    ["levels", { activity: "climb", count: 2 }, "count"],
    ["estimate", { activity: "climb", goes: [] }, "goes"],
    ["estimate", { activity: "climb", goes: [{ events: [{ kind: "bell", at: 0 }] }] }, "goes.0.events.0"],
    ["fair", { activity: "pins", players: [{ age: 7 }] }, "players"],
    ["letters", { list: " , " }, "list"],
    ["square", { n: 9 }, "n: must be at most 5"],
    ["square", { least: 5, most: 4 }, "most"],
    ["fit", { ...fit, space: { ...fit.space, length: 0.1 } }, "space.length"],
    [
      "fit",
      {
        ...fit,
        space: {
          ...fit.space,
          outline: [
            { x: 0, y: 0 },
            { x: 3, y: 3 },
            { x: 3, y: 0 },
            { x: 0, y: 3 },
          ],
        },
      },
      "crosses",
    ],
    [
      "fit",
      {
        ...fit,
        space: {
          ...fit.space,
          outline: [
            { x: 0, y: 0 },
            { x: 1, y: 0 },
            { x: 2, y: 0 },
          ],
        },
      },
      "square metres",
    ],
    ["hit", { ...hit, distance: -1 }, "distance"],
    ["hit", { ...hit, rule: { kind: "touch", width: 0 } }, "width"],
    ["hit", { ...hit, rule: { kind: "sideways" } }, "kind must be touch"],
    ["hit", { ...hit, rule: { kind: "band", near: 3, far: 2 } }, "far must be more than near"],
    ["hit", { ...hit, spread: { lateral: 0.1, range: 0.1 } }, "spread.vertical"],
    ["hit", { ...hit, extra: 1 }, "extra"],
    ["forecast", { ...climb, players: [] }, "players"],
    ["forecast", { ...climb, mode: "against" }, "mode"],
    ["forecast", { ...climb, activity: { ...climb.activity, version: 7 } }, "version 7"],
    ["referee", { activity: climb.activity, events: [{ kind: "send", at: 0, hit: "t9" }] }, "events.0"],
    ["nothing", {}, "command"],
  ])("%s refuses bad input in one line that names the field (%#)", (command, input, word) => {
    const r = run(command as string, input);
    expect(r.code).toBe(2);
    expect(r.out).toBe("");
    expect(r.err.trim().split("\n")).toHaveLength(1);
    expect(r.err).toContain(word);
  });

  it.each(patternNames)("says what %s says in sentences, what it refuses, and how it ended", (name) => {
    const activity = fromPattern(name);
    const draw = random(7);
    // Plays a whole game with any events that are allowed.
    let play = openPlay(gameSettingsOf(activity), { players: 1, mode: "alone", seed: 1 });
    const alone = activity.players.modes.includes("alone");
    const how = alone ? {} : { players: 2, mode: "against" };
    if (!alone) play = openPlay(gameSettingsOf(activity), { players: 2, mode: "against", seed: 1 });
    const events: PlayEvent[] = [];
    for (let i = 0; i < 12 && view(play).ending === null; i++) {
      const next = outlook(play);
      const chosen = next[Math.floor(draw() * next.length)];
      if (!chosen) break;
      const after = referee(play, { ...chosen.event, at: i * 100 } as PlayEvent);
      if (isRefusal(after)) break;
      play = after;
      events.push({ ...chosen.event, at: i * 100 } as PlayEvent);
    }
    for (const key of events.keys()) {
      const told = run("referee", { activity: activity, ...how, events: events.slice(0, key + 1) });
      expect(told.err).toBe("");
      expect(told.json.now.text).toMatch(/^[^[\]{}]+$/);
      expect(told.out).not.toMatch(/"(text|working)":"[^"]*[[\]{}]/);
    }
    // The answer is only the sentence that refuses the event.
    const refused = run("referee", { activity: activity, ...how, events: [{ kind: "send", at: 0, rest: "nowhere" }] });
    expect(refused.code).toBe(2);
    expect(refused.err).not.toMatch(/\[[a-z]+\./);
  });

  it("works as a program: help, input by pipe, exit codes", () => {
    const yard = (command: string, input: string) =>
      spawnSync("node_modules/.bin/tsx", ["cli/yard.ts", command], { input, encoding: "utf8" });
    expect(yard("help", "").stdout).toContain("referee");
    expect(JSON.parse(yard("hit", JSON.stringify(hit)).stdout).p).toBeCloseTo(0.43682, 6);
    expect(yard("hit", "{")).toMatchObject({
      status: 2,
      stdout: "",
      stderr: "input: standard input is not a JSON document\n",
    });
  });
});
