import { readdirSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { type Aim, mainAsks } from "../asks/ask.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import { sightOf } from "../chances/outcomes.ts";
import { isRefusal, MODES } from "../contract/contract.ts";
import { match as matchSchema } from "../contract/match-schema.ts";
import { forecastActivity, layoutOf, personOf, rates } from "../forecast/for-activity.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { matchKnobs } from "../match/knobs.ts";
import { openPlay, outlook, referee, stateOf, view } from "../referee/referee.ts";
import { sampled } from "../sample-size.test-utils.ts";
import { behaviorProfile, playGo } from "../simulated-player/child.ts";
import { loadPattern } from "./load.ts";
import { loadPlay } from "./load-play.ts";
import { patternNames, patternOf } from "./registry.ts";

describe("the folders of the patterns", () => {
  const folders = readdirSync(import.meta.dirname, { withFileTypes: true }).filter((dirent) => dirent.isDirectory());
  it("are those of the registry, each with its schema, its rules, what is played, its index and a second telling", () => {
    expect(folders).toHaveLength(patternNames.length);
    for (const { name } of folders) {
      const files = readdirSync(join(import.meta.dirname, name));
      for (const file of ["schema.ts", "rules.ts", "play.ts", "index.ts", `${name}.reference.ts`])
        expect(files, name).toContain(file);
    }
  });
  it("hold one game that exercises alone can make", () => {
    expect(patternNames.filter((name) => patternOf(name).ofExercises)).toHaveLength(1);
  });
  it("are each loaded by themselves", async () => {
    for (const name of patternNames) {
      expect(await loadPattern(name)).toBe(patternOf(name));
      expect(patternOf(name)).toMatchObject(await loadPlay(name));
    }
    await expect(loadPattern("constructor")).rejects.toThrow("pattern.name");
    await expect(loadPlay("constructor")).rejects.toThrow("pattern.name");
  });
});

describe.each(patternNames)("pattern %s keeps the contract", (name) => {
  const pattern = patternOf(name);
  const { params, space, match } = pattern.example;
  const { ground } = pattern;

  it("has an example that is a whole activity document and survives JSON", () => {
    expect(pattern.name).toBe(name);
    const doc = fromPattern(name);
    expect(activity.parse(JSON.parse(JSON.stringify(doc)))).toEqual(doc);
  });

  it("lays its parts out inside the example's space, with pegs that move and stay valid", () => {
    const parts = ground.parts(params, space);
    expect(parts.some((part) => part.kind === "line")).toBe(true);
    expect(parts.some((part) => part.kind === "person")).toBe(true);
    for (const peg of ground.pegs(params)) {
      for (const metres of [-3, 0.4, 2.345, 99]) {
        const moved = ground.move(params, peg.id, { along: metres });
        expect(pattern.params.safeParse(moved).error?.issues ?? []).toEqual([]);
        expect(ground.pegs(moved)).toHaveLength(ground.pegs(params).length);
      }
    }
  });

  it("says what a home needs", () => {
    const { pieces, sends } = pattern.needs(params, match);
    expect(pieces + (pattern.needs(params, match).kinds?.length ?? 0)).toBeGreaterThanOrEqual(1);
    expect(sends === null || sends >= 1).toBe(true);
  });

  it("describes what can be set: every knob points at something, and every offered choice is valid", () => {
    const get = (o: unknown, path: readonly (string | number)[]) =>
      path.reduce<unknown>((x, k) => (x as Record<string | number, unknown>)?.[k], o);
    const put = (o: unknown, [k, ...rest]: readonly (string | number)[], v: unknown): unknown => {
      if (k === undefined) return v;
      if (Array.isArray(o)) return o.map((value, i) => (i === k ? put(value, rest, v) : value));
      return { ...(o as object), [k]: put((o as Record<string | number, unknown>)[k], rest, v) };
    };
    const whole = { params, match };
    const knobs = [
      ...pattern.knobs(params),
      ...ground.pegs(params).flatMap((peg) => pattern.pegKnobs(params, peg.id)),
    ].map((knob) => ({
      ...knob,
      path: ["params", ...knob.path],
    }));
    const around = matchKnobs(match, pattern.match.fields, pattern.match.swaps).map((matchKnob) => ({
      ...matchKnob,
      path: ["match", ...matchKnob.path],
    }));
    const all = [...knobs, ...around];
    expect(all.length).toBeGreaterThan(4);
    for (const knob of all) {
      expect(get(whole, knob.path), knob.path.join(".")).not.toBeUndefined();
      if (knob.kind !== "choice") continue;
      for (const option of knob.options) {
        const changed = put(whole, knob.path, option.value) as { params: unknown; match: unknown };
        expect(pattern.params.safeParse(changed.params).error?.issues ?? [], option.label).toEqual([]);
        expect(matchSchema.safeParse(changed.match).error?.issues ?? [], option.label).toEqual([]);
      }
    }
  });

  it("grows and shrinks by a peg and stays valid, where it does", () => {
    const more = ground.add(params, { ...space, length: 12 });
    let less: unknown = more ?? params;
    if (more) {
      const count = (x: unknown) => ground.pegs(x).length + ground.parts(x, space).length;
      expect(count(more)).toBeGreaterThan(count(params));
      expect(pattern.params.safeParse(more).error?.issues ?? []).toEqual([]);
    }
    for (let i = 0; i < 20 && ground.pegs(less).length > 0; i++) {
      const next = ground.remove(less, ground.pegs(less)[0]!.id);
      if (!next) break;
      less = next;
      expect(pattern.params.safeParse(less).success).toBe(true);
    }
    const [last] = ground.pegs(less);
    if (last) expect(ground.remove(less, last.id)).toBeNull();
  });

  it("says which chance stands under which peg, or that it stands under none; each is a chance", () => {
    const doc = fromPattern(name);
    const pegs = ground.pegs(params).map((peg) => peg.id);
    const probes = ground.probes(params);
    // A game without anything sent has no chances.
    const sends = opened(doc).needs.pieces > 0;
    expect(probes.length > 0).toBe(sends);
    for (const probe of probes) {
      if (probe.peg !== null) expect(pegs).toContain(probe.peg);
      const kind = kindOf<Aim>(probe.ask.aim);
      const play = { parts: layoutOf(doc), people: [personOf(doc, { age: 8 })], policy: "middle" } as const;
      const { list } = kind.outcomes(kind.options(probe.ask.aim)[0]!, sightOf(probe.ask, play));
      expect(list.reduce((sum, outcome) => sum + outcome.p, 0)).toBeCloseTo(1, 9);
      const rate = rates(doc, { age: 8 }).get(probe.id)!;
      expect(rate).toBeGreaterThan(0);
      expect(rate).toBeLessThan(1);
    }
  });

  it.each(MODES)("plays to an end in mode %s, always offering something and known words", (mode) => {
    if (!pattern.modes.includes(mode)) return;
    const players = mode === "alone" ? 1 : 3;
    const setup = { players, mode, seed: 1 } as const;
    const doc = fromPattern(name);
    for (let seed = 1; seed <= 6; seed++) {
      const events = playGo(doc, {
        ages: [6, 9],
        tempers: [behaviorProfile(seed), behaviorProfile(seed + 9)],
        setup,
        seed,
      });
      let play = openPlay({ ...doc.pattern, match: doc.match }, setup);
      for (const event of events) {
        const now = view(play);
        expect(mainAsks(now.asks).length).toBeGreaterThan(0);
        expect([...pattern.phrases, "play.ready"]).toContain(now.now.key);
        if (event.kind === "send") expect(outlook(play).length).toBeGreaterThan(0);
        const before = JSON.stringify(stateOf(play));
        const after = referee(play, event);
        if (isRefusal(after)) throw new Error(after.refused.key);
        expect(JSON.stringify(stateOf(play))).toBe(before);
        play = after;
      }
      const end = view(play);
      expect(pattern.phrases).toContain(end.ending!.reason.key);
      expect(end.asks).toEqual([]);
      expect(end.ending!.winners.length > 0).toBe(mode === "against");
      for (const score of end.score) expect(Number.isInteger(score.value)).toBe(true);
      expect(isRefusal(referee(play, { kind: "stand", at: 1e9 }))).toBe(true);
      // Undone to the start and done again it comes to the same.
      let back = play;
      while (view(back).canUndo) back = referee(back, { kind: "undo", at: 0 }) as typeof play;
      expect(stateOf(back)).toEqual(back.begin);
    }
  });

  it("is forecast in its budget, alone and by everybody it may be played by", () => {
    const doc = fromPattern(name);
    for (const mode of sampled(pattern.modes, 2)) {
      const players = mode === "alone" ? 1 : 4;
      const people = Array.from({ length: players }, () => ({ age: 8 }));
      const forecast = forecastActivity(doc, people, { players, mode, seed: 1 }, "middle", { samples: 400 });
      const [side] = forecast.sides;
      expect(side!.sends.p.reduce((sum, x) => sum + x, 0)).toBeCloseTo(1 - forecast.cut, 6);
      expect(forecast.share.acting + forecast.share.fetching + forecast.share.waiting).toBeCloseTo(1, 9);
      if (mode === "against")
        expect(forecast.sides.reduce((sum, sideForecast) => sum + sideForecast.win!, 0) + forecast.cut).toBeCloseTo(
          1,
          6,
        );
    }
  });

  it("has an opened activity whose changes are activities", () => {
    const game = opened(fromPattern(name));
    for (const peg of game.pegs)
      expect(activity.safeParse(game.move(peg.id, { along: peg.distance })).success).toBe(true);
    expect(game.knobs().length).toBeGreaterThan(0);
  });
});
