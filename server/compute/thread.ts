import { parentPort } from "node:worker_threads";
import { computeTasks, type WorkName } from "./work.ts";

/** The thread answers one question after the other, each under its number. */
parentPort!.on("message", ({ id, name, args }: { id: number; name: WorkName; args: never[] }) => {
  try {
    parentPort!.postMessage({ id, told: (computeTasks[name] as (...a: never[]) => unknown)(...args) });
  } catch (error) {
    parentPort!.postMessage({ id, error: error instanceof Error ? error.message : String(error) });
  }
});
