import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { pathTo, sendingOf } from "#core/physics/send.ts";
import { layoutNames } from "#core/yard/layouts/index.ts";
import { exampleOf } from "#core/yard/layouts/laid.ts";
import { partsOf } from "#core/yard/parts.ts";
import { label } from "#words/teacher.ts";
import { arrangeAs, nudged, turnedBy } from "./edit.ts";
import { letText } from "./home-view.tsx";
import { LayoutPanel, withLayout } from "./layout-panel.tsx";
import { PlanBar } from "./plan-bar.tsx";
import { planScale } from "./scale.ts";
import { SideView } from "./side-view.tsx";
import type { Yard } from "./use-yard.ts";

const climb = fromPattern("climb");
const none = () => undefined;
const plain = (html: string) => html.replace(/<[^>]*>/g, " ").replace(/\s+/g, " ");

describe("keys on the plan", () => {
  const press = (key: string, altKey = false) => {
    let held = false;
    const to = nudged({ key, altKey, preventDefault: () => (held = true) }, { along: 2, across: 0.5 });
    return { to, held };
  };
  it("take something 10 cm along or aside, with Alt 1 cm, and keep the page still", () => {
    expect(press("ArrowRight").to!.along).toBeCloseTo(2.1, 9);
    expect(press("ArrowLeft", true).to!.along).toBeCloseTo(1.99, 9);
    expect(press("ArrowUp").to!.across).toBeCloseTo(0.4, 9);
    expect(press("ArrowDown").to).toMatchObject({ along: 2, way: [0, 1] });
    expect(press("ArrowDown").held).toBe(true);
    expect(press("a")).toEqual({ to: null, held: false });
  });
  it("turn by 15 degrees or by one, all the way round", () => {
    let turn = 0;
    for (let i = 0; i < 24; i++) turn = turnedBy(turn, 1, false);
    expect(turn).toBeCloseTo(0, 9);
    expect(turnedBy(0, -1, true)).toBeCloseTo(-Math.PI / 180, 9);
  });
});

describe("arranging a game's targets as a layout", () => {
  it("keeps them in the space that was planned for, whatever its size", () => {
    for (const name of ["row", "scattered", "around", "pins"] as const)
      for (const [length, width] of [
        [5.6, 2.4],
        [4.4, 1.6],
        [9, 4],
      ]) {
        const design = arrangeAs({ ...climb, space: { ...climb.space, length: length!, width: width! } }, name);
        for (const target of partsOf(opened(design).parts, "target")) {
          expect(target.along).toBeLessThanOrEqual(length! + 1e-9);
          expect(Math.abs(target.across) + target.width / 2).toBeLessThanOrEqual(width! / 2 + 1e-9);
        }
      }
  });
  it("is a valid document in the space of the example", () => {
    for (const name of ["row", "scattered", "around"] as const)
      expect(activity.safeParse(arrangeAs(climb, name)).error?.issues ?? [], name).toEqual([]);
  });
});

describe("the panel of layouts", () => {
  it("offers every layout by its picture and name, and knows a name for all that can be set", () => {
    const html = renderToStaticMarkup(<LayoutPanel activity={climb} change={none} choose={none} />);
    for (const name of layoutNames) expect(plain(html)).toContain(label(`layout.${name}`));
    expect(html.match(/<svg viewBox/g)!.length).toBe(layoutNames.length);
    for (const name of layoutNames) {
      const one = plain(
        renderToStaticMarkup(<LayoutPanel activity={withLayout(climb, name)} change={none} choose={none} />),
      );
      expect(one, name).not.toContain("layout.");
      expect(one).toContain("Begins at");
    }
  });
  it("grows the space to plan for as far as the example reaches, and no farther", () => {
    for (const name of layoutNames) {
      const design = withLayout(climb, name);
      expect(activity.safeParse(design).error?.issues ?? [], name).toEqual([]);
      expect(design.space.length - climb.space.length).toBeLessThan(6);
    }
    expect(withLayout({ ...climb, space: { ...climb.space, length: 20, width: 12 } }, "goals").space).toMatchObject({
      length: 20,
      width: 12,
    });
  });
  it("offers to put marks back only where one was moved", () => {
    const design = withLayout(climb, "slalom");
    const html = (moved: object) =>
      renderToStaticMarkup(
        <LayoutPanel
          activity={{ ...design, layout: { ...exampleOf("slalom"), moved } as never }}
          change={none}
          choose={none}
        />,
      );
    expect(html({})).not.toContain("Marks back");
    expect(html({ g1: { along: 0.1, across: 0 } })).toContain("Put them back in their places");
  });
});

describe("over and under the plan", () => {
  const bar = (group: string[], of = climb) => {
    const yard = { group, snap: "tens", clearShown: false, chooseAll: none, setSnap: none, showClear: none };
    return renderToStaticMarkup(
      <PlanBar
        yard={yard as unknown as Yard}
        activity={of}
        who="Ada B."
        change={none}
        side={null}
        setSide={none}
        zoom={0}
        least={0}
        zoomBy={none}
        refit={none}
      />,
    );
  };
  it("every button of the plan has a name, and says how many are chosen", () => {
    const html = bar([]);
    expect(html.match(/<button/g)).toHaveLength(5);
    expect(html.match(/<button[^>]*aria-label="[^"]+"/g)).toHaveLength(4);
    expect(plain(html)).toContain("Select all");
    expect(plain(bar(["t1", "t3"]))).toContain("2 selected");
    expect(plain(html)).toContain("half steps, Ada");
    expect(bar([], fromPattern("bands")).match(/<button/g)).toHaveLength(3);
  });
  it("lobs are drawn from the side, the one that is chosen, with its height in words and a warning under a low ceiling", () => {
    const a = { ...climb, aim: { ...climb.aim, action: "pushThrow" as const } };
    const parts = layoutOf(a);
    const sending = sendingOf(8, "pushThrow", catalogueItem("sockBall")!, "carpet");
    const view = (ceiling: number | null, chosen: string) =>
      renderToStaticMarkup(
        <SideView
          parts={parts}
          scale={planScale(5.6, 2.4, null)}
          sending={sending}
          ceiling={ceiling}
          chosen={chosen}
          who="middle, 8"
          tall={262}
        />,
      );
    const t5 = partsOf(parts, "target")[4]!;
    const { apex } = pathTo(sending, Math.hypot(t5.along, t5.across), t5.height / 2);
    expect(view(2.4, "t5")).toContain(`flies up to ${apex.toFixed(1)} m under a ceiling of 2.4 m`);
    expect(view(2.4, "t1")).not.toContain("var(--color-ember)");
    expect(view(1.2, "t1")).toContain("var(--color-ember)");
    expect(view(null, "t1")).not.toContain("ceiling");
  });
  it("what would let a layout in has words of its own, each", () => {
    const all = [
      letText({ kind: "fewer", target: "t1" }),
      letText({ kind: "clearAway" }),
      letText({ kind: "runsLess" }),
      letText({ kind: "backstop" }),
      letText({ kind: "otherSpace", length: 4.2 }),
    ];
    expect(new Set(all).size).toBe(5);
    expect(all.at(-1)).toBe("another space of 4.2 m");
  });
});
