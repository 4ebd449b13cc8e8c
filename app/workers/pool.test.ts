import { describe, expect, it } from "vitest";
import { WorkerPool, WorkerStopped } from "./pool.ts";

/** A worker that does nothing but report errors. The tasks of these tests ask it nothing. */
class SilentWorker extends EventTarget {
  terminated = false;
  postMessage() {}
  terminate() {
    this.terminated = true;
  }
}
const event = (message: string) => Object.assign(new Event("error"), { message });

function poolOf(size: number) {
  const made: SilentWorker[] = [];
  const pool = new WorkerPool<object>(() => {
    const worker = new SilentWorker();
    made.push(worker);
    return worker as unknown as Worker;
  }, size);
  return { pool, made };
}
/** A task that ends when the test says so. */
function task<A>(answer: A) {
  let end: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => {
    end = resolve;
  });
  return { run: () => ended.then(() => answer), end: () => end() };
}

describe("a pool of workers", () => {
  it("starts no more workers than it may have, and one only when it is needed", async () => {
    const { pool, made } = poolOf(2);
    const tasks = [task(1), task(2), task(3)];
    const answers = Promise.all(tasks.map(({ run }) => pool.run(run)));
    expect(made).toHaveLength(2);
    for (const { end } of tasks) end();
    expect(await answers).toEqual([1, 2, 3]);
    expect(await pool.run(async () => 4)).toBe(4);
    expect(made).toHaveLength(2);
  });
  it("passes on what a task throws, and goes on with the next", async () => {
    const { pool } = poolOf(1);
    await expect(
      pool.run(async () => {
        throw new RangeError("no such game");
      }),
    ).rejects.toThrow("no such game");
    expect(await pool.run(async () => "on")).toBe("on");
  });
  it("rejects the task of a worker that stops, and starts another for the next", async () => {
    const { pool, made } = poolOf(1);
    const lost = pool.run(task(1).run);
    const next = pool.run(async () => 2);
    made[0]!.dispatchEvent(event("out of memory"));
    await expect(lost).rejects.toBeInstanceOf(WorkerStopped);
    expect(await next).toBe(2);
    expect(made.map((worker) => worker.terminated)).toEqual([true, false]);
  });
});
