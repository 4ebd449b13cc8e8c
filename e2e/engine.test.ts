import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { inFull } from "#core/sample-size.test-utils.ts";
import { changed, playing, press, tabs, title } from "./help.ts";

const browser = tabs();

/** What the page has done since the last reading: React's commits, and calls of the device's store by their name. */
interface Work {
  commits: number;
  calls: Record<string, number>;
}

/** Counts commits and store calls in every page of a tab, from earlier versions its scripts run. */
async function counting(page: Page): Promise<void> {
  await page.evaluateOnNewDocument(() => {
    const work: Work = { commits: 0, calls: {} };
    Object.assign(globalThis, { __work: work });
    // React reports its commits to this hook, in a production build too.
    Object.assign(globalThis, {
      __REACT_DEVTOOLS_GLOBAL_HOOK__: {
        renderers: new Map(),
        supportsFiber: true,
        inject: () => 1,
        onCommitFiberRoot: () => {
          work.commits++;
        },
        onCommitFiberUnmount: () => undefined,
        onPostCommitFiberRoot: () => undefined,
      },
    });
    for (const prototype of [IDBObjectStore.prototype, IDBIndex.prototype] as const)
      for (const name of ["get", "getAll", "getKey", "getAllKeys", "add", "put", "delete"]) {
        const methods = prototype as unknown as Record<string, (...args: unknown[]) => unknown>;
        const before = methods[name];
        if (!before) continue;
        methods[name] = function (this: unknown, ...args: unknown[]) {
          work.calls[name] = (work.calls[name] ?? 0) + 1;
          return before.apply(this, args);
        };
      }
  });
  await page.reload();
}
/** The work since the last call, in all: commits, and each kind of store call. */
const workOf = (page: Page): Promise<Work> =>
  page.evaluate(() => {
    const { __work: work } = globalThis as unknown as { __work: Work };
    const now = { commits: work.commits, calls: { ...work.calls } };
    work.commits = 0;
    work.calls = {};
    return now;
  });
const rest = (ms: number) => new Promise((done) => setTimeout(done, ms));
/** Until everything is saved and sent, and no timer of a run is open. */
const SETTLED = 3000;

describe("the play engine", () => {
  it("redraws once for a tap and not at all while nobody taps, and a tap costs as much late in a go as early", async () => {
    const name = title();
    const page = await playing(browser, "Idris M.", changed(fromPattern("climb"), name, { tries: 200 }));
    await counting(page);
    await page.waitForFunction(() => document.body.innerText.includes("MISS"));
    await rest(SETTLED);
    await workOf(page);

    // Idle: the clock runs, and nothing is drawn or read.
    await rest(5000);
    expect(await workOf(page)).toEqual({ commits: 0, calls: {} });

    /** One tap, and everything that follows from it. */
    const tap = async () => {
      await press(page, "MISS");
      // On a busy machine the event is saved a little later; what else a tap does, it has done by then.
      await page.waitForFunction(() => ((globalThis as unknown as { __work: Work }).__work.calls.add ?? 0) > 0);
      await rest(200);
      const shown = await workOf(page);
      await rest(SETTLED);
      return { shown, later: await workOf(page) };
    };
    const first = await tap();
    expect(first.shown.commits).toBe(1);
    expect(first.shown.calls).toEqual({ add: 1 });
    expect(first.later.commits).toBe(0);

    for (let i = 0; i < inFull(60, 25); i++) {
      await press(page, "MISS");
      // A second tap at the same place at once would be taken for a double tap.
      await rest(320);
    }
    await rest(SETTLED);
    await workOf(page);
    const late = await tap();
    expect(late.shown).toEqual(first.shown);
    // What is sent afterwards reads no event twice: as many calls as for the first tap.
    expect(late.later).toEqual(first.later);
    await press(page, "End game");
    await page.close();
  });
});
