import { renderToString } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { expect, it } from "vitest";
import { find, ready, THINGS } from "#core/ready/index.ts";
import { ReadyShelf } from "./ready-shelf.tsx";
import { type Wish, wishing, wishOf } from "./wish.ts";

const classes = [
  { id: "a1", name: "Heron class", ages: { from: 6, to: 8 } },
  { id: "b2", name: "Otter class", ages: { from: 9, to: 11 } },
];
const html = (query: string) => {
  const { wish: told, wanted } = wishOf(new URLSearchParams(query), classes, THINGS);
  const found = find(wanted).map(({ id, activity, youngest }) => ({ id, youngest, document: activity }));
  const router = createMemoryRouter([
    { path: "/", element: <ReadyShelf wish={told} classes={classes} things={THINGS} found={found} /> },
  ]);
  return renderToString(<RouterProvider router={router} />);
};

it("shows everything that is ready, and by two choices what throws, indoors and alone", () => {
  expect(html("class=all")).toContain("One step more");
  const two = html("skill=throwing&place=in-alone");
  expect(two).toContain("Clear the shelf");
  expect(two).not.toContain("Gate keeper");
  expect(html("skill=catching&place=in-alone&length=3&class=b2")).toContain("ready");
});

it("finds by what it is played with", () => {
  for (const thing of THINGS) {
    const found = find({ thing });
    expect(found.length).toBeGreaterThan(0);
    for (const { activity } of found) expect([activity.kit.send, activity.kit.implement]).toContain(thing);
  }
  expect(new Set(THINGS.flatMap((thing) => find({ thing }).map((found) => found.id))).size).toBe(ready.length);
});

it("says where nothing is ready, and knows only what it knows", () => {
  expect(html("skill=catching&place=out-alone")).toContain("Nothing ready-made fits all of that.");
  expect(
    wishOf(new URLSearchParams("skill=flying&place=moon&minutes=9&class=x&thing=moon"), classes, THINGS).wish,
  ).toEqual({
    skill: null,
    place: null,
    class: "a1",
    minutes: null,
    length: null,
    thing: null,
  });
});

it("a choice made again is let go", () => {
  const wish: Wish = { skill: "rolling", place: null, class: "a1", minutes: null, length: null, thing: null };
  expect(wishing(wish, "skill", "rolling")).toBe("?class=a1");
  expect(wishing(wish, "place", "in-alone")).toBe("?skill=rolling&place=in-alone&class=a1");
});
