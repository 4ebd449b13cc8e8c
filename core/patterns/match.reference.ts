import type { Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { GameEvent } from "../events/events.ts";

/** The effect of an event on a story: not allowed, or how the story continues. */
export type Took = "no" | "on" | "hit" | "miss" | "spent" | "pass" | "theirs" | "part" | "end";
/** One go as a pattern's description tells it, changed in place. */
export interface Story {
  /** `turn`: it was the turn of the player who did it. `theirs`: then it is their turn, and the story continues. */
  take(event: GameEvent, turn: boolean): Took;
  /** The bell. */
  rings(): Took;
  /** The seconds until the bell of the present part. Undefined: no clock. */
  clock(): number | null | undefined;
  value(): number;
  rank(): number;
  /** For sides that play for the same targets: nothing is left of them. */
  over?(): boolean;
  /** The goal was reached. If sides race each other, the match ends once all have had the same number of sends. */
  finished?(): boolean;
}
export interface ReferenceResult {
  accepted: boolean[];
  player: number;
  over: boolean;
  values: number[];
  winners: number[] | null;
}

/**
 * A simple reference implementation of the match around a go, for tests only: a table with a chair for each side, and
 * the player on the chair whose turn it is plays. It shares no code with the match layer.
 */
export function tellMatch(
  tell: () => Story,
  { match, each }: { match: Match; each: boolean },
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const everybody = [...Array(setup.players).keys()];
  const chairs = (setup.mode === "relay" ? [everybody] : everybody.map((i) => [i])).map((people) => ({
    people,
    next: 0,
    story: tell(),
    past: [] as Story[],
    left: match.goes.count * (each ? people.length : 1),
    resting: false,
  }));
  type Chair = (typeof chairs)[number];
  const allAtOnce = match.swap === "once" && chairs.length > 1;
  const sits = (c: Chair) => c.people[c.next % c.people.length]!;
  let now = 0;
  let last = 0;
  let bell: number | null = null;
  let over = false;
  let paused = chairs[0]!.story.clock() !== undefined;
  const playing = () => (allAtOnce ? chairs.filter((chair) => chair.left > 0 && !chair.resting) : [chairs[now]!]);
  const accepted: boolean[] = [];

  /** After the end of a go, the next one of that chair begins, if it has one left. */
  const finish = (c: Chair) => {
    c.past.push(c.story);
    c.left--;
    if (c.left > 0) c.story = tell();
  };
  const racing = match.end === "first" && setup.mode === "against" && match.goes.count === 1;
  const handOn = (wholeGo: boolean, swap: string) => {
    chairs[now]!.next++;
    const was = now;
    do now = (now + 1) % chairs.length;
    while (chairs[now]!.left === 0);
    if (
      racing &&
      swap === "send" &&
      now <= was &&
      chairs.some((chair) => chair.past.some((story) => story.finished?.()))
    )
      over = true;
    else if (wholeGo) paused = chairs[now]!.story.clock() !== undefined;
  };
  const settle = (c: Chair, took: Took) => {
    if (took === "end") finish(c);
    if (chairs.every((chair) => chair.left === 0)) {
      over = true;
      paused = false;
      return;
    }
    if (allAtOnce) {
      if (took === "end" || took === "part") c.resting = c.left > 0;
      if (chairs.every((chair) => chair.left === 0 || chair.resting)) {
        for (const chair of chairs) chair.resting = false;
        now = chairs.findIndex((chair) => chair.left > 0);
        paused = true;
      }
      return;
    }
    const clocked = c.story.clock() !== undefined && chairs.length > 1;
    const swap = match.swap === "once" || clocked ? "go" : match.swap;
    if (took === "end") handOn(true, swap);
    else if (took === "part") paused = c.story.clock() !== undefined;
    else if (took === "on" || took === "theirs") return;
    else if (
      took === "pass" ||
      swap === "send" ||
      (swap === "miss" && took !== "hit") ||
      (swap === "budget" && took === "spent")
    )
      handOn(false, swap);
  };

  for (const event of events) {
    let ok = !over && event.at >= last;
    const ringsAt: number | null = paused || playing()[0]?.story.clock() === null ? null : bell;
    if (!ok) {
      accepted.push(false);
      continue;
    }
    if (event.kind === "carry") ok = match.carry && ringsAt === null;
    else if (paused) {
      ok = event.kind === "ready";
      if (ok) {
        paused = false;
        const seconds = playing()[0]!.story.clock();
        bell = typeof seconds === "number" ? event.at + seconds * 1000 : null;
      }
    } else if (event.kind === "bell") {
      ok = ringsAt !== null && event.at >= ringsAt;
      if (ok) for (const c of playing()) settle(c, c.story.rings());
    } else if (ringsAt !== null && event.at > ringsAt) ok = false;
    else {
      const by = "by" in event ? event.by : undefined;
      const c = by === undefined ? playing()[0] : playing().find((x) => x.people.includes(by));
      const turn = !c || by === undefined || setup.mode !== "relay" || by === sits(c);
      const took = c ? c.story.take(event, turn) : "no";
      if (took === "theirs") c!.next = c!.people.indexOf(by!);
      ok = took !== "no";
      if (ok) {
        for (const chair of chairs) if (chair !== c && chair.left > 0 && chair.story.over?.()) finish(chair);
        settle(c!, took);
      }
    }
    if (ok) last = event.at;
    accepted.push(ok);
  }
  const sums = chairs.map((chair) => {
    const goes = chair.left === 0 ? chair.past : [...chair.past, chair.story];
    const total = match.goes.keep === "total" || (each && chair.people.length > 1);
    const best = goes.reduce((story, go) => (go.rank() > story.rank() ? go : story));
    const add = (f: (story: Story) => number) => goes.reduce((sum, go) => sum + f(go), 0);
    return total
      ? { value: add((story) => story.value()), rank: add((story) => story.rank()) }
      : { value: best.value(), rank: best.rank() };
  });
  const top = Math.max(...sums.map((sum) => sum.rank));
  const winners =
    over && setup.mode === "against" && chairs.length > 1
      ? sums.flatMap((sum, i) => (sum.rank === top ? [i] : []))
      : [];
  return { accepted, player: sits(playing()[0] ?? chairs[now]!), over, values: sums.map((sum) => sum.value), winners };
}
