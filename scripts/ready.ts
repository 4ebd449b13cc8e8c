import { writeFileSync } from "node:fs";
import { made } from "../core/ready/make.ts";
import { specs } from "../core/ready/specs.ts";

/**
 * Recomputes the ready activities after a change of their specs or of the model. A test checks that they stay in
 * their range of success.
 */
const all = specs.map((spec) => ({ id: spec.id, activity: made(spec, false), youngest: made(spec, true) }));
writeFileSync(
  new URL("../core/ready/ready.json", import.meta.url),
  `[\n${all.map((x) => JSON.stringify(x)).join(",\n")}\n]\n`,
);
