import { renderToString } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { describe, expect, it } from "vitest";
import { UNITS } from "#core/contract/contract.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { Panel } from "./panel.tsx";
import { SendPanel } from "./send-panel.tsx";

const none = () => undefined;
const drawn = (element: React.ReactNode): string => {
  const router = createMemoryRouter([{ path: "/", element }]);
  return renderToString(<RouterProvider router={router} />).replaceAll(/<[^>]*>|<!-- -->/g, " ");
};
/** A key in brackets is a missing sentence. A missing name shows as undefined. */
const MISSING = /\[[a-z]\w*(\.\w+)+\]|undefined|NaN|\[object/;

describe.each(patternNames)("%s: every station has its words", (name) => {
  const a = { ...fromPattern(name), title: "A game" };
  it.each(["aim", "cues", "yard", "score", "players", "levels"] as const)("%s", (station) => {
    const text = drawn(
      <Panel
        station={station}
        activity={a}
        problems={[]}
        change={none}
        chosen={null}
        choose={none}
        middle={{ age: 8 }}
        people={[{ age: 6 }, { age: 8 }, { age: 10 }]}
      />,
    );
    expect(text.length).toBeGreaterThan(40);
    expect(text).not.toMatch(MISSING);
  });
  it("send", () => {
    const { unit } = opened(a).possible;
    const text = drawn(
      <SendPanel
        activity={a}
        change={none}
        classes={[{ id: "c", name: "Heron class", children: [{ id: "k", name: "Ada B.", age: 8 }] }]}
        classId="c"
        times={{ opens: "2026-11-27T09:00", closes: "2026-12-04T09:00" }}
        zone="Europe/London"
        held={null}
        refused={undefined}
        unit={unit}
        orderId="o"
        others={[]}
      />,
    );
    expect(UNITS).toContain(unit);
    expect(text).toMatch(/for example [\d:.]+( \w+)?; you can leave it empty/);
    expect(text).not.toMatch(MISSING);
  });
});
