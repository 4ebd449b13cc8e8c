import { beforeAll, describe, expect, it, vi } from "vitest";
import { plainError } from "./plain-error.ts";

let log: typeof import("./log.ts");
beforeAll(async () => {
  vi.stubEnv("YARD_APP_DATABASE_URL", "postgres://nobody@127.0.0.1/none");
  vi.stubEnv("YARD_SECRET", "a secret of thirty-two characters");
  log = await import("./log.ts");
});

describe("what is logged", () => {
  it.each([
    ["/f/abc.def/0b5ad1f0-0000-4000-8000-000000000000?screen=play", "/f/..."],
    ["/f/abc.def.data", "/f/..."],
    ["/c/abc.def/0b5ad1f0-0000-4000-8000-000000000000", "/c/..."],
    ["/api/hand-in/abc.def", "/api/hand-in/..."],
    ["/results/0b5ad1f0-0000-4000-8000-000000000000/csv?x=Amina", "/results/:id/csv"],
    ["/homes/Am\u0000ina <b>", "/homes/Am?ina??b?"],
  ])("of the address %j is %j", (path, said) => {
    expect(log.plainPath(path)).toBe(said);
  });
  it("of an error is its kind and place, never the values in its message", () => {
    const inner = Object.assign(new Error("duplicate key: Amina D. chalk-and-tape"), {
      name: "PostgresError",
      code: "23505",
      table: "child",
      detail: "Key (name)=(Amina D.)",
    });
    const outer = new Error('Failed query: insert into "child" params: Amina D.', { cause: inner });
    const told = plainError(outer);
    expect(JSON.stringify(told)).not.toContain("Amina");
    expect(told.frames[0]).toMatch(/^at .*log\.test\.ts/);
    expect(told.cause).toMatchObject({ name: "PostgresError", code: "23505", about: "child" });
    expect(plainError(new TypeError("x is not a function")).message).toBe("x is not a function");
    expect(plainError("Amina")).toEqual({ name: "string", frames: [] });
  });
});
