import { expect, it } from "vitest";
import { plainPath } from "#server/web/log.ts";
import routes from "./routes.ts";

type Listed = (typeof routes)[number];
/** Every address that the application answers, as a pattern. */
const addresses = (list: readonly Listed[], above = ""): string[] =>
  list.flatMap((listed) => {
    const path = listed.path === undefined ? above : `${above}/${listed.path}`;
    return [...(listed.path === undefined ? [] : [path]), ...addresses(listed.children ?? [], path)];
  });

it("never logs the private token in an address", () => {
  const secret = addresses(routes).filter((path) => path.includes(":token"));
  expect(secret.length).toBeGreaterThan(9);
  expect(secret.filter((path) => plainPath(path.replace(":token", "abc.def")).includes("abc"))).toEqual([]);
});
