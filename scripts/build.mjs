import { ensureBuild } from "./lib/build.mjs";
import { ensure } from "./lib/install.mjs";

await ensure();
ensureBuild({ force: !process.argv.includes("--if-changed") });
