import { describe, expect, it } from "vitest";
import { sayPhrase } from "#words/say.ts";
import { compileFor } from "../compile/card.ts";
import { SUPPORT_IDS, SUPPORTS } from "../compile/support.ts";
import { fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { NOTHING_SAID } from "../records/home.ts";
import { HOLDS, supportFor } from "./support-for.ts";

const AGES = [6, 8, 11] as const;
const withCues = (name: (typeof patternNames)[number]) => ({
  ...fromPattern(name),
  cues: [
    { id: "a", text: "Step with the left foot" },
    { id: "b", text: "Look at the target" },
  ],
});

describe.each(patternNames)("support in %s", (name) => {
  it("keeps the challenge within five points at every age, or says that it cannot", () => {
    for (const age of AGES)
      for (const id of SUPPORT_IDS) {
        const support = supportFor(withCues(name), [id], { age });
        if (
          support.before === null ||
          support.after === null ||
          !support.fits.includes(id) ||
          SUPPORTS[id] === "extension"
        )
          continue;
        const lost = support.before - support.after;
        expect([name, age, id, support.held ? lost <= HOLDS + 1e-9 : true]).toEqual([name, age, id, true]);
        // What is said not to hold really does not.
        if (!support.held) expect(lost).toBeGreaterThan(HOLDS);
      }
  });

  it("is on the card in words: how to sit or kneel, which hand, which line, how wide", () => {
    for (const age of AGES) {
      const cardOf = (supports: (typeof SUPPORT_IDS)[number][]) => {
        const support = supportFor(withCues(name), supports, { age });
        const card = compileFor({
          designed: support.activity,
          child: {
            age,
            step: null,
            leftHanded: false,
            ...(support.self && { self: support.self }),
            ...(support.notes.length > 0 && { may: support.notes }),
          },
          homes: [{ ...NOTHING_SAID, id: "h", label: "h" }],
          items: { own: [], hidden: [] },
        });
        return {
          s: support,
          card,
          text: JSON.stringify(card.notes ?? []),
          cues: card.activity.cues.map((cue) => cue.text),
        };
      };
      const plain = cardOf([]);
      for (const id of SUPPORT_IDS) {
        const { s, card, text, cues } = cardOf([id]);
        if (!s.fits.includes(id)) continue;
        // Which thing falls slowly enough is for each home to say.
        if (id === "slower") continue;
        const differs = text !== plain.text || JSON.stringify(card.activity) !== JSON.stringify(plain.card.activity);
        expect([name, age, id, differs]).toEqual([name, age, id, true]);
        if (id === "seated") {
          expect(text).toContain("self.sitting");
          expect(cues).toEqual(["Look at the target"]);
          expect(card.cautions).toContain("steady");
        }
        if (id === "otherHand") {
          expect(text).toContain("self.otherHand");
          expect(card.leftHanded).toBe(true);
        }
        if (id === "nearer") expect(text).toContain("self.nearer");
        if (id === "bigger") expect(text).toContain("self.wider");
        // Never why.
        expect(JSON.stringify(card)).not.toMatch(/"supports?"/);
      }
    }
  });
});

describe("a game that sitting made hopeless", () => {
  it.each(["closest", "speller", "pins", "climb"] as const)("%s comes back to what it was", (name) => {
    const support = supportFor(fromPattern(name), ["seated"], { age: 8 });
    expect(support.before! - support.after!).toBeLessThanOrEqual(HOLDS);
    if (name === "closest" || name === "speller") expect(support.nearer).toBeGreaterThan(0);
  });
  it("says so in a sentence that a child can read", () => {
    for (const key of ["self.sitting", "self.kneeling", "self.otherHand"])
      expect(sayPhrase({ key }).split(" ").length).toBeLessThanOrEqual(11);
  });
});
