import Papa from "papaparse";
import { NotAllowed } from "../problem.ts";
import { HOME_COLUMNS, LONGEST_FILE } from "./csv.ts";

/** What a column of a file can hold: one of our own columns, a part of a name, or nothing that we read. */
export const MEANINGS = [...HOME_COLUMNS, "first_name", "last_name", "skip"] as const;
export type Meaning = (typeof MEANINGS)[number];
/** The most columns of a file. */
const MAX_COLUMNS = 60;

/** Other headings under which schools keep the same, in small letters without spaces and signs. */
const ALSO: Partial<Record<Meaning, readonly string[]>> = {
  class: ["form", "group", "tutorgroup", "classname", "registrationgroup", "registration"],
  child: ["name", "pupil", "student", "learner", "fullname", "pupilname", "studentname", "childname", "childsname"],
  first_name: ["firstname", "forename", "givenname", "preferredname", "preferredforename"],
  last_name: ["lastname", "surname", "familyname", "legalsurname"],
  age: ["ageinyears", "years", "ageyears"],
  home: ["homename", "household", "address"],
  left_handed: ["lefthanded", "left"],
  step_m: ["step", "steplength"],
  things: ["items", "equipment", "kit"],
  support: ["notes", "note", "needs", "comment"],
  length_m: ["length"],
  width_m: ["width"],
  child_id: ["childid"],
  home_id: ["homeid"],
};
const plain = (head: string): string => head.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");

/** A file as its rows of cells, with the headings apart. */
export interface Sheet {
  heads: string[];
  rows: string[][];
}

/** Reads a file or pasted cells, whatever stands between the cells: a comma, a semicolon or a tab. */
export function sheetOf(text: string): Sheet {
  if (text.length > LONGEST_FILE)
    throw NotAllowed.of("file", `This file is too long: ${text.length} characters. Up to ${LONGEST_FILE} are allowed.`);
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ""), { skipEmptyLines: "greedy" });
  const [heads = [], ...rows] = data;
  if (heads.length > MAX_COLUMNS)
    throw NotAllowed.of("file", `This file has ${heads.length} columns. Up to ${MAX_COLUMNS} are allowed.`);
  return { heads: heads.map((head) => head.trim()), rows };
}

/**
 * What each column most likely holds, by its heading in any case, order and spelling. Each meaning is given once.
 * `["Surname", "Forename", "AGE"]` gives `["last_name", "first_name", "age"]`.
 */
export function guessColumns(heads: readonly string[]): Meaning[] {
  const taken = new Set<Meaning>();
  const take = (meaning: Meaning | undefined): Meaning | null => {
    if (!meaning || taken.has(meaning)) return null;
    taken.add(meaning);
    return meaning;
  };
  // Our own headings come first, so that no synonym takes their place.
  const exact = heads.map((head) => take(HOME_COLUMNS.find((column) => plain(column) === plain(head))));
  return heads.map(
    (head, i) => exact[i] ?? take(MEANINGS.find((meaning) => ALSO[meaning]?.includes(plain(head)))) ?? "skip",
  );
}

/** `Ada` and `Byron` become `Ada B.` */
const joined = (first: string, last: string): string => {
  const initial = [...last.trim()][0];
  return initial ? `${first.trim()} ${initial.toUpperCase()}.` : first.trim();
};

/**
 * The same rows under our own headings, for `readHomes`. `className`: the class of every row where no column holds
 * it. Throws NotAllowed with everything that is missing.
 */
export function underOwnHeadings(sheet: Sheet, meanings: readonly Meaning[], className: string): string {
  const at = (meaning: Meaning) => meanings.indexOf(meaning);
  const twice = meanings.find((meaning, i) => meaning !== "skip" && meanings.indexOf(meaning) !== i);
  if (twice) throw NotAllowed.of("columns", `Two columns are set to ${twice}. Choose one of them.`);
  const missing = [
    at("child") < 0 && at("first_name") < 0 && "the child's name",
    at("age") < 0 && "the age in years",
    at("class") < 0 && className === "" && "the class (or choose one class for all rows)",
  ].filter((words) => words !== false);
  if (missing.length > 0)
    throw NotAllowed.of("columns", `Choose which column holds ${missing.join(", and which holds ")}.`);
  const own = HOME_COLUMNS.filter((column) => at(column) >= 0);
  const columns = [...new Set(["class", "child", "age", ...own])];
  const rows = sheet.rows.map((cells) =>
    Object.fromEntries(
      columns.map((column) => {
        const cell = (meaning: Meaning) => (at(meaning) < 0 ? "" : (cells[at(meaning)] ?? ""));
        if (column === "class" && at("class") < 0) return [column, className];
        if (column === "child" && at("child") < 0) return [column, joined(cell("first_name"), cell("last_name"))];
        return [column, cell(column as Meaning)];
      }),
    ),
  );
  return Papa.unparse(rows, { columns });
}
