import { type AnyPlayPattern, isRefusal } from "#core/contract/contract.ts";
import { matchSettingsOf } from "#core/contract/match-settings.ts";
import type { PlayEvent } from "#core/events/events.ts";
import { bellAt, type Play, referee, replayOf, stateOf, type View, view } from "#core/referee/play.ts";
import { itemName, namesOf, say, sayPhrase } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import { sinceStart } from "../device/play-clock.ts";
import { changePlay, eventsOf, type LocalPlay } from "../device/store.ts";
import { syncSoon } from "../device/sync.ts";
import { SaveQueue, type SaveTrouble } from "./save-queue.ts";
import { heard } from "./seen.ts";
import { type Sound, sound, speak } from "./sounds.ts";

/** How often the clock is read, milliseconds. */
const TICK = 250;
/** Taps that follow each other within this time are saved as one event with a number, milliseconds; and how many at most. */
const RUN_PAUSE = 600;
const MAX_IN_RUN = 5;

/** Which part of the play screen is open below the picture. */
export type Panel = "play" | "fix" | "swap";

/** What the play screen shows. A new object for every change, and the same one while nothing changes. */
export interface Snapshot {
  play: Play;
  view: View;
  panel: Panel;
  /** The line under the heading: why a tap was refused, or what has just been decided. */
  message: string;
  /** What the clock has just announced: half-time, the last ten seconds. */
  clock: string;
  /** What a screen reader reads out: what happened, the score, who is next. */
  heard: string;
  trouble: SaveTrouble;
}
/** What a tap reports: the body of an event, without its time. */
export type Report = Record<string, unknown> & { kind: string };

/** Added to a sentence that comes twice in a row, because screen readers announce only what has changed. */
const AGAIN = "\u00a0";
const announced = (text: string, before: string): string => (text !== "" && text === before ? text + AGAIN : text);

/** Taps of one player that follow each other quickly: the play before the first of them, and the event so far. */
interface Run {
  before: Play;
  event: Extract<PlayEvent, { kind: "count" }>;
  timer: ReturnType<typeof setTimeout>;
}

interface SessionInput {
  local: LocalPlay;
  data: CardData;
  pattern: AnyPlayPattern;
  /** Reads the go of this card again, after the go itself has changed. */
  again: () => Promise<void>;
  /** Makes the sounds of the clock; without it, the device's own. */
  makeSound?: Sound;
}

/**
 * One go while it is played: the referee, the clock, undo and saving, without React. Screens subscribe and show the
 * snapshot; a tap changes it once, and nothing changes while nobody taps.
 */
export class PlaySession {
  private snapshot: Snapshot | null = null;
  private readonly listeners = new Set<() => void>();
  private readonly clockListeners = new Set<() => void>();
  private readonly queue: SaveQueue;
  private run: Run | null = null;
  private ticking: ReturnType<typeof setInterval> | null = null;
  /** Whether the game was paused because the device is full, and goes on by itself. */
  private heldByDevice = false;
  /** How long the running clock takes in all, seconds, and the bell that it runs to. */
  private whole: { due: number; seconds: number } | null = null;
  private lastSecond: number | null = null;
  private input: SessionInput;
  /** The players' names for today. */
  private names: readonly string[];

  constructor(input: SessionInput) {
    this.input = input;
    this.names = input.local.names;
    this.queue = new SaveQueue(input.local.id, {
      trouble: (trouble) => this.setTrouble(trouble),
      changed: () => this.input.again(),
      saved: () => syncSoon(this.input.data.token, this.input.data.id),
    });
  }

  /** Reads what is saved of the go. Resolves once the first snapshot is there. */
  async open(): Promise<void> {
    const { local, data, pattern } = this.input;
    const record = (await eventsOf(local.id)).map((event) => event.event);
    const { params } = data.card.activity.pattern;
    const { play } = replayOf(
      pattern,
      { params, ...matchSettingsOf(data.card.activity) },
      { setup: local.setup, events: record, version: local.rulesVersion },
    );
    this.snapshot = { play, view: view(play), panel: "play", message: "", clock: "", heard: "", trouble: null };
    this.watchClock();
    this.emit();
  }
  /** Saves what waits, and stops the clock of this page. */
  close(): void {
    this.flush();
    if (this.ticking) clearInterval(this.ticking);
    this.ticking = null;
  }
  /** The card, the names or the way to read the go again have changed; the go is the same. */
  update(input: SessionInput): void {
    this.input = input;
  }

  // Arrow functions: React calls them without the object.
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly getSnapshot = (): Snapshot | null => this.snapshot;
  /** Calls back whenever the clock is read, four times a second while it runs. */
  readonly onClock = (listener: () => void): (() => void) => {
    this.clockListeners.add(listener);
    return () => this.clockListeners.delete(listener);
  };

  /** What a player is called: the name typed for today, or a number. */
  readonly nameOf = (player: number): string => this.names[player] ?? say("play.player", { number: player + 1 });

  /** Seconds on the clock: those left until time is up, or those played. */
  seconds(): number {
    if (!this.snapshot) return 0;
    const elapsed = this.elapsed();
    const due = bellAt(this.snapshot.view);
    return Math.floor(Math.max(0, due === null ? elapsed - this.snapshot.view.still : due - elapsed) / 1000);
  }

  /** Opens the panel for changing an earlier attempt, or for swapping the object; `play` closes both. */
  show(panel: Panel): void {
    if (this.snapshot) this.set({ panel });
  }

  /** Takes a report from the screen: judged by the referee, shown at once, and saved after the paint. `at`: milliseconds since the start. */
  readonly act = (body: Report, at?: number): void => {
    const { snapshot } = this;
    if (!snapshot) return;
    // A device that cannot save stops the game at once: nothing more happens in it, but its clock can stand still.
    if (snapshot.trouble === "full" && body.kind !== "pause") return;
    const now = Math.round(this.elapsed());
    if (this.addToRun(body, now)) return;
    this.flush();
    const before = this.snapshot!.play;
    const seq = before.record.length;
    const last = before.record[seq - 1]?.at ?? 0;
    const event = { ...body, at: at ?? Math.max(last, now) } as PlayEvent;
    const after = referee(before, event);
    if (isRefusal(after)) {
      this.set({ message: announced(sayPhrase(after.refused, {}, this.attempt), snapshot.message) });
      return;
    }
    const views = { before: this.snapshot!.view, after: view(after) };
    this.set({
      play: after,
      view: views.after,
      panel: "play",
      message: announced(this.messageOf(event, before), snapshot.message),
      heard: announced(this.heardOf(event, views), snapshot.heard),
    });
    const done = views.after.done !== null;
    if (event.kind === "count" && event.n === 1 && !event.drop)
      this.run = { before, event, timer: setTimeout(() => this.flush(), RUN_PAUSE) };
    else this.queue.add(seq, event, done === (views.before.done !== null) ? null : { done });
    // Last, because a bell that is already due is the next event: after an undo past it, it rings at once.
    this.watchClock();
  };

  /**
   * Adds a player to a side, or as a side of their own (null), and resumes the game. The name is for today only and stays on the device.
   */
  readonly join = async (side: number | null, called: string): Promise<void> => {
    if (!this.snapshot) return;
    const { players } = stateOf(this.snapshot.play).setup;
    this.names = Array.from({ length: players + 1 }, (_, i) =>
      i === players ? called || say("play.player", { number: i + 1 }) : this.nameOf(i),
    );
    await changePlay(this.input.local.id, { names: [...this.names] });
    await this.input.again();
    this.act({ kind: "goOn" });
    this.act({ kind: "join", side });
  };

  /** Saves the taps that were waiting to become one event. */
  readonly flush = (): void => {
    const { run } = this;
    if (!run) return;
    clearTimeout(run.timer);
    this.run = null;
    this.queue.add(run.before.record.length, run.event, null);
  };
  /** Saving as the storage screen and the end of a go need it. */
  readonly saving = {
    settled: () => this.queue.settled(),
    retry: async () => {
      await this.queue.settled();
    },
    freeSpace: () => this.queue.freeSpace(),
    playOn: () => this.queue.playOn(),
  };

  private get attempt() {
    return attemptWords(this.input.data.card.activity.aim.action);
  }
  private elapsed(): number {
    const { record } = this.snapshot!.play;
    return sinceStart(this.input.local, record[record.length - 1]?.at ?? 0);
  }
  private set(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot!, ...change };
    this.emit();
  }
  private emit(): void {
    for (const listener of this.listeners) listener();
    for (const listener of this.clockListeners) listener();
  }

  /** One more tap of the run that is open. False: this tap is an event of its own. */
  private addToRun(body: Report, now: number): boolean {
    const { run } = this;
    if (!run || body.kind !== "count" || body.n !== 1 || body.by !== run.event.by || run.event.n >= MAX_IN_RUN)
      return false;
    const before = view(run.before);
    const due = bellAt(before);
    if (due !== null && now > due) return false;
    const event = { ...run.event, n: run.event.n + 1 };
    const after = referee(run.before, event);
    if (isRefusal(after)) return false;
    clearTimeout(run.timer);
    this.run = { before: run.before, event, timer: setTimeout(() => this.flush(), RUN_PAUSE) };
    const views = { before, after: view(after) };
    this.set({
      play: after,
      view: views.after,
      heard: announced(this.heardOf(event, views), this.snapshot!.heard),
    });
    return true;
  }

  private heardOf(event: PlayEvent, views: { before: View; after: View }): string {
    const { data, local } = this.input;
    return heard(event, views, data, { name: this.nameOf, attempt: this.attempt, silent: local.adds === true });
  }
  /** What the line under the heading says after an event; most say nothing, because the picture shows it. */
  private messageOf(event: PlayEvent, before: Play): string {
    const { data } = this.input;
    switch (event.kind) {
      case "object":
        return say("play.swapped", { item: itemName(event.item, namesOf(data.card.making?.items.own ?? [])) });
      case "again":
        return say("play.footAgain");
      case "dispute":
        return say(`play.disputed.${data.card.activity.match.calls === "looks" ? "looks" : "agreed"}`);
      case "leave":
        return say("play.left", { name: this.nameOf(event.who) });
      case "join":
        return say("play.joined", { name: this.nameOf(stateOf(before).setup.players) });
      case "carry":
        return say("play.carried");
      case "bell":
        return say("play.bell");
      default:
        return "";
    }
  }

  /** While the device cannot save, the clock stands still; it goes on with the game. */
  private setTrouble(trouble: SaveTrouble): void {
    if (!this.snapshot || this.snapshot.trouble === trouble) return;
    this.set({ trouble });
    const { done, paused } = this.snapshot.view;
    if (trouble === "full" && !done && !paused) {
      this.heldByDevice = true;
      this.act({ kind: "pause" });
    }
    if (trouble === null && this.heldByDevice) {
      this.heldByDevice = false;
      this.act({ kind: "goOn" });
    }
  }

  /** The clock is read only while there is something to read. */
  private watchClock(): void {
    const runs = this.snapshot !== null && this.snapshot.view.done === null;
    if (runs && !this.ticking) this.ticking = setInterval(() => this.tick(), TICK);
    if (!runs && this.ticking) {
      clearInterval(this.ticking);
      this.ticking = null;
    }
    if (runs) this.tick();
  }
  private tick(): void {
    if (!this.snapshot) return;
    for (const listener of this.clockListeners) listener();
    const { view: shown, play } = this.snapshot;
    const due = bellAt(shown);
    if (due === null) {
      this.whole = null;
      this.lastSecond = null;
      if (this.snapshot.clock !== "") this.set({ clock: "" });
      return;
    }
    const elapsed = this.elapsed();
    if (elapsed >= due) {
      this.makeSound("bell");
      speak(say("play.stopSaid"));
      this.act({ kind: "bell" }, Math.max(due, play.record[play.record.length - 1]?.at ?? 0));
      return;
    }
    const left = Math.ceil((due - elapsed) / 1000);
    // What was left when this clock was first seen is how long it runs in all.
    if (this.whole?.due !== due - shown.still) this.whole = { due: due - shown.still, seconds: left };
    this.announceClock(left, this.whole.seconds);
  }
  /** Half-time and the last ten seconds are spoken, and the last ones tick. Seconds. */
  private announceClock(left: number, all: number): void {
    if (left === this.lastSecond) return;
    const before = this.lastSecond;
    this.lastSecond = left;
    if (before === null) return;
    const passes = (at: number) => before > at && left <= at;
    const key =
      all >= 30 && passes(Math.floor(all / 2)) ? "play.halfTime" : all > 12 && passes(10) ? "play.lastTen" : null;
    if (key) {
      this.set({ clock: say(key) });
      speak(say(key));
    }
    if (left <= 10 && left > 0) this.makeSound("tick");
  }
  private makeSound(what: Parameters<Sound>[0]): void {
    (this.input.makeSound ?? sound)(what);
  }
}
