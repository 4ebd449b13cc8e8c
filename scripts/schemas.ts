import { mkdirSync, writeFileSync } from "node:fs";
import { activitySchema } from "../core/formats/activity.ts";

/** Writes the published JSON Schema of the activity document; a test holds it against the code. */
const folder = new URL("../schemas/", import.meta.url);
mkdirSync(folder, { recursive: true });
writeFileSync(new URL("activity-1.schema.json", folder), `${JSON.stringify(activitySchema(), null, 2)}\n`);
