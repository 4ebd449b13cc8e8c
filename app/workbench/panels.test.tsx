import { renderToStaticMarkup } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { describe, expect, it } from "vitest";
import type { KitFit } from "#core/compile/class-fit.ts";
import { fitHomes } from "#core/compile/class-fit.ts";
import { layoutOf, pegRates, personOf } from "#core/forecast/for-activity.ts";
import { type Activity, activity, fromPattern, itemsIn } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { itemIn } from "#core/kit/known-items.ts";
import { paces } from "#core/measures/step.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { clashesOf } from "#core/yard/clashes.ts";
import { layoutNames } from "#core/yard/layouts/index.ts";
import { layoutNamed } from "#core/yard/layouts/known-layouts.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { label } from "#words/teacher.ts";
import { CuesPanel } from "./cues-panel.tsx";
import { fitOf, type HomesOf } from "./home-fits.ts";
import { SchoolContext, schoolOf, withOwn } from "./items.tsx";
import { changeText, KitPanel } from "./kit-panel.tsx";
import { LaidLayer } from "./laid-layer.tsx";
import { withLayout } from "./layout-panel.tsx";
import { Plan } from "./plan.tsx";
import { planScale } from "./scale.ts";
import { answerOf } from "./stations.ts";
import { Strip } from "./strip.tsx";
import { spreadAt, Tape } from "./tape.tsx";

const none = () => undefined;
const climb = fromPattern("climb");
const bands = fromPattern("bands");
const people = [{ age: 6 }, { age: 7 }, { age: 8 }];
const names = ["youngest, 6", "middle, 7", "oldest, 8"];
const inRouter = (page: React.ReactNode) =>
  renderToStaticMarkup(<RouterProvider router={createMemoryRouter([{ path: "/", element: page }])} />);
const plain = (html: string) => html.replace(/<[^>]*>/g, " ").replace(/\s+/g, " ");

describe("station Cues", () => {
  it("keeps the answers of a question that is being typed anew, and says what is missing", () => {
    const list = [
      { picture: "bucket", text: "The bucket" },
      { picture: "pic-leftFoot", text: "The left foot" },
    ];
    const a = { ...climb, question: "", answers: { list, right: 0, explain: "" } };
    const read = activity.safeParse(a);
    const problems = read.success
      ? []
      : read.error.issues.map((issue) => ({ field: issue.path.join("."), message: issue.message }));
    const html = inRouter(
      <CuesPanel activity={a} problems={problems} change={none} chosen={null} choose={none} middle={{ age: 7 }} />,
    );
    expect(html).toContain('value="The left foot"');
    expect(plain(html)).toContain("The question needs a text, because it has answers");
  });
});

describe("station Kit", () => {
  const homes = [
    { ...NOTHING_SAID, id: "h1", label: "one", kit: { smallBall: 1, bucket: 1, string: 1 } },
    { ...NOTHING_SAID, id: "h2", label: "two", kit: { sock: 4 } },
    { ...NOTHING_SAID, id: "h3", label: "three" },
  ];
  const panel = (givenActivity: Activity, school = schoolOf({ own: [], hidden: [] })) =>
    inRouter(
      <SchoolContext value={school}>
        <KitPanel
          activity={givenActivity}
          problems={[]}
          change={none}
          chosen={null}
          choose={none}
          people={people}
          names={names}
          fits={fitHomes(givenActivity, homes, school.list)}
          housed={[
            { child: "Ada B.", homes: ["h1"] },
            { child: "Ben C.", homes: ["h2"] },
            { child: "Cleo D.", homes: ["h3"] },
          ]}
          homes={{ h1: "Ada B.", h2: "Ben C.", h3: "Cleo D." }}
        />
      </SchoolContext>,
    );
  it("lists every role with its thing, and the things that could serve, each once", () => {
    const html = panel(climb);
    for (const thing of ["sock ball", "bucket", "box", "book", "saucepan", "bottle", "string"])
      expect(plain(html)).toContain(thing);
    expect(html.match(/type="radio"/g)!.length).toBeGreaterThan(15);
    expect(plain(html)).toContain("2 of 3 children have what they need; 1 home hasn&#x27;t told us");
    expect(plain(html)).toContain("For homes that haven&#x27;t told us, we assume the usual items.");
  });
  it("says which homes cannot and why, and the single change that lets most of them in", () => {
    const asking: Activity = {
      ...climb,
      kit: { ...climb.kit, roles: [{ role: "send", limits: [{ property: "rebound", least: 0.5 }], wishes: [] }] },
    };
    const said = plain(panel(asking));
    expect(said).toContain("1 of 3 children have what they need; 1 home hasn&#x27;t told us");
    expect(said).toContain("1 more with not requiring bounce");
    expect(said).toContain("Ben C. Nothing here has enough bounce.");
    expect(said).not.toContain("Ada B.");
    expect(said).toContain("bounces");
    expect(changeText({ kind: "item", item: "smallBall" }, (id) => id)).toBe("one more item at home: smallBall");
  });
  it("keeps a thing that the school deleted, and says so", () => {
    const puck = { ...catalogueItem("sockBall")!, id: "puck", name: "felt puck" };
    const design = withOwn({ ...climb, kit: { ...climb.kit, send: "puck" } }, [...listOf([]), puck]);
    expect(design.kit.own.map((item) => item.id)).toEqual(["puck"]);
    expect(itemsIn(design).has("puck")).toBe(true);
    expect(plain(panel(design))).toContain("No longer in your school");
    expect(plain(panel(design, schoolOf({ own: [puck], hidden: [] })))).not.toContain("No longer in your school");
    expect(answerOf("kit", design)).toBe("felt puck, string for lines");
    // Items of the built-in list are not copied into the activity.
    expect(withOwn(climb, listOf([])).kit.own).toEqual([]);
  });
});

function drawn(givenActivity: Activity, chosen: string | null) {
  const parts = layoutOf(givenActivity);
  const scale = planScale(givenActivity.space.length, givenActivity.space.width, countedBackFrom(parts));
  const object = { diameter: itemIn(givenActivity.kit, givenActivity.kit.send)!.width, inAir: false };
  return renderToStaticMarkup(
    <Plan
      space={givenActivity.space}
      parts={parts}
      scale={scale}
      chosen={chosen}
      choose={none}
      focusOn={none}
      spread={personOf(givenActivity, { age: 7 }).sends({}).spread}
      place={none}
      wrong={clashesOf(parts, givenActivity.space, object).flatMap((clash) => clash.ids as readonly string[])}
      group={[]}
      toggle={none}
      widen={none}
      snap="tens"
      step={0.5}
      clear={null}
      behind={givenActivity.behind}
    />,
  );
}
describe("the plan", () => {
  it("names every target with where it stands, and can be moved by keys", () => {
    const html = drawn(climb, "t1");
    expect(html.match(/data-mark=/g)).toHaveLength(5);
    expect(html).toContain(
      'aria-label="1 bucket: 1.40 m, 0.56 m left. Arrow keys move it. Shift and space select several."',
    );
    expect(html.match(/tabindex="0"/gi)).toHaveLength(5);
    expect(html.match(/aria-pressed="true"/g)).toHaveLength(1);
    expect(plain(html)).toContain("1.40 m, 0.56 m left");
  });
  it("rings what clashes", () => {
    const html = drawn(opened(climb).move("t2", { across: 5 }), null);
    expect(html.match(/var\(--color-ember\)/g)).toHaveLength(1);
    expect(drawn(climb, null)).not.toContain("var(--color-ember)");
  });
  it("draws what is laid out beside the game, with a mark a thing and a frame for all of it", () => {
    for (const name of layoutNames) {
      const design = withLayout(climb, name);
      expect(activity.safeParse(design).error?.issues ?? [], name).toEqual([]);
      const html = renderToStaticMarkup(
        <LaidLayer
          laid={design.layout!}
          scale={planScale(design.space.length, design.space.width, null)}
          chosen="layout"
          choose={none}
          lay={none}
          snap="tens"
          step={0.5}
          wrong={[]}
        />,
      );
      expect(html, name).toContain("data-frame");
      expect(html.match(/data-grip="(move|turn|size)"/g), name).toHaveLength(3);
      const { rigid } = layoutNamed(name);
      const marks = laidParts(design.layout!).filter(
        (laidPart) => laidPart.kind === "obstacle" || laidPart.kind === "spot",
      );
      expect(html.match(/data-mark="x\./g)?.length ?? 0, name).toBe(rigid ? 0 : marks.length);
      expect(html).toContain(`aria-label="${label(`layout.${name}`)}, `);
      expect(plain(html)).not.toContain("[");
    }
  });
  it("draws bands with their points, and no mark to move aside", () => {
    const html = drawn(bands, "b2");
    expect(html).not.toContain("data-mark");
    for (const part of layoutOf(bands)) if (part.kind === "zone") expect(plain(html)).toContain(` ${part.points} `);
  });
});

describe("the tape", () => {
  const tape = (givenActivity: Activity, unit: "m" | "ft") => {
    const parts = layoutOf(givenActivity);
    return renderToStaticMarkup(
      <Tape
        pegs={opened(givenActivity).pegs}
        scale={planScale(givenActivity.space.length, givenActivity.space.width, countedBackFrom(parts))}
        length={givenActivity.space.length}
        rows={people.map((person, i) => ({ name: names[i]!, rates: pegRates(givenActivity, person), step: 0.5 }))}
        shown={1}
        show={none}
        chosen="t3"
        choose={none}
        move={none}
        unit={unit}
        spread={null}
        corridor={[0.6, 0.8]}
      />,
    );
  };
  it("shows where one count ends over a class", () => {
    const all = [6, 7, 8].map((age) => paces(age));
    expect(spreadAt(2, paces(7).step, all)).toEqual({ count: 4, from: 4 * paces(6).step, to: 4 * paces(8).step });
    expect(spreadAt(2, 0.5, all.slice(1, 2))).toBeNull();
  });
  it("has a slider a peg, in metres and steps, and three rates under each", () => {
    const html = tape(climb, "m");
    expect(html.match(/role="slider"/g)).toHaveLength(5);
    expect(html).toContain('aria-valuenow="2.8"');
    expect(html).toMatch(/aria-valuetext="2\.80 m, [\d½]+ steps"/);
    expect(html.match(/data-rate=/g)).toHaveLength(15);
    const rates = [...plain(html).matchAll(/(\d+) ?%/g)].map((match) => Number(match[1]));
    expect(rates.every((rate) => rate >= 0 && rate <= 100)).toBe(true);
    expect(plain(tape(climb, "ft"))).toContain("feet");
  });
});

describe("the strip", () => {
  it("counts the homes that can, those that cannot, and those that did not say", () => {
    const homes = [
      { name: "Ada B.", fits: true, why: "as designed", single: null },
      { name: "Ben C.", fits: false, why: "too short", single: { words: "one target fewer", next: climb } },
      { name: "Cleo D.", fits: null, why: "no answer", single: null },
    ];
    const html = inRouter(
      <Strip activity={climb} people={people} names={names} unit="points" homes={homes} apply={() => undefined} />,
    );
    expect(plain(html)).toContain("1 of 3");
    expect(plain(html)).toContain("1 home hasn&#x27;t told us");
    expect(html.match(/rotate-45/g)).toHaveLength(1);
    expect(html).toContain('data-strip="waiting"');
  });
  it("says beside each home that cannot the single change that lets it in, the teacher's own before the home's", () => {
    const home = { child: "Ben C.", className: "One", homes: [{ id: "h" } as HomesOf["homes"][number]] };
    const told = (over: object) =>
      fitOf(
        climb,
        home,
        new Map([
          ["h", { home: "h", can: true, guessed: false, missing: [], lets: [], place: null, ...over } as KitFit],
        ]),
        (id) => id,
      );
    const lacks = told({
      can: false,
      lets: [
        { kind: "item", item: "bucket" },
        { kind: "leaveOut", role: "target:t2" },
      ],
    });
    expect(lacks.fits).toBe(false);
    expect(lacks.single!.words).toBe("one target fewer");
    expect(opened(lacks.single!.next!).pegs.map((peg) => peg.id)).not.toContain("t2");
    const buy = told({ can: false, lets: [{ kind: "item", item: "bucket" }] });
    expect(buy.single).toEqual({ words: "one more item at home: bucket", next: null });
    const tight = told({ place: { status: "none", proved: true, lets: [{ kind: "fewer", target: "t5" }], scale: 1 } });
    expect(opened(tight.single!.next!).pegs.map((peg) => peg.id)).not.toContain("t5");
    const runs = told({ place: { status: "none", proved: false, lets: [{ kind: "backstop" }], scale: 1 } });
    expect(runs.single!.next!.behind).toBe("soft");
    expect(told({ place: { status: "designed", lets: [], scale: 1 } })).toMatchObject({ fits: true, single: null });
  });
});
