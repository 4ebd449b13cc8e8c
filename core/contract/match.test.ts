import { expect, it } from "vitest";
import { USUAL_MATCH } from "./match.ts";
import { match } from "./match-schema.ts";

it("a match in which nothing is set is what the schema fills in", () => {
  expect(match.parse({})).toEqual(USUAL_MATCH);
});
