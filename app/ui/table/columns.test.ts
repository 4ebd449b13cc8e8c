import { describe, expect, it } from "vitest";
import { addressOf, compare, exceptForView, type Filter, keeps, sortAfter, viewIn } from "./columns.ts";

interface Row {
  name: string;
  age: number;
}
const filters: Filter<Row>[] = [
  {
    id: "show",
    label: "Show",
    options: [
      { id: "all", label: "everyone", keeps: () => true },
      { id: "old", label: "older", keeps: (row) => row.age > 8 },
    ],
  },
];
const text = (row: Row) => row.name;
const view = (search: string) => viewIn(new URLSearchParams(search), filters as never);

describe("the view of a table", () => {
  it("is read from the address and written back, without what is at its default", () => {
    const search = new URLSearchParams("class=1&sort=-age&find=ada&show=old&from=100");
    expect(view(`${search}`)).toEqual({ sort: "-age", find: "ada", filters: { show: "old" } });
    expect(addressOf(search, { sort: "", find: " bo ", filters: { show: "" } })).toBe("?class=1&find=bo");
  });

  it("keeps rows that pass the filter and have every word typed, in any order and case", () => {
    const ada = { name: "Ada K. Heron class", age: 9 };
    expect(keeps(ada, view("find=heron+ADA"), { filters, text })).toBe(true);
    expect(keeps(ada, view("find=ada+otter"), { filters, text })).toBe(false);
    expect(keeps({ ...ada, age: 7 }, view("show=old"), { filters, text })).toBe(false);
    // A filter that does not exist changes nothing.
    expect(keeps({ ...ada, age: 7 }, view("show=nonsense"), { filters, text })).toBe(true);
  });

  it("sorts in a column's first direction, then turns it round", () => {
    expect(sortAfter("", { id: "name" })).toBe("name");
    expect(sortAfter("name", { id: "name" })).toBe("-name");
    expect(sortAfter("-name", { id: "name" })).toBe("name");
    expect(sortAfter("name", { id: "best", highFirst: true })).toBe("-best");
    expect(sortAfter("-best", { id: "best", highFirst: true })).toBe("best");
  });

  it("compares figures as figures, and texts as people do", () => {
    expect(["Ada 10", "ada 9", "Élan", "Zed"].sort(compare)).toEqual(["ada 9", "Ada 10", "Élan", "Zed"]);
    expect([10, 9, 2].sort(compare)).toEqual([2, 9, 10]);
  });

  it("loads the data again only if more than the view has changed", () => {
    const again = exceptForView("show");
    const ask = (from: string, to: string, formMethod?: string) =>
      again({
        currentUrl: new URL(`http://yard/homes${from}`),
        nextUrl: new URL(`http://yard/homes${to}`),
        formMethod,
        defaultShouldRevalidate: true,
      });
    expect(ask("?class=1", "?class=1&sort=age&find=x&show=old&tab=criteria")).toBe(false);
    expect(ask("?class=1", "?class=2&sort=age")).toBe(true);
    expect(ask("?class=1", "?class=1&sort=age", "POST")).toBe(true);
    // A page that asks for its data again does get it.
    expect(ask("?class=1", "?class=1")).toBe(true);
  });
});
