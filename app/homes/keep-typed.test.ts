import { data, redirect } from "react-router";
import { describe, expect, it } from "vitest";
import { keepTyped, UNSENT } from "./keep-typed.ts";

describe("a form whose server is away", () => {
  it("keeps what was typed, and lets through what the server decided", async () => {
    expect(await keepTyped(async () => "kept")).toBe("kept");
    const away = async () => {
      throw new TypeError("Failed to fetch");
    };
    expect(await keepTyped(away)).toBe(UNSENT);
    const moved = redirect("/elsewhere");
    await expect(
      keepTyped(async () => {
        throw moved;
      }),
    ).rejects.toBe(moved);
    const gone = { status: 410, statusText: "", internal: false, data: data({}) };
    await expect(
      keepTyped(async () => {
        throw gone;
      }),
    ).rejects.toBe(gone);
  });
});
