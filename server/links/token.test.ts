import { randomUUID } from "node:crypto";
import { beforeAll, describe, expect, it, vi } from "vitest";

let token: typeof import("./token.ts");
beforeAll(async () => {
  vi.stubEnv("YARD_APP_DATABASE_URL", "postgres://nobody@127.0.0.1/none");
  vi.stubEnv("YARD_SECRET", "a secret of thirty-two characters");
  token = await import("./token.ts");
});

describe("private links", () => {
  it("are derived from id and version, and lead back to the id", () => {
    const id = randomUUID();
    const one = token.linkToken(id, 1);
    expect(one).toBe(token.linkToken(id, 1));
    expect(token.claimedLink(one)).toBe(id);
    expect(token.tokenIsTrue(one, id, 1)).toBe(true);
  });
  it("another version, another link and a changed letter are other addresses", () => {
    const [id, other] = [randomUUID(), randomUUID()];
    const one = token.linkToken(id, 1);
    expect(token.tokenIsTrue(one, id, 2)).toBe(false);
    expect(token.tokenIsTrue(one, other, 1)).toBe(false);
    const swap = one.at(-3) === "A" ? "B" : "A";
    expect(token.tokenIsTrue(`${one.slice(0, -3)}${swap}${one.slice(-2)}`, id, 1)).toBe(false);
  });
  it.each([
    "",
    "abc",
    "../../etc",
    `${"A".repeat(22)}.short`,
    `${"A".repeat(22)}.${"B".repeat(23)}`,
    `${"!".repeat(22)}.${"B".repeat(22)}`,
  ])("%j is not a link at all", (text) => {
    expect(token.claimedLink(text)).toBeNull();
  });
});
