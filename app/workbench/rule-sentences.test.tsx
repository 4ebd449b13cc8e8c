import { renderToString } from "react-dom/server";
import { expect, it } from "vitest";
import { setTo } from "#core/contract/range.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { ruleOf } from "#words/rules.ts";
import { RuleSentences } from "./rule-sentences.tsx";

const scored = (name: (typeof patternNames)[number], over: object = {}) => {
  const base = fromPattern(name);
  const activity = {
    ...base,
    pattern: { name, params: { ...(base.pattern.params as object), ...over } },
  } as typeof base;
  const game = { params: activity.pattern.params, match: activity.match };
  return opened(activity)
    .knobs()
    .filter((knob) => knob.station === "score")
    .map((knob) => ({ k: knob, value: setTo(knob, game) }));
};

it("every rule of every pattern has its sentence, with one thing in it that can be changed", () => {
  for (const name of patternNames)
    for (const { k: knob, value } of scored(name)) {
      if (knob.kind === "ways" || knob.kind === "turns") continue;
      const text = ruleOf(knob, value, "underarmRoll");
      expect(text, `${name} ${knob.label}`).not.toBeNull();
      expect(text!.split("*"), `${name} ${text}`).toHaveLength(3);
      expect(text).toMatch(/^[^{}]+[.]$/);
    }
});

it("says what is set, what is off, and yes or no in words", () => {
  const at = (name: (typeof patternNames)[number], labelled: string, over: object = {}) => {
    const { k: knob, value } = scored(name, over).find((x) => x.k.label === labelled)!;
    return ruleOf(knob, value, "underarmRoll");
  };
  expect(at("climb", "knob.tries", { tries: 12 })).toBe("Each player has *12 rolls* in a go.");
  expect(at("board", "knob.sendsAll", { sends: null, once: true })).toBe("There is *no limit* on rolls.");
  expect(at("board", "knob.goes")).toBe("A game is *1 go*.");
  expect(at("board", "knob.once", { once: true })).toBe("Each target counts *only once*.");
  expect(at("streak", "knob.drop", { drop: "costsOne" })).toBe("A drop *takes one away*.");
});

it("is read in the order of the fields, and each part can be opened", () => {
  const list = scored("board");
  const html = renderToString(
    <RuleSentences
      action="underarmRoll"
      list={list.map((x) => x.k)}
      valueAt={(knob) => list.find((x) => x.k === knob)!.value}
      one={() => null}
    />,
  );
  expect(html.match(/aria-expanded="false"/g)!.length).toBe(list.length);
  expect(html.indexOf("in a go")).toBeLessThan(html.indexOf("counts"));
});
