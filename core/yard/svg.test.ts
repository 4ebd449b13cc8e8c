import { describe, expect, it } from "vitest";
import { layoutOf } from "../forecast/for-activity.ts";
import { fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { strokesOf } from "./draw.ts";
import { layoutNames } from "./layouts/index.ts";
import { exampleOf, laidParts } from "./layouts/laid.ts";
import { partsOf } from "./parts.ts";
import { planSvg } from "./svg.ts";

describe.each(patternNames)("the plan of %s as SVG", (name) => {
  const activity = fromPattern(name);
  const svg = planSvg(layoutOf(activity), activity.space, {
    title: 'A <game> & "more"',
    drawing: () => "M0 0L40 40",
    name: (target) => target.label,
  });
  it("is one whole document to scale, with what people typed escaped", () => {
    expect(svg.startsWith('<svg xmlns="http://www.w3.org/2000/svg"')).toBe(true);
    expect(svg.match(/<g\b/g)).toHaveLength(1);
    expect(svg).toContain("<title>A &lt;game&gt; &amp; &quot;more&quot;</title>");
    expect(svg).toContain(
      `width="${(activity.space.length * 100).toFixed(1)}" height="${(activity.space.width * 100).toFixed(1)}"`,
    );
    const targets = partsOf(layoutOf(activity), "target");
    const cards = targets.flatMap((target) => (target.sign === undefined ? [] : [target.sign]));
    expect(svg.match(/scale\(/g)?.length ?? 0).toBe(targets.length - cards.length);
    // What carries a letter is a card with it.
    const letters = [...svg.matchAll(/rx="2"\/><text[^>]*>([^<]+)</g)].map((match) => match[1]);
    expect(letters).toEqual(cards);
    expect(svg).not.toMatch(/NaN|undefined/);
  });
});

describe.each(layoutNames)("the plan with %s laid out", (name) => {
  it("draws every mark of it once, to scale, and nothing that is not a number", () => {
    const a = { ...fromPattern("climb"), layout: exampleOf(name) };
    const svg = planSvg(layoutOf(a), a.space, {
      title: "x",
      drawing: () => "M0 0L40 40",
      name: (target) => target.label,
    });
    const strokes = strokesOf(laidParts(a.layout));
    const count = (kind: string) => strokes.filter((stroke) => stroke.kind === kind).length;
    expect(svg.match(/scale\(/g)).toHaveLength(5 + count("item"));
    expect(svg.match(/<circle/g)?.length ?? 0).toBe(count("disc") + count("person"));
    expect(svg).not.toMatch(/NaN|undefined/);
    expect(strokes.filter((stroke) => stroke.kind !== "text").length).toBeGreaterThan(0);
  });
});
