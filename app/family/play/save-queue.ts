import type { PlayEvent } from "#core/events/events.ts";
import { addEvent, changePlay, freeSpace, moveToMemory, PlaceTaken } from "../device/store.ts";

interface Waiting {
  seq: number;
  event: PlayEvent;
  /** What this event changes of the go itself: whether it is over. */
  change: { done: boolean } | null;
  /** The event is saved; what it changes of the go is not yet. */
  saved?: true;
}
/** `full`: the device cannot save the last events, which wait here in their order. `otherTab`: another tab plays the same go. */
export type SaveTrouble = "full" | "otherTab" | null;

/** What happens around a save: somebody waits for it, reads the go again, or sends it on. */
export interface SaveListener {
  trouble: (trouble: SaveTrouble) => void;
  /** The go itself has changed: it is over, or goes on after an undo. */
  changed: () => Promise<void>;
  /** Everything up to now is saved and can be handed in. */
  saved: () => void;
}

/** Runs work once the browser has painted what the tap changed, so that saving never delays the picture. */
const afterPaint = (work: () => void): void => {
  if (typeof requestAnimationFrame === "undefined" || document.visibilityState !== "visible") work();
  else requestAnimationFrame(() => setTimeout(work));
};

/**
 * Saves the events of one go, one after the other. A save that fails stops the queue: later events wait behind it, so that
 * what is saved never has a gap, and nothing is lost while the page is open.
 */
export class SaveQueue {
  private waiting: Waiting[] = [];
  /** What is saved or moved just now; nothing else is meanwhile. */
  private running: Promise<boolean> | null = null;
  /** A save has failed: nothing is tried until the player chooses what to do. */
  private stopped = false;
  /** The last event that this queue has saved: the one after it needs no look at what is stored. */
  private lastSaved: number | null = null;
  constructor(
    private readonly id: string,
    private readonly on: SaveListener,
  ) {}

  /** Saves an event once the screen shows it. */
  add(seq: number, event: PlayEvent, change: { done: boolean } | null): void {
    this.waiting.push({ seq, event, change });
    if (!this.stopped && (this.waiting.length === 1 || this.running)) afterPaint(() => void this.drain());
  }

  /** Resolves once everything is saved; false: the device cannot. */
  async settled(): Promise<boolean> {
    while (this.running) await this.running;
    return this.waiting.length === 0 || this.drain();
  }

  /** Clears old games from the device, then tries again. Returns how many were cleared. */
  async freeSpace(): Promise<number> {
    const count = await freeSpace();
    await this.settled();
    return count;
  }

  /**
   * Goes on in this page's memory alone. No save runs while the go moves: an event that the device took meanwhile would
   * be missing in memory, and one that it refused would stop the game again.
   */
  async playOn(): Promise<void> {
    while (this.running) await this.running;
    await this.alone(() => moveToMemory(this.id));
  }

  private drain(): Promise<boolean> {
    return this.running ?? this.alone(() => this.saveAll());
  }
  /** Does work that nothing else may run beside, then saves what came meanwhile. False: the device cannot, and the listener knows. */
  private alone(work: () => Promise<void>): Promise<boolean> {
    this.stopped = false;
    const attempt = async () => {
      try {
        await work();
      } catch (error) {
        this.stopped = true;
        this.on.trouble(error instanceof PlaceTaken ? "otherTab" : "full");
        return false;
      } finally {
        this.running = null;
      }
      return this.waiting.length === 0 || this.drain();
    };
    this.running = attempt();
    return this.running;
  }

  private async saveAll(): Promise<void> {
    for (let next = this.waiting[0]; next; next = this.waiting[0]) {
      if (!next.saved) await addEvent(this.id, next.seq, next.event, this.lastSaved === next.seq - 1);
      next.saved = true;
      this.lastSaved = next.seq;
      if (next.change) {
        await changePlay(this.id, next.change);
        await this.on.changed();
      }
      this.waiting.shift();
    }
    this.on.trouble(null);
    this.on.saved();
  }
}
