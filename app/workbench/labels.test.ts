import { describe, expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { boundsOf, partsOf } from "#core/yard/parts.ts";
import { targetName } from "#words/say.ts";
import "#words/tell.ts";
import { boxOf, type Labelled, placeLabels, shared } from "./labels.ts";
import { labelsOf } from "./plan-labels.ts";
import { MAX_ZOOM, planScale, USUAL_ROOM, zoomsOf } from "./scale.ts";

const item = (id: string, x: number, y: number, lines = ["2 bucket"]): Labelled => ({
  id,
  x,
  y,
  radius: 20,
  lines,
  size: 14,
});
const plan = { left: 0, top: 0, right: 700, bottom: 300 };

describe("labels on the plan", () => {
  it("stand above their items where there is room", () => {
    const placed = placeLabels([item("a", 200, 150)], { plan }).get("a")!;
    expect(placed).toMatchObject({ x: 200, anchor: "middle", leader: false });
    expect(placed.box.bottom).toBeLessThan(130);
  });

  it("move aside for another item, another label and the edge", () => {
    const placed = placeLabels([item("a", 200, 150), item("b", 200, 112), item("c", 20, 20)], { plan });
    const boxes = [...placed.values()].map(({ box }) => box);
    for (const [i, box] of boxes.entries()) {
      for (const other of boxes.slice(i + 1)) expect(shared(box, other)).toBe(0);
      for (const [x, y] of [
        [200, 150],
        [200, 112],
        [20, 20],
      ] as const)
        expect(shared(box, boxOf({ x, y, radius: 20 }))).toBe(0);
      expect(box.left).toBeGreaterThanOrEqual(0);
      expect(box.top).toBeGreaterThanOrEqual(0);
    }
  });

  it("have a leader where they stand farther out", () => {
    const crowd = Array.from({ length: 9 }, (_, i) => item(`${i}`, 300 + 20 * i, 150));
    const placed = placeLabels(crowd, { plan });
    expect([...placed.values()].some(({ leader }) => leader)).toBe(true);
    const boxes = [...placed.values()].map(({ box }) => box);
    for (const [i, box] of boxes.entries()) for (const other of boxes.slice(i + 1)) expect(shared(box, other)).toBe(0);
  });

  it.each(patternNames.flatMap((name) => [0, 1, MAX_ZOOM].map((zoom) => [name, zoom] as const)))(
    "never cover each other, whichever target is chosen: %s, zoom %i",
    (name, zoom) => {
      const activity = fromPattern(name);
      const { space } = activity;
      const reach = Math.max(...boundsOf(opened(activity).parts).across.map(Math.abs));
      const k = zoomsOf(space, reach, USUAL_ROOM).get(zoom)!;
      const scale = planScale(space.length, space.width, null, { k });
      const targets = partsOf(opened(activity).parts, "target");
      for (const chosen of [null, ...targets.map(({ id }) => id)]) {
        const { placed, items } = labelsOf({
          targets,
          chosen,
          scale,
          reversed: false,
          nameOf: (target) => targetName(target),
        });
        const boxes = [...placed.values()].map(({ box }) => box);
        for (const [i, box] of boxes.entries()) {
          for (const other of boxes.slice(i + 1)) expect(shared(box, other), `${name} ${chosen}`).toBeLessThan(1);
          for (const one of items)
            expect(shared(box, boxOf(one)), `${name} ${chosen} ${one.id} ${JSON.stringify([box, one])}`).toBeLessThan(
              1,
            );
          expect(box.left, name).toBeGreaterThanOrEqual(0);
          expect(box.right, name).toBeLessThanOrEqual(scale.width);
        }
      }
    },
  );
});
