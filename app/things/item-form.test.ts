import { parseWithZod } from "@conform-to/zod/v4";
import { describe, expect, it } from "vitest";
import { item } from "#core/items/item.ts";
import { catalogue } from "#core/kit/catalogue.ts";
import { formOfItem, itemForm, itemIn } from "./item-form.ts";

/** What a browser sends of a form that shows this: ticks as they are, texts as they stand. */
function sent(first: Record<string, unknown>): URLSearchParams {
  const out = new URLSearchParams();
  for (const [name, value] of Object.entries(first)) {
    if (Array.isArray(value)) for (const one of value) out.append(name, String(one));
    else if (typeof value === "boolean") value && out.append(name, "on");
    else if (typeof value === "string") out.append(name, value);
  }
  return out;
}
const readForm = (fields: URLSearchParams) => parseWithZod(fields, { schema: itemForm });

describe("the form of a household item", () => {
  it("gives every item of the catalogue back as it was, when nothing is changed", () => {
    for (const is of catalogue) {
      const read = readForm(sent(formOfItem(is)));
      expect(read.status, `${is.id} ${JSON.stringify(read.reply().error)}`).toBe("success");
      if (read.status !== "success") continue;
      const made = itemIn(read.value, is.id, is);
      expect(item.safeParse(made).error).toBeUndefined();
      expect({ ...made, always: is.always }).toEqual({ ...is, openingDepth: is.openingDepth ?? undefined });
    }
  });

  it("takes a comma for a point, and names the field, its unit and what is allowed", () => {
    const fields = sent({ ...formOfItem(null), name: "foam", uses: ["send"], width: "9,5", depth: "9", height: "600" });
    fields.set("mass", "heavy");
    const read = readForm(fields);
    expect(read.reply().error).toEqual({
      height: ["Height must be a number from 0.1 to 500 cm"],
      mass: ["Weight when empty must be a number from 1 to 80000 g"],
    });
    fields.set("height", "4");
    fields.set("mass", "40");
    const good = readForm(fields);
    expect(good.status === "success" && [good.value.width, good.value.mass, good.value.opening]).toEqual([
      0.095,
      0.04,
      null,
    ]);
    fields.delete("uses");
    expect(readForm(fields).reply().error).toHaveProperty("uses");
  });

  it("makes an id of any name", () => {
    const read = readForm(
      sent({ ...formOfItem(null), name: "foam disc", uses: ["send"], width: "9", depth: "9", height: "4", mass: "40" }),
    );
    if (read.status !== "success") throw new Error(JSON.stringify(read.reply().error));
    const idOf = (name: string) => itemIn({ ...read.value, name }, null, null).id;
    expect(idOf("foam disc")).toBe("foamDisc");
    expect(idOf("7 cones")).toBe("own7Cones");
    expect(item.shape.id.safeParse(idOf("泡沫")).success).toBe(true);
  });
});
