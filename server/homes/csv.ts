import { eq } from "drizzle-orm";
import Papa from "papaparse";
import { z } from "zod";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { type HomeSpace, homeAnswers, homeSpace, LONGEST_SUPPORT } from "#core/records/home.ts";
import { cellOf, fromCells } from "#core/records/home-fields.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema } from "../db/client.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { NotAllowed } from "../problem.ts";
import { classesOf } from "../school/classes.ts";
import { factsOf, homesOf, linksFor } from "./homes.ts";

const { child, childHome, home } = schema;

/** One row a child and home. The first four must be there; the others may be left out. */
export const HOME_COLUMNS = [
  "class",
  "child",
  "age",
  "home",
  "left_handed",
  "step_m",
  "space",
  "length_m",
  "width_m",
  "floor",
  "indoors",
  "ceiling_m",
  "corners_m",
  "stands_m",
  "slope",
  "wind",
  "players",
  "quiet",
  "no_balls_indoors",
  "things",
  "support",
] as const;
const MUST = HOME_COLUMNS.slice(0, 4);
/** Rows of one file, letters of one file. */
export const MOST_ROWS = 500;
export const LONGEST_FILE = 500_000;

/** The teacher's classes with their homes, as rows of CSV. */
export function homesCsv(who: SignedIn): Promise<string> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const ids = classes.flatMap((c) => c.children.map((k) => k.id));
    const homes = await homesOf(tx, ids);
    const all = ids.length === 0 ? [] : await tx.select().from(child);
    const rows: Record<string, string | number>[] = [];
    for (const c of classes)
      for (const k of c.children) {
        const me = all.find((x) => x.id === k.id)!;
        const told = homes.get(k.id)!;
        for (const h of told.length > 0 ? told.map(factsOf) : [null])
          rows.push({
            class: c.name,
            child: me.name,
            age: me.age,
            home: h?.label ?? "",
            left_handed: yes(me.leftHanded),
            step_m: me.step ?? "",
            space: h?.space?.kind ?? "",
            length_m: h?.space?.length ?? "",
            width_m: h?.space?.width ?? "",
            floor: h?.space?.floor ?? "",
            indoors: h?.space ? yes(h.space.indoors) : "",
            ceiling_m: h?.space?.ceiling ?? "",
            corners_m: h?.space ? cellOf(h.space).corners : "",
            stands_m: h?.space ? cellOf(h.space).stands : "",
            slope: h?.space?.slope ?? "",
            wind: h?.space?.wind ?? "",
            players: h?.players ?? "",
            quiet: yes(h?.quiet ?? false),
            no_balls_indoors: yes(h?.noBallsIndoors ?? false),
            things: Object.entries(h?.kit ?? {})
              .map(([id, n]) => `${id} ${n}`)
              .join("; "),
            support: me.support,
          });
      }
    return `\ufeff${Papa.unparse(rows, { columns: [...HOME_COLUMNS], escapeFormulae: true })}\r\n`;
  });
}
const yes = (b: boolean) => (b ? "yes" : "no");

export interface GoodRow {
  line: number;
  className: string;
  child: string;
  age: number;
  home: string;
  leftHanded: boolean;
  step: number | null;
  support: string | null;
  answers: z.infer<typeof homeAnswers>;
}
export interface BadRow {
  line: number;
  reason: string;
}
export interface ReadCsv {
  good: GoodRow[];
  bad: BadRow[];
}

const row = z.object({
  name: z.string().min(1, "child must not be empty").max(30, "child must be 30 letters or fewer"),
  age: z
    .number({ error: "age must be a number of years" })
    .int("age must be whole years")
    .min(4, "age must be 4 or more")
    .max(15, "age must be 15 or less"),
  home: z.string().max(60, "home must be 60 letters or fewer"),
  step: z
    .number({ error: "step_m must be a number of metres" })
    .min(0.2, "step_m must be 0.2 or more")
    .max(1.2, "step_m must be 1.2 or less")
    .nullable(),
  support: z.string().max(LONGEST_SUPPORT, `support must be ${LONGEST_SUPPORT} letters or fewer`).nullable(),
  answers: homeAnswers,
});

const yesNo = (text: string, column: string): boolean => {
  if (text === "" || text === "no") return false;
  if (text === "yes") return true;
  throw new Error(`${column} must be yes or no, not "${text}"`);
};
const numberIn = (text: string): number | undefined => (text === "" ? undefined : Number(text.replace(",", ".")));

function thingsIn(text: string, known: (id: string) => boolean): Record<string, number> | null {
  if (text.trim() === "") return null;
  const out: Record<string, number> = {};
  for (const part of text.split(";").map((p) => p.trim())) {
    if (part === "") continue;
    const m = /^(\S+)\s+(\S+)$/.exec(part);
    if (!m) throw new Error(`things: "${part}" must be a thing and how many, for example: bucket 1; sock 8`);
    const [, id, n] = m as unknown as [string, string, string];
    if (!known(id)) throw new Error(`things: "${id}" is not in your school's list`);
    if (id in out) throw new Error(`things: "${id}" is named twice`);
    out[id] = Number(n);
  }
  return out;
}

/**
 * Reads a file of homes. Columns that are missing or unknown refuse the whole file (NotAllowed names them); otherwise every row is
 * either good or listed with its line and what is wrong. `classes`: names of the teacher's classes.
 */
export function readHomes(text: string, classes: readonly string[], known: (id: string) => boolean): ReadCsv {
  if (text.length > LONGEST_FILE)
    throw NotAllowed.of("file", `the file has ${text.length} letters; ${LONGEST_FILE} are allowed`);
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (h) => h.trim(),
  });
  const columns = parsed.meta.fields ?? [];
  const missing = MUST.filter((c) => !columns.includes(c));
  const strange = columns.filter((c) => !(HOME_COLUMNS as readonly string[]).includes(c));
  if (missing.length > 0) throw NotAllowed.of("file", `the file lacks the column ${missing.join(", ")}`);
  if (strange.length > 0)
    throw NotAllowed.of(
      "file",
      `the column "${strange.join('", "')}" is not known; allowed are ${HOME_COLUMNS.join(", ")}`,
    );
  if (parsed.data.length > MOST_ROWS)
    throw NotAllowed.of("file", `the file has ${parsed.data.length} rows; ${MOST_ROWS} are allowed`);
  const good: GoodRow[] = [];
  const bad: BadRow[] = [];
  const seen = new Map<string, number>();
  parsed.data.forEach((raw, i) => {
    const line = i + 2;
    const cell = (c: (typeof HOME_COLUMNS)[number]) => {
      const v = (raw[c] ?? "").trim();
      // A cell kept from being a formula begins with a quote.
      return /^'[=+\-@]/.test(v) ? v.slice(1) : v;
    };
    try {
      if (parsed.errors.some((e) => e.row === i && e.code === "TooManyFields"))
        throw new Error("the row has more cells than there are columns");
      const className = classes.find((c) => c.toLowerCase() === cell("class").toLowerCase());
      if (!className) throw new Error(`class "${cell("class")}" is not one of yours (${classes.join(", ")})`);
      const kind = cell("space");
      const space =
        kind === ""
          ? null
          : ({
              kind,
              length: numberIn(cell("length_m")),
              width: numberIn(cell("width_m")),
              floor: cell("floor"),
              indoors: yesNo(cell("indoors"), "indoors"),
              ...(cell("ceiling_m") !== "" && { ceiling: numberIn(cell("ceiling_m")) }),
              ...fromCells(cell("corners_m"), cell("stands_m")),
              ...(cell("slope") !== "" && { slope: cell("slope") }),
              ...(cell("wind") !== "" && { wind: cell("wind") }),
            } as HomeSpace);
      if (space) {
        const read = homeSpace.safeParse(space);
        if (!read.success) throw new Error(read.error.issues[0]!.message);
      }
      const read = row.safeParse({
        name: cell("child"),
        age: numberIn(cell("age")),
        home: cell("home"),
        step: numberIn(cell("step_m")) ?? null,
        support: columns.includes("support") ? cell("support") : null,
        answers: {
          kit: thingsIn(cell("things"), known),
          space,
          players: numberIn(cell("players")) ?? null,
          quiet: yesNo(cell("quiet"), "quiet"),
          noBallsIndoors: yesNo(cell("no_balls_indoors"), "no_balls_indoors"),
        },
      });
      if (!read.success) throw new Error(read.error.issues[0]!.message);
      const d = read.data;
      const key = `${className}|${d.name.toLowerCase()}|${d.home.toLowerCase()}`;
      const before = seen.get(key);
      if (before) throw new Error(`the same child and home as in line ${before}`);
      seen.set(key, line);
      good.push({
        line,
        className,
        child: d.name,
        age: d.age,
        home: d.home,
        leftHanded: yesNo(cell("left_handed"), "left_handed"),
        step: d.step,
        support: d.support,
        answers: d.answers,
      });
    } catch (e) {
      bad.push({ line, reason: (e as Error).message });
    }
  });
  return { good, bad };
}

/** Reads a file against the teacher's own classes and the school's list. */
export function readHomesFor(who: SignedIn, text: string): Promise<ReadCsv> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const { own } = await schoolItemsOf(tx);
    return readHomes(
      text,
      classes.map((c) => c.name),
      (id) => catalogueItem(id) !== undefined || own.some((i) => i.id === id),
    );
  });
}

export interface KeptRows {
  added: number;
  changed: number;
  homes: number;
}
/** Keeps the good rows: children known by class and name are changed, others added; homes known by name are shared. All or nothing. */
export function keepHomes(who: SignedIn, rows: readonly GoodRow[]): Promise<KeptRows> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const out: KeptRows = { added: 0, changed: 0, homes: 0 };
    const mine = (await tx.select().from(child)).filter((k) => classes.some((c) => c.id === k.classId));
    const told = await homesOf(
      tx,
      mine.map((k) => k.id),
    );
    const homeByLabel = new Map([...told.values()].flat().map((h) => [h.label.toLowerCase(), h.id]));
    const children = new Map(mine.map((k) => [`${k.classId}|${k.name.toLowerCase()}`, k.id]));
    const touched = new Set<string>();
    for (const r of rows) {
      const classId = classes.find((c) => c.name === r.className)!.id;
      const key = `${classId}|${r.child.toLowerCase()}`;
      const facts = {
        age: r.age,
        leftHanded: r.leftHanded,
        step: r.step,
        ...(r.support !== null && { support: r.support }),
      };
      let childId = children.get(key);
      if (childId) {
        await tx.update(child).set(facts).where(eq(child.id, childId));
        if (!touched.has(childId)) out.changed++;
      } else {
        const [made] = await tx
          .insert(child)
          .values({ schoolId: who.schoolId, classId, name: r.child, ...facts })
          .returning({ id: child.id });
        childId = made!.id;
        children.set(key, childId);
        out.added++;
      }
      touched.add(childId);
      await linksFor(tx, who.schoolId, [{ id: childId }]);
      if (r.home === "") continue;
      let homeId = homeByLabel.get(r.home.toLowerCase());
      if (homeId) await tx.update(home).set(r.answers).where(eq(home.id, homeId));
      else {
        const [made] = await tx
          .insert(home)
          .values({ schoolId: who.schoolId, label: r.home, ...r.answers })
          .returning({ id: home.id });
        homeId = made!.id;
        homeByLabel.set(r.home.toLowerCase(), homeId);
        out.homes++;
      }
      await tx.insert(childHome).values({ schoolId: who.schoolId, childId, homeId }).onConflictDoNothing();
    }
    return out;
  });
}
