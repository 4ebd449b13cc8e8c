import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { compileCard } from "#core/compile/card.ts";
import { type Activity, activity, fromPattern } from "#core/formats/activity.ts";
import { type LayoutName, layoutNames } from "#core/yard/layouts/index.ts";
import { exampleOf, laidParts } from "#core/yard/layouts/laid.ts";
import { partsOf } from "#core/yard/parts.ts";
import { RoomPlan } from "../../ui/room-plan.tsx";
import { TIGHT } from "../../workbench/home-view.tsx";
import type { CardData } from "../card/card-data.ts";
import { type Stage, stages } from "./set-up-screen.tsx";
import { YardMap } from "./yard-map.tsx";

const climb = fromPattern("climb");
const wide = { ...climb.space, length: 12, width: 9 };
const cardOf = (over: Partial<Activity>): CardData =>
  ({
    card: compileCard(activity.parse({ ...climb, space: wide, ...over }), { age: 7, step: 0.5, leftHanded: false }),
  }) as CardData;
const said = (list: readonly Stage[]) => list.map((stage) => stage.lines.join(" "));
const beside = (name: LayoutName, over: Partial<Activity> = {}) => stages(cardOf({ layout: exampleOf(name), ...over }));

describe("setting up, one marker at a time", () => {
  it("says where to stand, which way and how many, in the child's own steps", () => {
    const [start, bucket] = stages(cardOf({}));
    expect(start!.lines).toEqual(["Put a line on the floor. Stand behind it."]);
    expect(bucket!.lines).toEqual([
      "Walk 3 of your steps from the line.",
      "Turn left. Go 3 shoe lengths.",
      "Put the bucket there.",
      "Touching it counts.",
    ]);
    expect(bucket!.distance).toBe("3 of your steps (1.5 m)");
    expect(bucket!.way).toEqual([
      { along: 0, across: 0 },
      { along: 1.4, across: 0 },
      { along: 1.4, across: -0.56 },
    ]);
  });
  it("counts in big steps, metres or feet where the teacher says so, one of them without a plural", () => {
    const second = (counted: Activity["counted"]) => said(stages(cardOf({ counted })))[1];
    expect(second("bigSteps")).toContain("Take 2 big steps from the line. Turn left. Go 1 big step.");
    expect(second("metres")).toContain("Measure 1.4 m from the line. Turn left. Go 0.6 m.");
    expect(second("feet")).toContain("Measure 4½ feet from the line. Turn left. Go 2 feet.");
  });
  it.each(layoutNames)("goes on with every mark of %s, in the same few sentences", (name) => {
    const list = beside(name);
    const marks = list.slice(6);
    expect(marks.length).toBeGreaterThan(0);
    for (const mark of marks) {
      expect(mark.lines.join(" ")).not.toContain("[");
      expect(mark.lines.join(" ")).toMatch(/(there|up the wall|on it|in it)\.$/);
      expect(mark.shown).toContain(mark.id);
    }
    expect(new Set(list.map((stage) => stage.id)).size).toBe(list.length);
  });
  it("tells spots with their numbers, corners, lines, things and what hangs on a wall", () => {
    expect(said(beside("spots")).at(-1)).toContain("Mark a spot there. Write 6 on it.");
    expect(said(beside("tossing")).filter((text) => text.includes("Mark a corner there."))).toHaveLength(4);
    expect(said(beside("grid")).at(-1)).toContain("Make 3 by 3 squares in it.");
    expect(said(beside("wall")).join(" ")).toContain("Put the sheet of paper 80 cm up the wall.");
    expect(said(beside("slalom")).filter((text) => text.includes("Put the shoe there."))).toHaveLength(6);
    expect(said(beside("bands")).filter((text) => text.includes("Lay a line there."))).toHaveLength(5);
  });
  it("goes back from the line for what lies behind it, and stays on it for what lies on it", () => {
    const shuttle = exampleOf("shuttle");
    const back = said(stages(cardOf({ layout: { ...shuttle, along: -0.5 } })));
    expect(back.some((text) => text.startsWith("Walk 1 of your steps back."))).toBe(true);
    const on = said(stages(cardOf({ layout: { ...shuttle, along: 0 } })));
    expect(on.some((text) => text.startsWith("Stay on the line."))).toBe(true);
  });
});

describe("pictures of the yard", () => {
  const html = (name: LayoutName, marks = {}) => {
    const { card } = cardOf({ layout: exampleOf(name) });
    return renderToStaticMarkup(<YardMap parts={card.parts} width={350} height={300} marks={marks} label="map" />);
  };
  it("show the way with an arrow, what is behind, and only what stands by now at full strength", () => {
    expect(html("spots")).not.toContain("2 8");
    const way = [
      { along: 0, across: 0 },
      { along: 2, across: 0 },
      { along: 2, across: 1 },
    ];
    const shown = html("spots", { way, behind: true, only: ["start", "t1"] });
    expect(shown).toContain('stroke-dasharray="2 8"');
    expect(shown).toMatch(/rotate\(90\)/);
    expect(shown).toContain("var(--color-ember)");
    expect(shown.match(/opacity="0.28"/g)!.length).toBeGreaterThanOrEqual(6);
  });
  it("draw every layout whole, inside the picture", () => {
    for (const name of layoutNames) {
      const drawn = html(name);
      expect(drawn, name).not.toMatch(/NaN|Infinity|undefined/);
      const things = partsOf(laidParts(exampleOf(name)), "obstacle").length;
      expect(drawn.match(/<use/g)!.length, name).toBe(5 + things);
    }
  });
  it("lay a layout in a home as it was placed, mirrored and turned, with what stands there told apart", () => {
    const { card } = cardOf({});
    const plan = (mirrored: boolean) =>
      renderToStaticMarkup(
        <RoomPlan
          space={TIGHT.space!}
          parts={card.parts}
          placement={{ x: 0.6, y: 1, angle: 0.3, mirrored }}
          label="room"
          wide={300}
          tall={200}
        />,
      );
    expect(plan(true)).not.toBe(plan(false));
    expect(plan(false)).toContain("≡");
    expect(plan(false)).not.toMatch(/NaN|undefined/);
    const bare = renderToStaticMarkup(
      <RoomPlan space={TIGHT.space!} parts={card.parts} placement={null} label="room" wide={300} tall={200} />,
    );
    expect(bare).not.toContain("<use");
    // One line round the room, with a vertex for each of its corners.
    expect(/ d="(M[^"]+)Z"/.exec(bare)![1]!.split("L")).toHaveLength(6);
  });
});
