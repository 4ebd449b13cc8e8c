import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { catalogue, catalogueItem } from "#core/kit/catalogue.ts";
import { ModelNotes, notesOf } from "./model-notes.tsx";

const said = (id: string) => Object.fromEntries(notesOf(catalogueItem(id)!).map((note) => [note.about, note.text]));

describe("what the model makes of a thing", () => {
  it("says how a ball runs on and what fetching it costs, and that a sock ball stays", () => {
    expect(said("softBall")["Rolled past a target"]).toContain("boards 2.6 m");
    expect(said("sockBall")["Rolled past a target"]).toContain("carpet 0.3 m");
    expect(Number(/about (\d+) s/.exec(said("softBall")["Fetching it"]!)![1])).toBeGreaterThan(
      Number(/about (\d+) s/.exec(said("sockBall")["Fetching it"]!)![1]),
    );
    expect(said("bouncyBall")["Past a target 3 m away"]).toMatch(/boards \d+\.\d m/);
  });
  it("says where sliding is pointless, and where it is not", () => {
    expect(said("jarLid").Slid).toContain("No use on grass.");
    expect(said("jarLid").Slid).toContain("boards 5.0 m");
    expect(said("slipper").Slid).toContain("grass");
  });
  it("says how much water makes a bottle stand, and that a boot stands anyway", () => {
    expect(said("bottle")["When hit"]).toMatch(/Empty, it falls .* with \d+ ml of water it stays up/);
    expect(said("boot")["When hit"]).toContain("stays up");
    expect(said("rollTube")["When hit"]).toContain("falls");
  });
  it("says what steadies a container, and what a ramp does", () => {
    expect(said("wasteBin")["Thrown at"]).toMatch(/Empty, it tips over .* with \d\.\d kg in it, it stays up/);
    expect(said("cardRamp")["As a ramp"]).toMatch(/15 cm high.* carpet 1\.5 m.*For 2 m on boards, prop it 9 cm high/);
    expect(said("bucket")["As a ramp"]).toBeUndefined();
  });
  it("has nothing to say of what is neither sent, aimed at nor propped, and no broken figure of anything", () => {
    expect(renderToStaticMarkup(<ModelNotes item={catalogueItem("stickers")!} />)).toBe("");
    for (const item of catalogue)
      for (const note of notesOf(item))
        expect(note.text, `${item.id} ${note.about}`).not.toMatch(/NaN|Infinity|undefined|\[/);
  });
});
