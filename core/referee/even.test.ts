import { describe, expect, it } from "vitest";
import { mainAsks } from "../asks/ask.ts";
import { isRefusal } from "../contract/contract.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { normalDraw, random } from "../random.ts";
import { even } from "./even.ts";
import { openPlay, type Play, referee, view } from "./referee.ts";

/** A go of a Climb that hits and misses by turns, with so much time between throws. */
function go(after: (i: number) => number, throws = 14, players = 1): Play {
  let play = openPlay(gameSettingsOf(fromPattern("climb")), {
    players,
    mode: players === 1 ? "alone" : "turns",
    seed: 1,
  });
  let at = 0;
  for (let i = 0; i < throws && !view(play).done; i++) {
    at += after(i);
    const ask = mainAsks(view(play).asks).find((mainAsk) => mainAsk.kind === "send")!;
    const hit = i % 4 === 3 && "want" in ask.aim ? ask.aim.want[0]! : null;
    const next = referee(play, { kind: "send", hit, at: Math.round(at) });
    if (isRefusal(next)) throw new Error(next.refused.key);
    play = next;
  }
  return play;
}

describe("throws as regular as taps", () => {
  it("are seen where every time is alike, in ten times or more of a go alone", () => {
    expect(even(go(() => 4000))).toBe(true);
    expect(even(go((i) => 4000 + 100 * (i % 3)))).toBe(true);
    expect(even(go(() => 4000, 9))).toBe(false);
    expect(even(go(() => 4000, 14, 2))).toBe(false);
  });
  it("are not seen where throwing and fetching take as long as they do", () => {
    const draw = random(3);
    const seen = Array.from({ length: 400 }, () => even(go(() => 6000 * Math.exp(0.25 * normalDraw(draw)))));
    expect(seen.filter(Boolean).length).toBeLessThan(3);
    expect(even(go((i) => (i % 2 === 0 ? 3000 : 8000)))).toBe(false);
  });
  it("say nothing of an empty go", () => {
    expect(even(go(() => 0, 0))).toBe(false);
  });
});
