import { describe, expect, it } from "vitest";
import { activity, fromPattern } from "../formats/activity.ts";
import { isRefusal, MODES } from "./contract.ts";
import { patternNames, patternOf } from "./registry.ts";

describe.each(patternNames)("pattern %s keeps the contract", (name) => {
  const p = patternOf(name);
  const { params, space } = p.example;

  it("has an example that is a whole activity document and survives JSON", () => {
    expect(p.name).toBe(name);
    const doc = fromPattern(name);
    expect(activity.parse(JSON.parse(JSON.stringify(doc)))).toEqual(doc);
  });

  it("lays its parts out inside the example's space, with pegs that move and stay valid", () => {
    const parts = p.layout(params, space);
    expect(parts.some((x) => x.kind === "line")).toBe(true);
    expect(parts.some((x) => x.kind === "person")).toBe(true);
    for (const peg of p.pegs(params)) {
      for (const metres of [-3, 0.4, 2.345, 99]) {
        const moved = p.movePeg(params, peg.id, metres);
        expect(p.params.safeParse(moved).error?.issues ?? []).toEqual([]);
        expect(p.pegs(moved)).toHaveLength(p.pegs(params).length);
      }
    }
  });

  it("says what a home needs", () => {
    const { pieces, sends } = p.needs(params);
    expect(pieces).toBeGreaterThanOrEqual(1);
    expect(sends === null || sends >= 1).toBe(true);
  });

  it("describes what can be set: every knob points at something, and every offered choice is valid", () => {
    const get = (o: unknown, path: readonly (string | number)[]) =>
      path.reduce<unknown>((x, k) => (x as Record<string | number, unknown>)?.[k], o);
    const put = (o: unknown, [k, ...rest]: readonly (string | number)[], v: unknown): unknown => {
      if (k === undefined) return v;
      if (Array.isArray(o)) return o.map((x, i) => (i === k ? put(x, rest, v) : x));
      return { ...(o as object), [k]: put((o as Record<string | number, unknown>)[k], rest, v) };
    };
    const all = [...p.knobs(params), ...p.pegs(params).flatMap((g) => p.pegKnobs(params, g.id))];
    expect(all.length).toBeGreaterThan(5);
    for (const knob of all) {
      expect(get(params, knob.path), knob.path.join(".")).not.toBeUndefined();
      if (knob.kind !== "choice") continue;
      for (const o of knob.options)
        expect(p.params.safeParse(put(params, knob.path, o.value)).error?.issues ?? [], o.label).toEqual([]);
    }
  });

  it("grows and shrinks by a peg and stays valid", () => {
    const more = p.addPeg(params, { ...space, length: 12 })!;
    expect(p.pegs(more)).toHaveLength(p.pegs(params).length + 1);
    expect(p.params.safeParse(more).error?.issues ?? []).toEqual([]);
    let less: unknown = more;
    for (let i = 0; i < 20; i++) {
      const next = p.removePeg(less, p.pegs(less)[0]!.id);
      if (!next) break;
      less = next;
      expect(p.params.safeParse(less).success).toBe(true);
    }
    expect(p.removePeg(less, p.pegs(less)[0]!.id)).toBeNull();
  });

  it.each(MODES)("plays to an end in mode %s, always offering something legal and known words", (mode) => {
    const players = mode === "alone" ? 1 : 3;
    let state = p.start(params, { players, mode, seed: 1 });
    for (let i = 0; p.ending(state) === null; i++) {
      expect(i).toBeLessThan(5000);
      expect(p.legal(state).length).toBeGreaterThan(0);
      expect([...p.phrases, "play.ready"]).toContain(p.turn(state).now.key);
      const next = p.next(state)!;
      const body = "branches" in next ? next.branches[i % next.branches.length]!.event : next.event;
      const before = JSON.stringify(state);
      const after = p.step(state, { ...body, at: i * 1000 } as never);
      if (isRefusal(after)) throw new Error(after.refused.key);
      expect(JSON.stringify(state)).toBe(before);
      state = after;
    }
    const ending = p.ending(state)!;
    expect(p.phrases).toContain(ending.reason.key);
    expect(p.legal(state)).toEqual([]);
    expect(p.next(state)).toBeNull();
    expect(ending.winners.length > 0).toBe(mode === "against");
    for (const s of p.score(state)) expect(Number.isInteger(s.value)).toBe(true);
    expect(isRefusal(p.step(state, { kind: "stand", at: 1e7 }))).toBe(true);
  });
});
