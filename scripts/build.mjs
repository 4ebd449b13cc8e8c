import { ensureBuild } from "./lib/build.mjs";
import { ensurePackages } from "./lib/install.mjs";

ensurePackages();
ensureBuild({ force: !process.argv.includes("--if-changed") });
