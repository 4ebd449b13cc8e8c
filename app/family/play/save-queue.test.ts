import "fake-indexeddb/auto";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { PlayEvent } from "#core/events/events.ts";
import { addPlay, eventsOf, isInMemory, type LocalPlay, playById } from "../device/store.ts";
import { SaveQueue } from "./save-queue.ts";

/** While this is true, the device refuses every write. */
let full = false;
const add = IDBObjectStore.prototype.add;

let id: string;
beforeEach(async () => {
  [full, id] = [false, crypto.randomUUID()];
  await addPlay({ id, card: "card", token: "token", done: false, startedAt: 0, names: [] } as unknown as LocalPlay);
  IDBObjectStore.prototype.add = function (...args) {
    if (full) throw new DOMException("no room", "QuotaExceededError");
    return add.apply(this, args);
  };
});
afterEach(() => {
  IDBObjectStore.prototype.add = add;
});

const miss = (at: number) => ({ kind: "send", at }) as unknown as PlayEvent;
function queue() {
  const on = { trouble: vi.fn(), changed: vi.fn(async () => undefined), saved: vi.fn() };
  return { on, queue: new SaveQueue(id, on) };
}
const stored = async () => (await eventsOf(id)).map((event) => event.seq);

it("saves events in order and reports that the go is over", async () => {
  const { on, queue: saves } = queue();
  saves.add(0, miss(0), null);
  saves.add(1, miss(1), { done: true });
  expect(await saves.settled()).toBe(true);
  expect(await stored()).toEqual([0, 1]);
  expect((await playById(id))!.done).toBe(true);
  expect(on.changed).toHaveBeenCalledOnce();
});

it("stops at the first event that a full device refuses, and saves everything once there is room", async () => {
  const { on, queue: saves } = queue();
  full = true;
  saves.add(0, miss(0), null);
  expect(await saves.settled()).toBe(false);
  expect(on.trouble).toHaveBeenLastCalledWith("full");
  const tries = on.trouble.mock.calls.length;
  saves.add(1, miss(1), null);
  await new Promise((done) => setTimeout(done, 20));
  expect(on.trouble).toHaveBeenCalledTimes(tries);
  full = false;
  expect(await saves.settled()).toBe(true);
  expect(await stored()).toEqual([0, 1]);
  expect(on.trouble).toHaveBeenLastCalledWith(null);
});

it("keeps every event in memory when the player chooses to play on while the device is still refusing a save", async () => {
  const { on, queue: saves } = queue();
  saves.add(0, miss(0), null);
  await saves.settled();
  full = true;
  // What the screen does: it holds the clock where the device is full, and lets it go on.
  let held = false;
  on.trouble.mockImplementation((trouble) => {
    if (trouble === "full" && !held) saves.add(2, miss(2), null);
    if (trouble === null && held) saves.add(3, miss(3), null);
    held = trouble === "full";
  });
  saves.add(1, miss(1), null);
  await Promise.all([saves.playOn(), saves.playOn(), saves.settled()]);
  expect(isInMemory(id)).toBe(true);
  expect(await stored()).toEqual([0, 1, 2, 3]);
  expect(on.trouble).toHaveBeenLastCalledWith(null);
});

it("reports that another tab is playing the same go", async () => {
  const { queue: first } = queue();
  const { on, queue: second } = queue();
  first.add(0, miss(0), null);
  await first.settled();
  second.add(0, miss(9), null);
  expect(await second.settled()).toBe(false);
  expect(on.trouble).toHaveBeenLastCalledWith("otherTab");
});
