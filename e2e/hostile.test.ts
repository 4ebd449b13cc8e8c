import { randomUUID } from "node:crypto";
import { connect } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import { base, itLong, open, owner, sending, tabs, teacherPage, text, title } from "./help.ts";

const browser = tabs();
let sql: ReturnType<typeof owner>;
beforeAll(() => {
  sql = owner();
});
afterAll(() => sql.end());

describe("names that objects have already", () => {
  itLong(
    "targets and criteria called __proto__ and constructor are sent, played, and shown in the results",
    async () => {
      const { acceptSubmission } = await import("../server/submissions/accept.ts");
      const sweep = fromPattern("sweep");
      const params = sweep.pattern.params as { targets: { id: string }[] };
      const names = ["__proto__", "constructor", "toString", "valueOf", "hasOwnProperty"];
      const activity = {
        ...sweep,
        title: title(),
        criteria: [
          { id: "constructor", text: "Steps with the other foot" },
          { id: "__proto__", text: "Looks at the target" },
        ],
        pattern: {
          ...sweep.pattern,
          params: { ...params, targets: params.targets.map((target, i) => ({ ...target, id: names[i] ?? target.id })) },
        },
      } as Activity;
      const sent = await sending(["Quill F."], activity);
      const [row] = await sql`select k.id, k.hash, k.school_id, k.child_id from card k where k.assignment_id = ${sent}`;
      const hits = ["__proto__", "constructor", "toString", "valueOf", "hasOwnProperty"].slice(
        0,
        params.targets.length,
      );
      await acceptSubmission({ schoolId: row!.school_id, childId: row!.child_id }, {
        play: randomUUID(),
        card: row!.id,
        cardHash: row!.hash,
        device: "a-device",
        setup: { players: 1, mode: "alone", seed: 1 },
        rulesVersion: 1,
        startedAt: Date.now() - 60_000,
        events: hits.map((hit, i) => ({ seq: i, event: { kind: "send", hit, at: 1000 * (i + 1) } })),
        result: { events: hits.length, reflection: { before: 3, after: 4, answers: [], criteria: [] } },
      } as never);
      const page = await teacherPage(browser);
      const failed: string[] = [];
      page.on("pageerror", (e) => failed.push((e as Error).stack ?? ""));
      for (const path of [
        `/results/${sent}`,
        "/results",
        "/week",
        `/results/${sent}/next`,
        `/children/${row!.child_id}`,
      ]) {
        const answer = await open(page, base + path).catch((error) => {
          throw new Error(`${path}: ${failed.join()} ${error}`);
        });
        expect([path, answer!.status()]).toEqual([path, 200]);
      }
      await open(page, `${base}/results/${sent}?tab=children`);
      expect(await text(page)).toContain("Quill F.");
      for (const path of [`/results/${sent}/csv`, `/results/${sent}.data`]) {
        const status = await page.evaluate(async (eachPath) => (await fetch(eachPath)).status, path);
        expect([path, status]).toEqual([path, 200]);
      }
      // Moving on the client decodes the same data.
      await page.close();
    },
  );
});

describe("odd request lines", () => {
  const raw = (line: string) =>
    new Promise<string>((done, failed) => {
      const { hostname, port, host } = new URL(base);
      const socket = connect(Number(port), hostname, () =>
        socket.write(`${line} HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`),
      );
      let told = "";
      socket.on("data", (nonSharedBuffer) => {
        told += nonSharedBuffer;
      });
      socket.on("end", () => done(told.split("\r\n")[0]!));
      socket.on("error", failed);
    });

  it("the absolute form is this server's own path, and another's is refused, never a fault of ours", async () => {
    const { host } = new URL(base);
    expect(await raw(`GET http://${host}/healthz`)).toContain(" 200 ");
    expect(await raw(`GET http://${host}/about`)).toContain(" 200 ");
    for (const line of [
      "GET http://other.example/",
      "GET http://other.example/f/x.data",
      "GET http://",
      "GET ftp://other.example/",
      "GET *",
      "GET //other.example/about",
      "GET ?x",
      "GET http://[::1",
    ])
      expect([line, (await raw(line)).split(" ")[1]]).toEqual([line, expect.stringMatching(/^4\d\d$/)]);
  });
});
