import { beforeEach, describe, expect, it, vi } from "vitest";
import { ANSWERED } from "#core/records/answer.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import type { Route } from "./+types/hand-in";

const openLink = vi.fn();
const acceptSubmission = vi.fn();
vi.mock("#server/links/open-link.ts", () => ({ openLink }));
vi.mock("#server/submissions/accept.ts", () => ({
  acceptSubmission,
  TooManyGoes: class extends Error {
    seconds = 90;
  },
}));
const { action, loader } = await import("./hand-in.ts");
const { TooManyGoes } = (await import("#server/submissions/accept.ts")) as unknown as {
  TooManyGoes: new (text: string) => Error;
};

const ID = "0b6f2f2e-5a55-4a0f-9d0f-1f5d3d1a8a11";
const SENT = {
  play: ID,
  card: ID,
  device: "this-device",
  setup: { players: 1, mode: "alone", seed: 1 },
  rulesVersion: 1,
  startedAt: 1_764_000_000_000,
  events: [{ seq: 0, event: { kind: "send", at: 1000, hit: "t1" } }],
  result: null,
};
async function handIn(body: unknown) {
  const text = typeof body === "string" ? body : JSON.stringify(body);
  const request = new Request("https://yard.example/f/token/hand-in", { method: "POST", body: text });
  const answer = await action({ request, params: { token: "token" } } as unknown as Route.ActionArgs);
  return { status: answer.status, headers: answer.headers, json: await answer.json() };
}

describe("what a device sends of a go", () => {
  beforeEach(() => {
    openLink.mockReset().mockResolvedValue({ schoolId: ID, childId: ID });
    acceptSubmission.mockReset().mockResolvedValue({ receipt: 1 });
  });

  it("is taken with our sign on the answer, so that no other page passes for it", async () => {
    const { status, json } = await handIn(SENT);
    expect([status, json]).toEqual([200, { answer: ANSWERED, receipt: 1 }]);
    expect(acceptSubmission).toHaveBeenCalledWith({ schoolId: ID, childId: ID }, expect.objectContaining({ play: ID }));
  });

  it("is kept by the device where the link is off or unknown: nothing is taken, and nothing is final", async () => {
    for (const [trouble, status] of [
      ["withdrawn", 410],
      ["unknown", 404],
    ] as const) {
      openLink.mockResolvedValue({ trouble });
      expect(await handIn(SENT)).toMatchObject({ status, json: { answer: ANSWERED, field: "link", final: false } });
    }
    expect(acceptSubmission).not.toHaveBeenCalled();
  });

  it("is refused for good where it is not JSON, or not of the right shape, with the field", async () => {
    expect(await handIn("{")).toMatchObject({ status: 400, json: { field: "body", final: true } });
    const wrong = await handIn({ ...SENT, events: [{ seq: 0, event: { kind: "send", at: -5 } }] });
    expect(wrong).toMatchObject({ status: 422, json: { final: true } });
    expect(wrong.json.field).toContain("events.0");
    expect(acceptSubmission).not.toHaveBeenCalled();
  });

  it("says shortly what is wrong, however much there is to say", async () => {
    acceptSubmission.mockRejectedValue(NotAllowed.of("events", "x".repeat(5000)));
    const { status, json } = await handIn(SENT);
    expect([status, json.field, json.final]).toEqual([422, "events", true]);
    expect(json.message.length).toBeLessThanOrEqual(300);
  });

  it("may come again where a gap is to be filled, a day's goes are used up, or the card has gone elsewhere", async () => {
    acceptSubmission.mockRejectedValue(NotAllowed.of("send", "Send it all again."));
    expect(await handIn(SENT)).toMatchObject({ status: 422, json: { final: false } });
    acceptSubmission.mockRejectedValue(new TooManyGoes("Too many goes today."));
    const many = await handIn(SENT);
    expect([many.status, many.headers.get("Retry-After"), many.json.final]).toEqual([429, "90", false]);
    acceptSubmission.mockRejectedValue(new NotFound("card"));
    expect(await handIn(SENT)).toMatchObject({ status: 404, json: { field: "card", final: false } });
  });

  it("does not swallow what nobody expected", async () => {
    acceptSubmission.mockRejectedValue(new Error("database gone"));
    await expect(handIn(SENT)).rejects.toThrow("database gone");
  });

  it("is not looked at by hand", async () => {
    expect(loader().status).toBe(405);
  });
});
