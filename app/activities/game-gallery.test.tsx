import { renderToStaticMarkup } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { expect, it } from "vitest";
import { patternNames } from "#core/patterns/registry.ts";
import { GameGallery } from "./game-gallery.tsx";

const games = (search: string) => {
  const router = createMemoryRouter([{ path: "/", element: <GameGallery /> }], { initialEntries: [`/${search}`] });
  const html = renderToStaticMarkup(<RouterProvider router={router} />);
  return [...html.matchAll(/name="pattern" value="(\w+)"/g)].map(([, name]) => name!);
};

it("finds games by skill, place and players, all of them without a filter", () => {
  expect(games("")).toEqual([...patternNames]);
  expect(games("?game-where=out")).toContain("bases");
  expect(games("?game-where=out").filter((name) => games("?game-where=in").includes(name))).toEqual([]);
  expect(games("?game-where=in").length + games("?game-where=out").length).toBe(patternNames.length);
  const alone = games("?game-players=alone");
  expect(alone).toContain("climb");
  const both = games("?game-players=relay&game-where=in");
  expect(both.length).toBeGreaterThan(0);
  for (const name of both) expect(games("?game-where=in")).toContain(name);
  expect(games("?game-skill=nothing")).toEqual([]);
});
