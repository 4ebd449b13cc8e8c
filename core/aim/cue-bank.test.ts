import { expect, it } from "vitest";
import { ACTIONS } from "../actions/actions.ts";
import { started } from "../formats/begun.ts";
import { BANDS, bandOf, cuesFor, mistakesOf, watchFor } from "./cue-bank.ts";
import { mirrored } from "./mirrored.ts";

const words = (text: string) => text.split(/\s+/).length;

it("has cues for three bands of ages, mistakes with what mends them, and two things to watch for, for every action", () => {
  for (const action of ACTIONS) {
    for (const band of BANDS) {
      const cues = cuesFor(action, band);
      expect(cues.length, `${action} ${band}`).toBeGreaterThanOrEqual(3);
      expect(new Set(cues).size).toBe(cues.length);
      // A six-year-old keeps four words in mind, a twelve-year-old a short sentence.
      const most = band === "young" ? 4 : 14;
      for (const cue of cues) expect(words(cue), `${action} ${band}: ${cue}`).toBeLessThanOrEqual(most);
    }
    expect(mistakesOf(action)).toHaveLength(2);
    for (const [mistake, cue] of mistakesOf(action)) {
      expect(mistake).not.toBe(cue);
      expect(words(mistake), mistake).toBeLessThanOrEqual(10);
      expect(words(cue), cue).toBeLessThanOrEqual(10);
      expect(mirrored(mirrored(cue))).toBe(cue);
    }
    expect(new Set(watchFor(action)).size).toBe(2);
  }
});

it("gives a new activity the cues of its ages, and what to watch for", () => {
  expect([4, 6, 7, 9, 10, 13].map(bandOf)).toEqual(["young", "young", "middle", "middle", "older", "older"]);
  expect(started("underarmRoll", 5).cues.map((cue) => cue.text)).toEqual(cuesFor("underarmRoll", "young"));
  expect(started("underarmRoll").cues[0]!.text).toBe("Face the target");
  expect(started("kick", 12).watch).toEqual([...watchFor("kick")]);
});
