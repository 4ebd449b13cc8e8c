import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { itemsFile } from "../items/item.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { activitySchema, fromPattern, parseActivity } from "./activity.ts";

const climb = () =>
  structuredClone(fromPattern("climb")) as never as Record<string, never> & {
    pattern: { params: { ladder: { targets: { distance: number; id: string }[] } } };
  };
const messages = (json: unknown) => {
  const parsed = parseActivity(json);
  return parsed.ok ? [] : parsed.problems.map((problem) => `${problem.field}: ${problem.message}`);
};

describe("activity document", () => {
  it("names the field and what is allowed", () => {
    const far = climb();
    far.pattern.params.ladder.targets[4]!.distance = 7;
    expect(messages(far)).toEqual(["pattern.params.peg.t5: target 5 at 7 m is outside the space, which is 5.6 m long"]);
    const negative = climb();
    negative.pattern.params.ladder.targets[0]!.distance = -1;
    expect(messages(negative)[0]).toContain("distance must be 0.3 m or more");
    const nan = climb();
    nan.pattern.params.ladder.targets[0]!.distance = Number.NaN;
    expect(messages(nan)[0]).toContain("distance must be a number of metres");
    const twice = climb();
    twice.pattern.params.ladder.targets[1]!.id = "t1";
    expect(messages(twice)[0]).toContain('id "t1" is used twice');
  });
  it("refuses overlapping bands, another version and another format before anything else", () => {
    const doc = fromPattern("bands");
    const params = { ...doc.pattern.params, lines: [1.2, 1.7, 1.6, 2.6, 2.9] };
    expect(messages({ ...doc, pattern: { name: "bands", params } })[0]).toContain(
      "bands overlap: line 3 (1.6 m) must be at least 0.1 m beyond line 2 (1.7 m)",
    );
    expect(messages({ ...doc, version: 3 })).toEqual([
      "version: this document has version 3; this program reads versions 1 and 2",
    ]);
    expect(messages({ title: "x" })[0]).toContain("format must be");
    expect(messages([])).toEqual(["document: an activity is a JSON object"]);
    expect(messages({ ...doc, pattern: { name: "hopscotch", params } })[0]).toContain(
      "pattern name must be one of climb, bands",
    );
  });
  it("ships the schema that the code makes", () => {
    const shipped = JSON.parse(readFileSync(new URL("../../schemas/activity-2.schema.json", import.meta.url), "utf8"));
    expect(shipped).toEqual(JSON.parse(JSON.stringify(activitySchema())));
    const items = JSON.parse(readFileSync(new URL("../../schemas/items-1.schema.json", import.meta.url), "utf8"));
    expect(items).toEqual(
      JSON.parse(JSON.stringify(z.toJSONSchema(itemsFile, { target: "draft-2020-12", io: "input" }))),
    );
  });
  it("speaks of a thing of the list or of its own, and of one that can be sent", () => {
    const doc = fromPattern("climb");
    const kit = (over: object) => messages({ ...doc, kit: { ...doc.kit, ...over } });
    expect(kit({ send: "bucket" })[0]).toContain("kit.send: choose an object from the list");
    expect(kit({ send: "foamDisc" })[0]).toContain("kit.send");
    const disc = { ...catalogueItem("sockBall")!, id: "foamDisc", name: "foam disc" };
    expect(kit({ send: "foamDisc", own: [disc] })).toEqual([]);
    expect(kit({ own: [{ ...disc, mass: Number.NaN }] })[0]).toContain("mass must be a number");
    expect(kit({ roles: [{ role: "send", limits: [{ property: "width" }], wishes: [] }] })[0]).toContain(
      "least, most or both",
    );
    expect(
      kit({ roles: [{ role: "send", limits: [{ property: "width", least: 2, most: 1 }], wishes: [] }] })[0],
    ).toContain("most must not be below least");
  });
});
