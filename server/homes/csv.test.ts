import { beforeAll, describe, expect, it, vi } from "vitest";
import { catalogueItem } from "#core/kit/catalogue.ts";

let csv: typeof import("./csv.ts");
beforeAll(async () => {
  vi.stubEnv("YARD_APP_DATABASE_URL", "postgres://nobody@127.0.0.1/none");
  vi.stubEnv("YARD_SECRET", "a secret of thirty-two characters");
  csv = await import("./csv.ts");
});

const CLASSES = ["Heron class", "Otter class"];
const known = (id: string) => catalogueItem(id) !== undefined;
const read = (...lines: string[]) => csv.readHomes(lines.join("\n"), CLASSES, known);
const HEAD =
  "class,child,age,home,left_handed,step_m,space,length_m,width_m,floor,indoors,ceiling_m,players,quiet,no_balls_indoors,things,support";
const reasons = (...rows: string[]) => read(HEAD, ...rows).bad.map((badRow) => `${badRow.line}: ${badRow.reason}`);

describe("roster and homes from a file", () => {
  it("reads a whole row, and a row that says only whose home it is", () => {
    const { good, bad } = read(
      HEAD,
      "heron class,Ada B.,7,Ada's home,yes,0.52,room,4,3.2,carpet,yes,2.5,3,no,yes,bucket 1; sock 8,Plays seated",
      "Otter class,Ben C.,9,,,,,,,,,,,,,,",
    );
    expect(bad).toEqual([]);
    expect(good[0]).toEqual({
      line: 2,
      className: "Heron class",
      child: "Ada B.",
      age: 7,
      home: "Ada's home",
      childId: "",
      homeId: "",
      facts: { leftHanded: true, step: 0.52, support: "Plays seated" },
      answers: {
        kit: { bucket: 1, sock: 8 },
        space: { kind: "room", length: 4, width: 3.2, floor: "carpet", indoors: true, ceiling: 2.5 },
        players: 3,
        quiet: false,
        noBallsIndoors: true,
      },
    });
    expect(good[1]!.answers).toEqual({ kit: null, space: null, players: null, quiet: false, noBallsIndoors: false });
  });

  it("tells a home that has nothing from one that did not say", () => {
    const of = (things: string) =>
      read("class,child,age,home,things", `Heron class,Ada,7,H,${things}`).good[0]!.answers.kit;
    expect(of("nothing")).toEqual({});
    expect(of("")).toBeNull();
  });

  it("reads corners, what stands there, slope and wind in metres, and names what is wrong with them", () => {
    const head = "class,child,age,home,space,length_m,width_m,floor,indoors,corners_m,stands_m,slope,wind";
    const row = (corners: string, stands: string, slope = "", wind = "") =>
      `Heron class,Ada,7,H,garden,5,4,grass,no,${corners},${stands},${slope},${wind}`;
    const { good, bad } = read(
      head,
      row("0 0 | 5 0 | 5 4 | 0 4", "stairs 1 1 0.5 0.4 | paving 0 0 2 2", "gentle", "windy"),
    );
    expect(bad).toEqual([]);
    expect(good[0]!.answers.space).toMatchObject({
      outline: [
        { x: 0, y: 0 },
        { x: 5, y: 0 },
        { x: 5, y: 4 },
        { x: 0, y: 4 },
      ],
      obstacles: [{ kind: "stairs", x: 1, y: 1, width: 0.5, depth: 0.4 }],
      floors: [{ floor: "paving", x: 0, y: 0, width: 2, depth: 2 }],
      slope: "gentle",
      wind: "windy",
    });
    const why = (...given: Parameters<typeof row>) => read(head, row(...given)).bad[0]!.reason;
    expect(why("0 0 | 5 4 | 5 0 | 0 4", "")).toContain("side 1 crosses side 3");
    expect(why("0 0 | 5 NaN | 5 4", "")).toContain("y must be a number of metres");
    expect(why("", "piano 0 0 1 1")).toContain("an obstacle must be one of");
    expect(why("", "", "cliff")).toContain("slope must be one of");
  });

  it("takes what a spreadsheet makes of it: a mark at the front, a comma for a point, a quote before a formula, empty lines", () => {
    const { good, bad } = read(`\ufeff${HEAD}`, "", '"Heron class","\'=Ada",7,Home,,"0,52",,,,,,,,,,,', "  ");
    expect(bad).toEqual([]);
    expect(good[0]).toMatchObject({ child: "=Ada", facts: { step: 0.52 } });
  });

  it("says nothing of what the file has no column for", () => {
    expect(read("class,child,age,home", "Heron class,Ada B.,7,Home").good[0]).toMatchObject({ facts: {}, answers: {} });
    expect(read("class,child,age,home,quiet", "Heron class,Ada B.,7,Home,yes").good[0]).toMatchObject({
      facts: {},
      answers: { quiet: true },
    });
  });

  it("refuses a full name, or shortens it when that was said yes to", () => {
    const file = "class,child,age,home\nHeron class,Ada Byron,7,H\nHeron class,Ben C.,8,\nHeron class,Mary Jane K,9,";
    const plain = csv.readHomes(file, CLASSES, known);
    expect(plain.bad).toEqual([
      { line: 2, reason: '"Ada Byron" looks like a full name. Write Ada B., or choose to shorten names.' },
    ]);
    expect(plain.good.map((goodRow) => goodRow.child)).toEqual(["Ben C.", "Mary Jane K"]);
    const short = csv.readHomes(file, CLASSES, known, { shorten: true });
    expect(short.bad).toEqual([]);
    expect(short.good.map((goodRow) => goodRow.child)).toEqual(["Ada B.", "Ben C.", "Mary Jane K"]);
    expect(short.full).toEqual([{ line: 2, from: "Ada Byron", to: "Ada B." }]);
    expect(["Zoë Åberg", "Óscar d'Or", "Ada B.", "Ada", "Little R"].map(csv.shortName)).toEqual([
      "Zoë Å.",
      "Óscar D.",
      null,
      null,
      null,
    ]);
  });

  it("gives what cannot be kept back as a file of its own, to mend", () => {
    const told = read(
      "class,child,age,home",
      "Heron class,Ada B.,7,H",
      "Swan class,Ben C.,8,H",
      'Heron class,"Cy, D.",x,H',
    );
    expect(told.leftWith([]).trim().split("\r\n")).toEqual([
      "class,child,age,home",
      "Swan class,Ben C.,8,H",
      'Heron class,"Cy, D.",x,H',
    ]);
    expect(told.leftWith([2])).toContain("Ada B.");
    expect(read("class,child,age,home", "Heron class,Ada B.,7,H").leftWith([])).toBe("");
  });

  it("does not take two ages of one child, nor an id that is none", () => {
    const two = read("class,child,age,home", "Heron class,Ada B.,7,One", "Heron class,Ada B.,8,Two");
    expect(two.bad).toEqual([{ line: 3, reason: "Row 2 says something different about the same child." }]);
    const odd = read("class,child,age,home,child_id", "Heron class,Ada B.,7,One,seven");
    expect(odd.bad[0]!.reason).toBe("child_id must be as in an exported file, or empty.");
  });

  it.each([
    ["Swan class,Ada,7,H,,,,,,,,,,,,,", '"Swan class" is not one of your classes (Heron class, Otter class).'],
    ["Heron class,,7,H,,,,,,,,,,,,,", "Give the child's name."],
    ["Heron class,Ada,seven,H,,,,,,,,,,,,,", "age must be a number"],
    ["Heron class,Ada,3,H,,,,,,,,,,,,,", "The age must be 4 or more."],
    ["Heron class,Ada,7.5,H,,,,,,,,,,,,,", "The age must be in whole years."],
    ["Heron class,Ada,7,H,maybe,,,,,,,,,,,,", 'left_handed must be yes or no, not "maybe"'],
    ["Heron class,Ada,7,H,,9,,,,,,,,,,,", "step_m must be at most 1.2."],
    ["Heron class,Ada,7,H,,,attic,4,3,carpet,yes,,,,,,", "space must be one of"],
    ["Heron class,Ada,7,H,,,room,-4,3,carpet,yes,,,,,,", "length must be 0.5 m or more"],
    ["Heron class,Ada,7,H,,,room,4,,carpet,yes,,,,,,", "width must be a number of metres"],
    ["Heron class,Ada,7,H,,,room,4,3,lava,yes,,,,,,", "floor must be one of"],
    ["Heron class,Ada,7,H,,,,,,,,,99,,,,", "players must be 6 or fewer"],
    ["Heron class,Ada,7,H,,,,,,,,,,,,bucket,", '"bucket" is not clear'],
    ["Heron class,Ada,7,H,,,,,,,,,,,,unicorn 1,", '"unicorn" is not in your school'],
    ["Heron class,Ada,7,H,,,,,,,,,,,,bucket 1; bucket 2,", '"bucket" is named twice'],
    ["Heron class,Ada,7,H,,,,,,,,,,,,bucket 0,", "how many must be 1 or more"],
    ["Heron class,Ada,7,H,,,,,,,,,,,,bucket 1.5,", "how many must be a whole number"],
    ["Heron class,Ada,7,H,,,,,,,,,,,,,,,extra", "This row has more cells than there are columns."],
  ])("names the line and what is wrong: %s", (row, reason) => {
    expect(reasons(row)).toHaveLength(1);
    expect(reasons(row)[0]).toContain(`2: `);
    expect(reasons(row)[0]).toContain(reason);
  });

  it("keeps one child in two homes, and refuses the same child and home twice", () => {
    const two = read(
      HEAD,
      "Heron class,Ada,7,One,,,,,,,,,,,,,",
      "Heron class,Ada,7,Two,,,,,,,,,,,,,",
      "Heron class,ada,7,one,,,,,,,,,,,,,",
    );
    expect(two.good.map((goodRow) => goodRow.home)).toEqual(["One", "Two"]);
    expect(two.bad).toEqual([{ line: 4, reason: "This is the same child and home as in row 2." }]);
  });

  it("refuses a file of other columns, too many rows or letters, as a whole and by name", () => {
    expect(() => read("class,child,years", "Heron class,Ada,7")).toThrow("This file has no column called age");
    expect(() => read("class,child,age,home,shoe", "a,b,7,c,38")).toThrow('know: "shoe"');
    const row = "Heron class,Ada,7,Home";
    expect(() => read("class,child,age,home", ...Array.from({ length: csv.MAX_ROWS + 1 }, () => row))).toThrow(
      "rows. Up to 500 are allowed",
    );
    expect(() => read("x".repeat(csv.LONGEST_FILE + 1))).toThrow("are allowed");
  });
});
