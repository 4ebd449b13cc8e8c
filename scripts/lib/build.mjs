import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { bin, root } from "./root.mjs";
import { give, say } from "./say.mjs";

const SOURCES = [
  "app",
  "words",
  "core",
  "server",
  "docs/guide.md",
  "docs/screenshots",
  "public",
  "package-lock.json",
  "scripts/vite",
  "vite.config.ts",
  "vite.sw.config.ts",
  "vite.compute.config.ts",
  "react-router.config.ts",
  "tsconfig.json",
];
/** The entry of the family pages, and the root that holds the styles. The service worker caches what they need. */
const FAMILY = "app/family/start.tsx";
const STYLE = "app/root.tsx";

function* filesIn(path) {
  if (statSync(path).isFile()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesIn(join(path, name));
}

function sourceHash() {
  const hash = createHash("sha256");
  hash.update(process.env.YARD_GALLERY === "1" ? "with the gallery" : "");
  for (const source of SOURCES) {
    for (const value of filesIn(join(root, source))) {
      if (value.includes(".test.") || value.includes(".reference.")) continue;
      hash.update(value.slice(root.length)).update(readFileSync(value));
    }
  }
  return hash.digest("hex");
}

/**
 * Every file that the family pages load: their own, their static and dynamic imports, and the files that the pages
 * link to.
 */
export function familyFiles() {
  const manifest = JSON.parse(readFileSync(join(root, "build/client/.vite/manifest.json"), "utf8"));
  const seen = new Set();
  const files = new Set(["/mark.svg", "/manifest.webmanifest"]);
  const look = (entry) => {
    for (const value of [...(entry.css ?? []), ...(entry.assets ?? [])])
      if (!value.endsWith(".woff") && !/-(cyrillic|cyrillic-ext|vietnamese|latin-ext|greek|greek-ext)-/.test(value))
        files.add(`/${value}`);
  };
  const visit = (key) => {
    const entry = manifest[key];
    if (!entry || seen.has(key)) return;
    seen.add(key);
    files.add(`/${entry.file}`);
    look(entry);
    for (const value of [...(entry.imports ?? []), ...(entry.dynamicImports ?? [])]) visit(value);
  };
  if (!manifest[FAMILY]) give(`The build has no ${FAMILY}.`);
  visit(FAMILY);
  for (const [key, entry] of Object.entries(manifest))
    if ((entry.src ?? key).split("?")[0].endsWith(STYLE)) look(entry);
  return [...files];
}

/** Builds if the sources have changed since the last build. */
export function ensureBuild({ force = false } = {}) {
  const stamp = join(root, "build", "source-hash");
  const wanted = sourceHash();
  if (!force && existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  say("Building ...");
  const run = (cmd, args) =>
    spawnSync(cmd, args, { cwd: root, encoding: "utf8", env: { ...process.env, NODE_ENV: "production" } });
  const pages = run(bin("react-router"), ["build"]);
  if (pages.status !== 0) give(`The build failed:\n${pages.stdout}\n${pages.stderr}`);
  mkdirSync(join(root, "build"), { recursive: true });
  writeFileSync(join(root, "build/family-files.json"), JSON.stringify(familyFiles()));
  const worker = run(bin("vite"), ["build", "--config", "vite.sw.config.ts"]);
  if (worker.status !== 0) give(`The build of the service worker failed:\n${worker.stdout}\n${worker.stderr}`);
  const figures = run(bin("vite"), ["build", "--config", "vite.compute.config.ts"]);
  if (figures.status !== 0) give(`The build of the figures' thread failed:\n${figures.stdout}\n${figures.stderr}`);
  writeFileSync(stamp, wanted);
}
