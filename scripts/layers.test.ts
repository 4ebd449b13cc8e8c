import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { describe, expect, it } from "vitest";

/** The layers from the bottom up. Imports run downward only. */
const MAY: Record<string, readonly string[]> = {
  core: ["core"],
  words: ["words", "core"],
  server: ["server", "words", "core"],
  app: ["app", "server", "words", "core"],
  cli: ["cli", "words", "core"],
};
const CORE_PACKAGES = ["zod"];
const root = resolve(import.meta.dirname, "..");

function* sources(dir: string): Generator<string> {
  for (const name of readdirSync(dir)) {
    const path = join(dir, name);
    if (statSync(path).isDirectory()) yield* sources(path);
    else if (/\.(ts|tsx)$/.test(name) && !/\.(test|test-utils)\.tsx?$/.test(name)) yield path; // Helpers of tests are left out.
  }
}
const imports = (file: string) =>
  [...readFileSync(file, "utf8").matchAll(/(?:^|[\s}])(?:from|import)\s*\(?\s*"([^"\s,]+)"/gm)].map(
    (match) => match[1]!,
  );

/** What a file imports at run time: neither types nor dynamic imports. */
const valueImports = (file: string) =>
  file.startsWith(root) && statSync(file, { throwIfNoEntry: false })?.isFile()
    ? [
        ...readFileSync(file, "utf8").matchAll(/^(?:import|export)\s+(?!type\s)(?:([^"]*?)\sfrom\s+)?"([^"]+)"/gm),
      ].flatMap(([, names = "", spec]) =>
        /^\{(\s*type\s[^,}]+,?)*\s*\}$/.test(names) && names.includes("type ") ? [] : [spec!],
      )
    : [];

function houseOf(file: string, spec: string): string | null {
  if (spec.startsWith("#")) return spec.slice(1).split("/")[0]!;
  if (spec.startsWith(".")) return relative(root, resolve(dirname(file), spec)).split("/")[0]!;
  return null;
}

/** The folders of the core from the bottom up. Each imports only those before it and itself. */
const CORE = [
  "rules",
  "items",
  "exercises",
  "plan",
  "letters",
  "sorting-grid",
  "measures",
  "actions",
  "physics",
  "asks",
  "aim",
  "yard",
  "events",
  "chances",
  "kit",
  "contract",
  "targets",
  "match",
  "patterns",
  "records",
  "referee",
  "formats",
  "forecast",
  "estimate",
  "fair",
  "simulated-player",
  "compile",
  "levels",
  "rehearsal",
  "ready",
];

/** The files that import each other in circles, one list for each circle. */
function circles(files: readonly string[]): string[][] {
  const known = new Set(files);
  const to = (file: string, spec: string) => {
    const path = spec.startsWith("#") ? join(root, spec.slice(1)) : resolve(dirname(file), spec);
    return known.has(path) && path !== file ? [path] : [];
  };
  return circlesOf(
    new Map(files.map((file) => [file, imports(file).flatMap((text) => (/^[#.]/.test(text) ? to(file, text) : []))])),
  );
}
/** Strongly connected components of more than one node, by Tarjan's algorithm (SIAM J. Comput. 1, 1972). */
function circlesOf(graph: ReadonlyMap<string, readonly string[]>): string[][] {
  const [index, low] = [new Map<string, number>(), new Map<string, number>()];
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (value: string) => {
    index.set(value, index.size);
    low.set(value, index.get(value)!);
    stack.push(value);
    for (const word of graph.get(value) ?? []) {
      if (!index.has(word)) visit(word);
      if (stack.includes(word)) low.set(value, Math.min(low.get(value)!, low.get(word)!));
    }
    if (low.get(value) !== index.get(value)) return;
    const component = stack.splice(stack.indexOf(value));
    if (component.length > 1) found.push(component.sort());
  };
  for (const key of graph.keys()) if (!index.has(key)) visit(key);
  return found;
}

describe("imports run downward only", () => {
  it("inside the core too, folder by folder", () => {
    const wrong: string[] = [];
    for (const file of sources(join(root, "core"))) {
      const [folder] = relative(join(root, "core"), file).split("/");
      for (const spec of imports(file)) {
        if (!spec.startsWith(".")) continue;
        const to = relative(join(root, "core"), resolve(dirname(file), spec)).split("/");
        if (to.length < 2 || to[0] === folder) continue;
        // Files outside the folders import nothing.
        if (CORE.indexOf(to[0]!) < 0 || CORE.indexOf(folder!) < CORE.indexOf(to[0]!))
          wrong.push(`${relative(root, file)} -> ${spec}`);
      }
    }
    expect(wrong).toEqual([]);
    const folders = readdirSync(join(root, "core"), { withFileTypes: true }).flatMap((dirent) =>
      dirent.isDirectory() ? [dirent.name] : [],
    );
    expect(folders.filter((folder) => !CORE.includes(folder))).toEqual([]);
  });

  it.each(Object.keys(MAY))("%s", (house) => {
    const wrong: string[] = [];
    for (const file of sources(join(root, house)))
      for (const spec of imports(file)) {
        const to = houseOf(file, spec);
        if (to !== null && to in MAY && !MAY[house]!.includes(to)) wrong.push(`${relative(root, file)} -> ${spec}`);
        if (house === "core" && to === null && !CORE_PACKAGES.includes(spec))
          wrong.push(`${relative(root, file)} -> ${spec}`);
      }
    expect(wrong).toEqual([]);
  });

  it("has no circles, type imports and lazy ones included", () => {
    const files = Object.keys(MAY).flatMap((house) => [...sources(join(root, house))]);
    expect(circles(files).map((circle) => circle.map((field) => relative(root, field)))).toEqual([]);
    expect(files.length).toBeGreaterThan(500);
    // Checks that the search finds a circle.
    expect(
      circlesOf(
        new Map([
          ["a", ["b"]],
          ["b", ["c"]],
          ["c", ["b"]],
        ]),
      ),
    ).toEqual([["b", "c"]]);
  });

  it("what a phone loads of a page or a game reaches no schema and no router", () => {
    const reached = (start: string) => {
      const seen = new Set([start]);
      for (const file of seen)
        for (const spec of valueImports(file)) {
          const path = spec.startsWith("#")
            ? join(root, spec.slice(1))
            : spec.startsWith(".")
              ? resolve(dirname(file), spec)
              : spec;
          seen.add(path);
        }
      return seen;
    };
    const patterns = join(root, "core/patterns");
    const folders = readdirSync(patterns, { withFileTypes: true }).filter((dirent) => dirent.isDirectory());
    const starts = [
      ...folders.map(({ name }) => join(patterns, name, "play.ts")),
      ...["family", "homes", "match", "step"].map((page) => join(root, "app", page, "start.tsx")),
      join(root, "app/workers/fair.worker.ts"),
    ];
    const heavy = (file: string) => ["zod", "react-router"].some((name) => reached(file).has(name));
    expect(starts.filter(heavy).map((file) => relative(root, file))).toEqual([]);
    expect(folders.length).toBeGreaterThan(16);
    // Checks that the search finds a schema or the router.
    expect(reached(join(patterns, "tally/index.ts")).has("zod")).toBe(true);
    expect(reached(join(root, "app/routes/week.tsx")).has("react-router")).toBe(true);
  });

  it("nothing but one file reads what a request carries, so that all of it is well-formed", () => {
    const wrong = [...sources(join(root, "app"))].filter(
      (source) =>
        !source.endsWith("app/read.server.ts") &&
        /\.formData\(|request\.(json|text|arrayBuffer|body)\b|\.searchParams/.test(readFileSync(source, "utf8")),
    );
    expect(wrong.map((field) => relative(root, field))).toEqual([]);
  });

  it("nothing of core reads the clock, the network or a global random number", () => {
    const wrong = [...sources(join(root, "core"))].filter((source) =>
      /Date\.now|new Date\(|Math\.random|fetch\(|process\./.test(readFileSync(source, "utf8")),
    );
    expect(wrong.map((field) => relative(root, field))).toEqual([]);
  });
});
