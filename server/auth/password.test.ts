import { describe, expect, it } from "vitest";
import { hashPassword, passwordFits } from "./password.ts";

describe("passwords", () => {
  it("are kept as argon2id, each with a salt of its own, and fit only themselves", async () => {
    const [action, text] = await Promise.all([hashPassword("chalk-and-tape"), hashPassword("chalk-and-tape")]);
    expect(action).toMatch(/^\$argon2id\$/);
    expect(action).not.toBe(text);
    expect(await passwordFits("chalk-and-tape", action)).toBe(true);
    expect(await passwordFits("chalk-and-rope", action)).toBe(false);
  });
  it("nobody's password fits, and asking takes as long as for somebody", async () => {
    const stored = await hashPassword("x".repeat(12));
    const time = async (text: string | undefined) => {
      const began = performance.now();
      for (let i = 0; i < 5; i++) expect(await passwordFits("guess", text)).toBe(false);
      return performance.now() - began;
    };
    await time(stored);
    const [known, unknown] = [await time(stored), await time(undefined)];
    expect(unknown).toBeGreaterThan(known / 4);
  });
});
