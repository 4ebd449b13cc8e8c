import { inArray } from "drizzle-orm";
import Papa from "papaparse";
import { z } from "zod";
import { age } from "#core/records/child.ts";
import { type HomeSpace, homeAnswers, homeSpace } from "#core/records/home.ts";
import { cellOf, fromCells } from "#core/records/home-fields.ts";
import { LONGEST_SUPPORT } from "#core/records/home-limits.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { NotAllowed } from "../problem.ts";
import { classesOf } from "../school/classes.ts";
import { factsOf, homesOf } from "./homes-of.ts";

const { child } = schema;

/** One row for each child and home. The first three columns are required, the others optional. */
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
  "child_id",
  "home_id",
] as const;
const MUST = HOME_COLUMNS.slice(0, 3);
/** The most rows and the most letters of a file. */
export const MAX_ROWS = 500;
export const LONGEST_FILE = 500_000;

/** The teacher's classes with their homes, as rows of CSV. With `only`, just these children. */
export function homesCsv(who: SignedIn, only: ReadonlySet<string> = new Set()): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const ids = classes.flatMap((eachRow) => eachRow.children.map((eachChild) => eachChild.id));
    const homes = await homesOf(tx, ids);
    const all = ids.length === 0 ? [] : await tx.select().from(child).where(inArray(child.id, ids));
    const rows: Record<string, string | number>[] = [];
    for (const eachRow of classes)
      for (const eachChild of eachRow.children) {
        if (only.size > 0 && !only.has(eachChild.id)) continue;
        const me = all.find((record) => record.id === eachChild.id)!;
        const homesOfChild = homes.get(eachChild.id)!;
        for (const home of homesOfChild.length > 0 ? homesOfChild.map(factsOf) : [null])
          rows.push({
            class: eachRow.name,
            child: me.name,
            age: me.age,
            home: home?.label ?? "",
            left_handed: yes(me.leftHanded),
            step_m: me.step ?? "",
            space: home?.space?.kind ?? "",
            length_m: home?.space?.length ?? "",
            width_m: home?.space?.width ?? "",
            floor: home?.space?.floor ?? "",
            indoors: home?.space ? yes(home.space.indoors) : "",
            ceiling_m: home?.space?.ceiling ?? "",
            corners_m: home?.space ? cellOf(home.space).corners : "",
            stands_m: home?.space ? cellOf(home.space).stands : "",
            slope: home?.space?.slope ?? "",
            wind: home?.space?.wind ?? "",
            players: home?.players ?? "",
            quiet: yes(home?.quiet ?? false),
            no_balls_indoors: yes(home?.noBallsIndoors ?? false),
            things: thingsText(home?.kit ?? null),
            support: me.support,
            child_id: me.id,
            home_id: home?.id ?? "",
          });
      }
    return `\ufeff${Papa.unparse(rows, { columns: [...HOME_COLUMNS], escapeFormulae: true })}\r\n`;
  });
}
const yes = (b: boolean) => (b ? "yes" : "no");

/** The content of one row. A column that is missing in the file is undefined and changes nothing. */
export interface GoodRow {
  line: number;
  className: string;
  child: string;
  age: number;
  home: string;
  /** Ids from an exported file. Empty if not given. */
  childId: string;
  homeId: string;
  facts: { leftHanded?: boolean; step?: number | null; support?: string };
  answers: Partial<z.infer<typeof homeAnswers>>;
}
export interface BadRow {
  line: number;
  reason: string;
}
export interface ReadCsv {
  good: GoodRow[];
  bad: BadRow[];
  /** Full names that were shortened, or could be. */
  full: { line: number; from: string; to: string }[];
  /** The file reduced to its bad rows and those of some further lines, to be corrected. Empty if there are none. */
  leftWith: (lines: readonly number[]) => string;
}

/** The most letters of the last word of a name: an initial, with or without its point. */
const INITIAL = 2;
/** Shortens a full name to a first name and an initial: `Ada Byron` becomes `Ada B.`. Null if it is not a full name. */
export function shortName(name: string): string | null {
  const words = name.split(/\s+/);
  const last = words[words.length - 1]!;
  if (words.length < 2 || [...last.replace(/\.$/, "")].length < INITIAL) return null;
  return `${words[0]} ${[...last][0]!.toUpperCase()}.`;
}

const row = z.object({
  name: z.string().min(1, "Give the child's name.").max(30, "The child's name can have up to 30 characters."),
  age,
  home: z.string().max(60, "The home's name can have up to 60 characters."),
  step: z
    .number({ error: "step_m must be a number of metres, for example 0.55." })
    .min(0.2, "step_m must be at least 0.2.")
    .max(1.2, "step_m must be at most 1.2.")
    .nullable()
    .optional(),
  support: z.string().max(LONGEST_SUPPORT, `The support note can have up to ${LONGEST_SUPPORT} characters.`).optional(),
  answers: homeAnswers.partial(),
});

const yesNo = (text: string, column: string): boolean => {
  if (text === "" || text === "no") return false;
  if (text === "yes") return true;
  throw new Error(`${column} must be yes or no, not "${text}".`);
};
const numberIn = (text: string): number | undefined => (text === "" ? undefined : Number(text.replace(",", ".")));

/** The word for a home that has none of the items. An empty cell means that the family did not say. */
const NOTHING = "nothing";
function thingsText(kit: Readonly<Record<string, number>> | null): string {
  if (kit === null) return "";
  const list = Object.entries(kit).map(([id, value]) => `${id} ${value}`);
  return list.length === 0 ? NOTHING : list.join("; ");
}
function thingsIn(text: string, known: (id: string) => boolean): Record<string, number> | null {
  if (text.trim() === "") return null;
  const out: Record<string, number> = {};
  if (text.trim().toLowerCase() === NOTHING) return out;
  for (const part of text.split(";").map((path) => path.trim())) {
    if (part === "") continue;
    const match = /^(\S+)\s+(\S+)$/.exec(part);
    if (!match)
      throw new Error(`Items: "${part}" is not clear. Write each item and how many, for example: bucket 1; sock 8.`);
    const [, id, name] = match as unknown as [string, string, string];
    if (!known(id)) throw new Error(`Items: "${id}" is not in your school's list.`);
    if (id in out) throw new Error(`Items: "${id}" is named twice.`);
    out[id] = Number(name);
  }
  return out;
}

/** The columns and some rows of a file, as text again. Empty if there are no rows. */
const leftOf = (columns: readonly string[], rows: readonly Record<string, string>[]): string =>
  rows.length === 0 ? "" : `${Papa.unparse([...rows], { columns: [...columns] })}\r\n`;

type Cell = (text: (typeof HOME_COLUMNS)[number]) => string;
function spaceIn(cell: Cell): HomeSpace | null {
  const kind = cell("space");
  if (kind === "") return null;
  const read = homeSpace.safeParse({
    kind,
    length: numberIn(cell("length_m")),
    width: numberIn(cell("width_m")),
    floor: cell("floor"),
    indoors: yesNo(cell("indoors"), "indoors"),
    ...(cell("ceiling_m") !== "" && { ceiling: numberIn(cell("ceiling_m")) }),
    ...fromCells(cell("corners_m"), cell("stands_m")),
    ...(cell("slope") !== "" && { slope: cell("slope") }),
    ...(cell("wind") !== "" && { wind: cell("wind") }),
  });
  if (!read.success) throw new Error(read.error.issues[0]!.message);
  return read.data;
}
const anId = z.uuid();
function idIn(text: string, column: string): string {
  if (text !== "" && !anId.safeParse(text).success)
    throw new Error(`${column} must be as in an exported file, or empty.`);
  return text;
}

/** Throws NotAllowed if a required column is missing, or if there is an unknown one. */
function checkColumns(columns: readonly string[]): void {
  const missing = MUST.filter((eachText) => !columns.includes(eachText));
  const strange = columns.filter((column) => !(HOME_COLUMNS as readonly string[]).includes(column));
  if (missing.length > 0)
    throw NotAllowed.of(
      "file",
      `This file has no column called ${missing.join(", ")}. Add it, then choose the file again.`,
    );
  if (strange.length > 0)
    throw NotAllowed.of(
      "file",
      `This file has a column we don't know: "${strange.join('", "')}". These columns are allowed: ${HOME_COLUMNS.join(", ")}.`,
    );
}

/**
 * Reads one row: the child, the home and its answers. Throws an Error with the reason if it cannot. `full` is called
 * for each name that was shortened.
 */
function readRow(
  raw: Record<string, string>,
  {
    columns,
    classes,
    known,
    shorten,
    full,
  }: {
    columns: readonly string[];
    classes: readonly string[];
    known: (id: string) => boolean;
    shorten: boolean;
    full: (name: { from: string; to: string }) => void;
  },
): Omit<GoodRow, "line"> {
  const cell = (givenText: (typeof HOME_COLUMNS)[number]) => {
    const value = (raw[givenText] ?? "").trim();
    // A cell that is protected from being read as a formula begins with a quote.
    return /^'[=+\-@]/.test(value) ? value.slice(1) : value;
  };
  const className = classes.find((eachText) => eachText.toLowerCase() === cell("class").toLowerCase());
  if (!className) throw new Error(`"${cell("class")}" is not one of your classes (${classes.join(", ")}).`);
  const has = (givenText: (typeof HOME_COLUMNS)[number]) => columns.includes(givenText);
  const space = has("space") ? spaceIn(cell) : undefined;
  const short = shortName(cell("child"));
  if (short) full({ from: cell("child"), to: short });
  if (short && !shorten)
    throw new Error(`"${cell("child")}" looks like a full name. Write ${short}, or choose to shorten names.`);
  const read = row.safeParse({
    name: short ?? cell("child"),
    age: numberIn(cell("age")),
    home: cell("home"),
    ...(has("step_m") && { step: numberIn(cell("step_m")) ?? null }),
    ...(has("support") && { support: cell("support") }),
    answers: {
      ...(has("things") && { kit: thingsIn(cell("things"), known) }),
      ...(space !== undefined && { space }),
      ...(has("players") && { players: numberIn(cell("players")) ?? null }),
      ...(has("quiet") && { quiet: yesNo(cell("quiet"), "quiet") }),
      ...(has("no_balls_indoors") && { noBallsIndoors: yesNo(cell("no_balls_indoors"), "no_balls_indoors") }),
    },
  });
  if (!read.success) throw new Error(read.error.issues[0]!.message);
  const data = read.data;
  const [childId, homeId] = [idIn(cell("child_id"), "child_id"), idIn(cell("home_id"), "home_id")];
  if (data.home === "" && homeId === "" && (data.answers.kit || data.answers.space || data.answers.players))
    throw new Error("Name the home, because this row says what is in it.");
  const facts = {
    ...(has("left_handed") && { leftHanded: yesNo(cell("left_handed"), "left_handed") }),
    ...(data.step !== undefined && { step: data.step }),
    ...(data.support !== undefined && { support: data.support }),
  };
  return { className, child: data.name, age: data.age, home: data.home, childId, homeId, facts, answers: data.answers };
}

/**
 * Reads a file of homes. If columns are missing or unknown, throws NotAllowed with their names. Otherwise every row
 * is either good or listed with its line and the reason. `classes`: the names of the teacher's classes. `shorten`:
 * full names are shortened to a first name and an initial; otherwise they are refused.
 */
export function readHomes(
  text: string,
  classes: readonly string[],
  known: (id: string) => boolean,
  { shorten = false }: { shorten?: boolean } = {},
): ReadCsv {
  if (text.length > LONGEST_FILE)
    throw NotAllowed.of("file", `This file is too long: ${text.length} characters. Up to ${LONGEST_FILE} are allowed.`);
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (hash) => hash.trim(),
  });
  const columns = parsed.meta.fields ?? [];
  checkColumns(columns);
  if (parsed.data.length > MAX_ROWS)
    throw NotAllowed.of("file", `This file is too long: ${parsed.data.length} rows. Up to ${MAX_ROWS} are allowed.`);
  const good: GoodRow[] = [];
  const bad: BadRow[] = [];
  const full: ReadCsv["full"] = [];
  const seen = new Map<string, number>();
  const firstRow = new Map<string, { line: number; says: string }>();
  parsed.data.forEach((raw, i) => {
    const line = i + 2;
    try {
      if (parsed.errors.some((error) => error.row === i && error.code === "TooManyFields"))
        throw new Error("This row has more cells than there are columns.");
      const read = readRow(raw, { columns, classes, known, shorten, full: (name) => full.push({ line, ...name }) });
      const { className, child, age, facts, childId, homeId, home } = read;
      const who = childId || `${className}|${child.toLowerCase()}`;
      const key = `${who}|${homeId || home.toLowerCase()}`;
      const before = seen.get(key);
      if (before) throw new Error(`This is the same child and home as in row ${before}.`);
      const same = firstRow.get(who);
      const says = JSON.stringify([className, child, age, facts]);
      if (same && same.says !== says)
        throw new Error(`Row ${same.line} says something different about the same child.`);
      seen.set(key, line);
      firstRow.set(who, { line, says });
      good.push({ line, ...read });
    } catch (error) {
      bad.push({ line, reason: (error as Error).message });
    }
  });
  const leftWith = (lines: readonly number[]) => {
    const wrong = new Set([...bad.map((badRow) => badRow.line), ...lines]);
    return leftOf(
      columns,
      parsed.data.filter((_, i) => wrong.has(i + 2)),
    );
  };
  return { good, bad, full, leftWith };
}
