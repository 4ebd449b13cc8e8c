import { afterEach, expect, it, vi } from "vitest";
import { sendForm } from "./send-form.ts";

afterEach(() => {
  vi.unstubAllGlobals();
});

it.each([
  ["answers", async () => new Response(""), true],
  ["is busy", async () => new Response("", { status: 503 }), false],
  [
    "is away",
    async () => {
      throw new TypeError("Failed to fetch");
    },
    false,
  ],
] as const)("a form is sent or kept: the server %s", async (_, fetched, sent) => {
  vi.stubGlobal("fetch", fetched);
  const submit = vi.fn();
  expect(await sendForm({ submit } as unknown as HTMLFormElement)).toBe(sent);
  expect(submit).toHaveBeenCalledTimes(sent ? 1 : 0);
});
