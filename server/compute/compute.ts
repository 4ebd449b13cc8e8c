import { Worker } from "node:worker_threads";
import { type ComputeTasks, computeTasks, type WorkName } from "./work.ts";

type Args<K extends WorkName> = Parameters<ComputeTasks[K]>;
type Reply<K extends WorkName> = ReturnType<ComputeTasks[K]>;
interface Waiting {
  done: (result: never) => void;
  fail: (error: Error) => void;
}

let file: URL | null = null;
let worker: Worker | null = null;
let asked = 0;
const waiting = new Map<number, Waiting>();

/**
 * Starts using a thread with this file. Without one, figures are worked out where they are asked for (tests,
 * loading).
 */
export function configureWorker(thread: URL): void {
  file = thread;
}

function start(thread: URL): Worker {
  const made = new Worker(thread);
  made.unref();
  made.on("message", ({ id, told, error }: { id: number; told?: never; error?: string }) => {
    const w = waiting.get(id);
    waiting.delete(id);
    if (error === undefined) w?.done(told as never);
    else w?.fail(new Error(error));
  });
  const gone = (error: Error) => {
    if (worker === made) worker = null;
    for (const eachWaiting of waiting.values()) eachWaiting.fail(error);
    waiting.clear();
  };
  made.on("error", gone);
  made.on("exit", () => gone(new Error("the figures' thread ended")));
  return made;
}

/** Works something out beside the requests. A thread that fails is restarted. */
export function compute<K extends WorkName>(name: K, ...args: Args<K>): Promise<Reply<K>> {
  if (!file) return Promise.resolve((computeTasks[name] as (...parameters: Args<K>) => Reply<K>)(...args));
  worker ??= start(file);
  const id = ++asked;
  return new Promise<Reply<K>>((done, fail) => {
    waiting.set(id, { done: done as never, fail });
    worker!.postMessage({ id, name, args });
  });
}

export async function terminateWorker(): Promise<void> {
  await worker?.terminate();
}
