import { mkdirSync, writeFileSync } from "node:fs";
import { z } from "zod";
import { activitySchema } from "../core/formats/activity.ts";
import { itemsFile } from "../core/items/item.ts";

/** Writes the published JSON Schemas. A test compares them with the code. */
const folder = new URL("../schemas/", import.meta.url);
mkdirSync(folder, { recursive: true });
writeFileSync(new URL("activity-2.schema.json", folder), `${JSON.stringify(activitySchema(), null, 2)}\n`);
const items = z.toJSONSchema(itemsFile, { target: "draft-2020-12", io: "input" });
writeFileSync(new URL("items-1.schema.json", folder), `${JSON.stringify(items, null, 2)}\n`);
