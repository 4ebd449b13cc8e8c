import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { post } from "./use-posting.ts";

const answers = (answer: Response | Error) => {
  const fetched = vi.fn(async (_url: string, _init: RequestInit) => {
    if (answer instanceof Error) throw answer;
    return answer;
  });
  vi.stubGlobal("fetch", fetched);
  return fetched;
};
const reload = vi.fn();
const fields = { part: "people", players: "2" };

beforeEach(() => {
  vi.stubGlobal("location", { reload });
});
// Other test files share these globals.
afterEach(() => {
  vi.unstubAllGlobals();
  reload.mockClear();
});

describe("a part of the survey that is sent", () => {
  it("goes as a form does, and arrives though its page is left", async () => {
    const fetched = answers(Response.json({ ok: true, problems: [] }));
    expect(await post("/f/x/home/save", fields)).toEqual({ ok: true, problems: [] });
    const [url, init] = fetched.mock.calls[0]!;
    expect([url, init.method, init.keepalive, String(init.body)]).toEqual([
      "/f/x/home/save",
      "POST",
      true,
      "part=people&players=2",
    ]);
  });

  it("is refused with the reasons", async () => {
    const problems = [{ field: "players", message: "players must be 8 or fewer" }];
    answers(Response.json({ ok: false, problems }, { status: 422 }));
    expect(await post("/f/x/home/save", fields)).toEqual({ ok: false, problems });
  });

  it.each([
    ["the network is away", new TypeError("Failed to fetch")],
    ["the server is away", new Response("Bad gateway", { status: 502 })],
    ["a network answers with a page of its own", new Response("<p>Sign in to the Wi-Fi</p>")],
    ["something else answers in JSON", Response.json({ hello: 1 })],
  ])("stays here where %s", async (_, answer) => {
    answers(answer);
    expect(await post("/f/x/home/save", fields)).toEqual({ ok: false, problems: [], unsent: true });
    expect(reload).not.toHaveBeenCalled();
  });

  it("lets the page say it where the link is off", async () => {
    answers(new Response("", { status: 410 }));
    expect(await post("/f/x/home/save", fields)).toMatchObject({ unsent: true });
    expect(reload).toHaveBeenCalledOnce();
  });
});
