import { writeFileSync } from "node:fs";
import { made } from "../core/ready/make.ts";
import { specs } from "../core/ready/specs.ts";

/** Works the ready activities out again, after a change of their specs or of the model; a test holds them to their corridor. */
const all = specs.map((spec) => ({ id: spec.id, activity: made(spec, false), youngest: made(spec, true) }));
writeFileSync(
  new URL("../core/ready/ready.json", import.meta.url),
  `[\n${all.map((x) => JSON.stringify(x)).join(",\n")}\n]\n`,
);
