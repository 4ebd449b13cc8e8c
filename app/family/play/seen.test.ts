import { describe, expect, it } from "vitest";
import { compileFor } from "#core/compile/card.ts";
import { isRefusal } from "#core/contract/contract.ts";
import { fromPattern, gameSettingsOf } from "#core/formats/activity.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { openPlay, referee, view } from "#core/referee/referee.ts";
import { behaviorProfile, playGo } from "#core/simulated-player/child.ts";
import { enGame } from "#words/en-game.ts";
import { gameWords } from "#words/generated/all.ts";
import { addWords } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import { heard } from "./seen.ts";

addWords(enGame);
for (const words of Object.values(gameWords)) addWords(words);
/** Events for which the screen has a line of its own, which is read out as well. */
const TOLD_BESIDE = new Set(["bell", "carry", "object", "again", "dispute", "leave", "join", "stop"]);

describe("what is read out", () => {
  it.each(patternNames)("%s: every event is announced, with the score and what comes next", (name) => {
    const activity = fromPattern(name);
    const home = { ...NOTHING_SAID, id: "h", label: "home" };
    const child = { age: 8, step: null, leftHanded: false };
    const card = compileFor({ designed: activity, child, homes: [home], items: { own: [], hidden: [] } });
    const data = { card } as unknown as CardData;
    const mode = activity.players.modes.includes("alone") ? "alone" : activity.players.modes[0]!;
    const players = mode === "alone" ? 1 : 2;
    for (const seed of [1, 2, 3]) {
      const setup = { players, mode, seed } as const;
      const tempers = Array.from({ length: players }, (_, i) => behaviorProfile(seed + i));
      let play = openPlay(gameSettingsOf(card.activity), setup);
      for (const event of playGo(card.activity, { ages: [8, 9], tempers, setup, seed })) {
        const after = referee(play, event);
        if (isRefusal(after)) break;
        const said = heard(event, { before: view(play), after: view(after) }, data, {
          name: (i) => `P${i}`,
          attempt: attemptWords("underarmRoll"),
          silent: false,
        });
        if (!TOLD_BESIDE.has(event.kind)) expect(said, JSON.stringify(event)).not.toBe("");
        expect(said).not.toMatch(/undefined|\{|\.\./);
        play = after;
      }
    }
  });

  it("a pause is announced as one sentence, with the score and who is next", () => {
    const card = compileFor({
      designed: fromPattern("climb"),
      child: { age: 8, step: null, leftHanded: false },
      homes: [{ ...NOTHING_SAID, id: "h", label: "home" }],
      items: { own: [], hidden: [] },
    });
    const play = openPlay(gameSettingsOf(card.activity), { players: 2, mode: "against", seed: 1 });
    const event = { kind: "pause", at: 0 } as const;
    const after = referee(play, event);
    if (isRefusal(after)) throw new Error(after.refused.key);
    const said = heard(event, { before: view(play), after: view(after) }, { card } as unknown as CardData, {
      name: (i) => ["Kezia", "Nana"][i]!,
      attempt: attemptWords("underarmRoll"),
      silent: false,
    });
    expect(said).toBe("Paused. The clock has stopped. Kezia: 0 points. Kezia, your turn.");
  });
});
