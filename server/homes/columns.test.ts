import { beforeAll, describe, expect, it, vi } from "vitest";

let columns: typeof import("./columns.ts");
let csv: typeof import("./csv.ts");
beforeAll(async () => {
  vi.stubEnv("YARD_APP_DATABASE_URL", "postgres://nobody@127.0.0.1/none");
  vi.stubEnv("YARD_SECRET", "a secret of thirty-two characters");
  columns = await import("./columns.ts");
  csv = await import("./csv.ts");
});

describe("columns of any spreadsheet", () => {
  it("are known in any case, order and spelling, each once", () => {
    expect(columns.guessColumns(["AGE", "Pupil Name", "Form", "Notes", "Fees", "Home Name"])).toEqual([
      "age",
      "child",
      "class",
      "support",
      "skip",
      "home",
    ]);
    expect(columns.guessColumns(["Surname", "Forename", "Name", "child"])).toEqual([
      "last_name",
      "first_name",
      "skip",
      "child",
    ]);
    expect(columns.guessColumns([...csv.HOME_COLUMNS])).toEqual([...csv.HOME_COLUMNS]);
  });

  it("give rows that are read like our own, with the class chosen on the page and without a home", () => {
    const sheet = columns.sheetOf("Surname\tForename\tAGE\nByron\tAda\t7\n\nBabbage\tCharles\t8");
    const text = columns.underOwnHeadings(sheet, columns.guessColumns(sheet.heads), "Heron class");
    const { good, bad } = csv.readHomes(text, ["Heron class"], () => false);
    expect(bad).toEqual([]);
    expect(good.map(({ className, child, age, home }) => [className, child, age, home])).toEqual([
      ["Heron class", "Ada B.", 7, ""],
      ["Heron class", "Charles B.", 8, ""],
    ]);
  });

  it("name everything that is missing at once, and what is chosen twice", () => {
    const sheet = columns.sheetOf("Colour;Fees\nred;3");
    expect(() => columns.underOwnHeadings(sheet, ["skip", "skip"], "")).toThrow(
      "Choose which column holds the child's name, and which holds the age in years, and which holds the class (or choose one class for all rows).",
    );
    expect(() => columns.underOwnHeadings(sheet, ["child", "child"], "One")).toThrow("Two columns are set to child.");
  });

  it("a cell in a file of one column is not lost, and too many columns are refused", () => {
    expect(columns.sheetOf("Name\nAda").rows).toEqual([["Ada"]]);
    expect(() => columns.sheetOf(Array.from({ length: 61 }, (_, i) => `c${i}`).join(","))).toThrow("61 columns");
  });
});
