import * as Comlink from "comlink";

/** A worker stopped or could not be started, so its question has no answer. */
export class WorkerStopped extends Error {}

interface Member<T> {
  worker: Worker;
  remote: Comlink.Remote<T>;
  /** Rejects the present task if the worker stops. */
  stop: ((error: Error) => void) | null;
}
interface Task<T> {
  run: (remote: Comlink.Remote<T>) => Promise<unknown>;
  done: (answer: never) => void;
  fail: (error: Error) => void;
}

/**
 * A few workers of one kind for a whole page. A worker does one task at a time; further tasks wait in their order. A
 * worker that stops rejects its task with `WorkerStopped`, and the next task starts a new one.
 */
export class WorkerPool<T> {
  private readonly idle: Member<T>[] = [];
  private readonly waiting: Task<T>[] = [];
  private members = 0;
  constructor(
    private readonly start: () => Worker,
    private readonly size: number,
  ) {}

  /** Runs a task in the next free worker. */
  run<A>(task: (remote: Comlink.Remote<T>) => Promise<A>): Promise<A> {
    return new Promise<A>((done, fail) => {
      this.waiting.push({ run: task, done: done as never, fail });
      this.next();
    });
  }

  private next(): void {
    if (this.waiting.length === 0) return;
    const member = this.idle.pop() ?? (this.members < this.size ? this.add() : null);
    if (!member) return;
    const task = this.waiting.shift()!;
    const stopped = new Promise<never>((_, reject) => {
      member.stop = reject;
    });
    Promise.race([task.run(member.remote), stopped])
      .then((answer) => task.done(answer as never), task.fail)
      .finally(() => {
        if (member.stop) {
          member.stop = null;
          this.idle.push(member);
        }
        this.next();
      });
  }

  private add(): Member<T> {
    const worker = this.start();
    const member: Member<T> = { worker, remote: Comlink.wrap<T>(worker), stop: null };
    this.members++;
    worker.addEventListener("error", (event) => {
      worker.terminate();
      this.members--;
      const at = this.idle.indexOf(member);
      if (at >= 0) this.idle.splice(at, 1);
      const { stop } = member;
      member.stop = null;
      stop?.(new WorkerStopped(event.message || "the worker stopped"));
    });
    return member;
  }
}
