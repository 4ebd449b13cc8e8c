import { renderToStaticMarkup } from "react-dom/server";
import { createMemoryRouter, MemoryRouter, RouterProvider } from "react-router";
import { describe, expect, it, vi } from "vitest";
import { starters } from "#core/aim/starters.ts";
import { mainAsks } from "#core/asks/ask.ts";
import { compileCard, compileFor } from "#core/compile/card.ts";
import { NOTHING_DECIDED } from "#core/compile/swap.ts";
import { isRefusal } from "#core/contract/contract.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { COUNTED } from "#core/measures/count.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { bodiesOf } from "#core/referee/referee.ts";
import { inFull } from "#core/sample-size.test-utils.ts";
import { type LayoutName, layoutNames } from "#core/yard/layouts/index.ts";
import { exampleOf } from "#core/yard/layouts/laid.ts";
import type { CardData, Ticks } from "./card/card-data.ts";
import type { OwnCard } from "./card/own-card.ts";

/**
 * A made-up language in which every whole sentence stands in brackets, so that a sentence glued from fragments is
 * noticed.
 */
vi.mock("#words/en.ts", async (original) => {
  const { en } = await original<typeof import("#words/en.ts")>();
  return { en: Object.fromEntries(Object.entries(en).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/generated/together.ts", async (original) => {
  const { togetherWords } = await original<typeof import("#words/generated/together.ts")>();
  return { togetherWords: Object.fromEntries(Object.entries(togetherWords).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/generated/set-up.ts", async (original) => {
  const { setUpWords } = await original<typeof import("#words/generated/set-up.ts")>();
  return { setUpWords: Object.fromEntries(Object.entries(setUpWords).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/en-set-up.ts", async (original) => {
  const { enSetUp } = await original<typeof import("#words/en-set-up.ts")>();
  return { enSetUp: Object.fromEntries(Object.entries(enSetUp).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/en-paper.ts", async (original) => {
  const { enPaper } = await original<typeof import("#words/en-paper.ts")>();
  return { enPaper: Object.fromEntries(Object.entries(enPaper).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/en-game.ts", async (original) => {
  const { enGame } = await original<typeof import("#words/en-game.ts")>();
  return { enGame: Object.fromEntries(Object.entries(enGame).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
vi.mock("#words/generated/all.ts", async (original) => {
  const { gameWords } = await original<typeof import("#words/generated/all.ts")>();
  const all = Object.assign({}, ...Object.values(gameWords)) as Record<string, string>;
  return { gameWords: { all: Object.fromEntries(Object.entries(all).map(([key, text]) => [key, `⟦${text}⟧`])) } };
});
vi.mock("#words/en-home.ts", async (original) => {
  const { enHome } = await original<typeof import("#words/en-home.ts")>();
  return { enHome: Object.fromEntries(Object.entries(enHome).map(([key, text]) => [key, `⟦${text}⟧`])) };
});
const { FetchScreen } = await import("./screens/fetch-screen.tsx");
const { SetUpScreen } = await import("./screens/set-up-screen.tsx");
const { LookScreen } = await import("./screens/look-screen.tsx");
const { HandInScreen } = await import("./screens/hand-in-screen.tsx");
const { Inputs } = await import("./inputs/inputs.tsx");
const { addWords } = await import("#words/say.ts");
addWords((await import("#words/en-game.ts")).enGame);
for (const words of Object.values((await import("#words/generated/all.ts")).gameWords)) addWords(words);
const { CardApp } = await import("./card/card-app.tsx");
const { Sheet } = await import("./screens/sheet.tsx");
const { RoomMap } = await import("./screens/room-map.tsx");
const { SpaceSketch } = await import("../homes/space-sketch.tsx");
const { SurveyForm } = await import("../homes/survey-form.tsx");
const { SurveySaid } = await import("../homes/survey-said.tsx");

const OPEN = "⟦";
const SHUT = "⟧";

function cardOf(name: (typeof patternNames)[number], layout: LayoutName | null = null): CardData {
  const a = {
    ...fromPattern(name),
    layout: layout && exampleOf(layout),
    caution: "TEACHER",
    title: "TEACHER",
    reflection: ["TEACHER"],
  };
  const home = { ...NOTHING_SAID, label: "TEACHER" };
  const card = compileFor({
    designed: { ...a, cues: [{ id: "c1", text: "TEACHER" }], criteria: [{ id: "l1", text: "TEACHER" }] },
    child: { age: 7, step: null, leftHanded: true },
    homes: [
      {
        ...home,
        id: "one",
        kit: { paperSheet: 4, tape: 1, sock: 8, backpack: 2 },
        space: { kind: "room", length: 5, width: 3, floor: "tile", indoors: true },
      },
      { ...home, id: "two" },
    ],
    items: { own: [], hidden: [] },
  });
  const now = new Date(0);
  return {
    id: "c",
    name: "N",
    school: "S",
    card,
    state: "open",
    opensAt: now,
    closesAt: now,
    tries: 3,
    used: 0,
    mark: null,
    best: null,
    token: "t",
    opens: "o",
    closes: "c",
    asked: { screen: null, at: null },
  } as CardData;
}

/**
 * The text of a page that is not inside brackets: whole text nodes, without what people typed and without plain
 * figures.
 */
function outside(html: string, typed: readonly string[]): string[] {
  const names = [...html.matchAll(/aria-label="([^"]*)"/g)].map((match) => match[1]!);
  const nodes = html.split(/<[^>]*>/).concat(names);
  return nodes
    .map((node) => node.trim())
    .filter((name) => {
      if (name === "" || /^[\d\s.,:|+=-]+$/.test(name) || typed.includes(name)) return false;
      let depth = 0;
      for (const text of name) {
        if (text === OPEN) depth++;
        else if (text === SHUT) depth--;
        else if (depth === 0 && /\p{L}/u.test(text)) return true;
      }
      return depth !== 0;
    });
}

/** The server sends the rules of a sheet as whole sentences. */
const rules = { how: `${OPEN}how${SHUT}`, points: null, facts: [`${OPEN}fact${SHUT}`], players: `${OPEN}who${SHUT}` };
const code = { size: 21, path: "M0 0h1v1h-1z" };
/** Screens that link to each other need a router. */
const drawn = (page: React.ReactElement) => renderToStaticMarkup(<MemoryRouter>{page}</MemoryRouter>);

describe.each(patternNames)("no sentence of the family's screens is glued: %s", (name) => {
  const data = cardOf(name);
  const labels = data.card.parts.flatMap((part) =>
    part.kind === "target" ? [part.label, part.sign ?? part.label] : [],
  );
  const typed = ["TEACHER", ...labels, ...starters.slide.cues];
  const ticks: Ticks = { have: [], look: [], grownUp: false, day: "", of: null };
  const none = () => undefined;
  const own: OwnCard = {
    card: data.card,
    sent: data.card,
    decided: { ...NOTHING_DECIDED, fixed: { send: "sockBall" } },
    busy: false,
    decide: none,
    options: async () => ({ here: [], ifHave: [] }),
  };

  it("fetch, set up, look round, hand in", () => {
    const over = {
      id: "p",
      token: "t",
      card: "c",
      device: "d",
      setup: { players: 1, mode: "alone", seed: 1 },
      names: [],
      rulesVersion: 1,
      startedAt: 0,
      done: true,
      result: null,
      receipt: null,
      refused: null,
    } as const;
    const pages = [
      <FetchScreen key="f" data={data} own={own} ticks={ticks} setTicks={none} locked={false} />,
      <SetUpScreen key="s" data={data} ticks={ticks} setTicks={none} asked={null} />,
      <Sheet key="p" data={{ ...data, code, rules }} />,
      <RoomMap key="r" card={data.card} />,
      <LookScreen key="l" data={data} ticks={ticks} setTicks={none} />,
      <HandInScreen
        key="h"
        data={data}
        plays={[{ ...over, setup: { ...over.setup }, names: [] }]}
        again={async () => undefined}
        go={none}
      />,
    ];
    for (const page of pages) {
      const html = drawn(page);
      expect(html).toContain(OPEN);
      expect(outside(html, typed)).toEqual([]);
    }
  });

  it.each(layoutNames)("with %s laid out beside it, counted in any unit", (layout) => {
    const beside = cardOf(name, layout);
    // In a usual run each pair has one unit, so that every game and every layout has all of them.
    const pair = patternNames.indexOf(name) + layoutNames.indexOf(layout);
    for (const counted of inFull<readonly (typeof COUNTED)[number][]>(COUNTED, [COUNTED[pair % COUNTED.length]!])) {
      const { card } = beside;
      const again = {
        ...beside,
        card: compileCard({ ...card.activity, counted }, { age: 7, step: 0.5, leftHanded: false }),
      };
      // The kinds of item in the sorting square have letters as names.
      for (const page of [
        <SetUpScreen key="s" data={again} ticks={ticks} setTicks={none} asked={null} />,
        <Sheet key="p" data={{ ...again, code, rules }} />,
      ])
        expect(outside(drawn(page), [...typed, ..."ABCDEF"])).toEqual([]);
    }
  });

  it("a space tapped in steps", () => {
    const html = renderToStaticMarkup(
      <SpaceSketch
        outline={[]}
        own
        corners={"0 0\n5 0\n5 4"}
        setCorners={none}
        stands={"furniture 0 0 1 1\ntile 1 1 2 2"}
        setStands={none}
      />,
    );
    expect(outside(html, typed)).toEqual([]);
  });

  it("the frame around them, closed cards too", () => {
    for (const state of ["open", "closed", "soon"] as const) {
      const router = createMemoryRouter([{ path: "/", element: <CardApp data={{ ...data, state }} /> }]);
      expect(outside(renderToStaticMarkup(<RouterProvider router={router} />), typed), state).toEqual([]);
    }
  });

  it("every input that the game can offer, to its end", () => {
    const { game, pattern } = opened(fromPattern(name));
    const mode = pattern.modes.includes("against") ? "against" : "turns";
    let state = game.start({ players: 2, mode, seed: 1 });
    let at = 0;
    for (let i = 0; !game.ending(state); i++) {
      const html = renderToStaticMarkup(
        <Inputs
          asks={game.asks(state)}
          now={game.turn(state).now.key}
          data={data}
          act={none}
          sound={none}
          name={() => "NAME"}
        />,
      );
      expect(outside(html, typed)).toEqual([]);
      const bodies = bodiesOf(mainAsks(game.asks(state))[0]!);
      const bell = game.due(state);
      const event = bell !== null && i % 5 === 4 ? { kind: "bell", at: bell } : { ...bodies[i % bodies.length], at };
      at = Math.max(at, event.at);
      const after = game.step(state, event as never);
      if (isRefusal(after)) throw new Error(after.refused.key);
      state = after;
    }
  });
});

describe("no sentence of the home survey is glued", () => {
  const answers = {
    ...NOTHING_SAID,
    kit: { bucket: 2 },
    space: { kind: "room", length: 4, width: 3, floor: "tile", indoors: true, ceiling: 2.5 } as const,
    players: 2,
  };
  it.each(["things", "space", "people"] as const)("%s", (part) => {
    const page = (
      <>
        <SurveyForm
          part={part}
          answers={answers}
          familyNote=""
          name=""
          items={[catalogueItem("bucket")!, catalogueItem("sock")!]}
          to={(path) => `?part=${path}`}
          keepAs="h"
          saving={{ busy: false, answer: null, save: () => {}, open: () => {} }}
          problems={[]}
          typed={null}
        />
        <SurveySaid answers={answers} />
        <SurveySaid answers={NOTHING_SAID} />
      </>
    );
    const html = renderToStaticMarkup(page);
    expect(html).toContain(OPEN);
    expect(outside(html, [])).toEqual([]);
  });
});
