import { describe, expect, it } from "vitest";
import { rates } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { rateIn as shareIn } from "../levels/rate-in.ts";
import { patternNames } from "../patterns/registry.ts";
import { openPlay } from "../referee/referee.ts";
import { compileFor } from "./card.ts";
import { SUPPORT_IDS, type Support, supported } from "./support.ts";

const rateIn = (givenActivity: Activity) => Math.max(...rates(givenActivity, { age: 8 }).values());

describe("support", () => {
  it.each(patternNames)(
    "%s: every kind fits or does not, and what comes of it is a document that can be played",
    (name) => {
      const design = fromPattern(name);
      for (const id of SUPPORT_IDS) {
        const s = supported(design, [id]);
        expect(activity.safeParse(s.activity).success, id).toBe(true);
        const people = s.self ? [{ role: "plays" as const, ...s.self }] : undefined;
        openPlay(gameSettingsOf(s.activity), { players: 1, mode: "alone", seed: 1, ...(people && { people }) });
        // One that changes nothing does not say that it fits.
        if (s.fits.length > 0) expect(s.activity !== design || s.self !== null || s.notes.length > 0, id).toBe(true);
      }
    },
  );
  it("a line of its own, the bell later, something slower; more than one together", () => {
    const climb = supported(fromPattern("climb"), ["nearer", "seated"]);
    expect(climb.self).toEqual({ nearer: 0.75, posture: "sitting" });
    const design = fromPattern("tally");
    const timed = { ...design, match: { ...design.match, seconds: 40 } };
    expect(supported(timed, ["moreTime"]).activity.match.seconds).toBe(60);
  });
  it("bigger targets, fewer of them, a bounce: each where the game has such", () => {
    const climb = fromPattern("climb");
    expect(supported(climb, ["bigger"]).self).toEqual({ wider: 1.5 });
    const fewer = supported(fromPattern("sweep"), ["fewer"]);
    expect(opened(fewer.activity).pegs.length).toBeLessThan(opened(fromPattern("sweep")).pegs.length);
    const bounced = supported(fromPattern("tally"), ["bounce"]);
    expect(rateIn(bounced.activity)).toBeGreaterThan(rateIn(fromPattern("tally")));
    // Once it may bounce there is nothing left to allow.
    expect(supported(bounced.activity, ["bounce"]).fits).toEqual([]);
    expect(supported(fromPattern("streak"), ["bigger"]).fits).toEqual([]);
  });
  it("is on the card without a name for it: how the child plays, and what it may do", () => {
    const { activity: designed, self, notes } = supported(fromPattern("climb"), ["nearer", "withPartner"]);
    const child = { age: 7, step: null, leftHanded: false };
    const items = { own: [], hidden: [] };
    const card = compileFor({ designed, child: { ...child, self: self!, may: notes }, homes: [], items });
    expect(card.self).toEqual({ nearer: 0.75 });
    expect(card.notes).toContainEqual({ key: "support.withPartner" });
    expect(compileFor({ designed, child, homes: [], items }).self).toBeUndefined();
  });

  it.each(patternNames)("what changes where or how %s is sent changes its chances, and the right way", (name) => {
    const design = fromPattern(name);
    // By themselves, before anything follows that keeps the challenge (core/levels/support-for.ts).
    const rate = (ids: readonly Support[]) => {
      const s = supported(design, ids);
      return shareIn(s.activity, { age: 8 }, s.self);
    };
    const plain = rate([]);
    for (const [id, more] of [
      ["nearer", true],
      ["bigger", true],
      ["farther", false],
      ["otherHand", false],
      ["seated", false],
    ] as const) {
      // Two sides of the same people are as even as before.
      if (!supported(design, [id]).fits.includes(id) || plain === null || name === "goals") continue;
      expect(rate([id])! > plain + 1e-6, id).toBe(more);
    }
  });
});
