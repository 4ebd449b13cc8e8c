import {
  type Aim,
  type AimKind,
  type AimOf,
  type Ask,
  type AskKind,
  type AskOf,
  arranged,
  mainAsks,
} from "../asks/ask.ts";
import { type Seen, type Sight, standAt } from "../chances/kind.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import { sightOf } from "../chances/outcomes.ts";
import { middleOf, shiftsOf } from "../chances/zones.ts";
import { type BaseState, isRefusal, type Setup } from "../contract/contract.ts";
import type { Body, PlayEvent } from "../events/events.ts";
import { layoutOf, personOf } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { own } from "../own.ts";
import { farthest, reachChance } from "../physics/send.ts";
import { normalDraw, random } from "../random.ts";
import { partsOf } from "../yard/parts.ts";

/**
 * A simulated child who plays for the demo and the tests. The child misses in another way than the forecast assumes:
 * with a bias to one side, some wild attempts, fatigue, and an inexact idea of the middle. Each send is drawn as a
 * path or a resting place and read off the layout.
 */
export interface BehaviorProfile {
  /** The spread relative to what the age suggests. */
  skill: number;
  /** A constant bias to the right, as an angle. */
  pull: number;
  /** The share of wild sends, with three times the spread. */
  wild: number;
  /** A constant error of length, as a share of the distance. */
  long: number;
}

export function behaviorProfile(seed: number): BehaviorProfile {
  const draw = random(seed);
  return {
    skill: Math.exp(0.3 * normalDraw(draw)),
    pull: 0.02 * normalDraw(draw),
    wild: 0.04 + 0.08 * draw(),
    long: 0.05 * normalDraw(draw),
  };
}

/** One attempt: by whom, how tired, and with which random numbers. */
interface Try {
  sight: Sight;
  temper: BehaviorProfile;
  /** The spread of this one relative to the forecast's. */
  scale: number;
  draw: () => number;
}
/** A path to one side of the point aimed at, and a length. */
function path({ sight, temper: profile, scale, draw }: Try, aimed: { across: number; distance: number }) {
  const { spread } = sight.person.sends(sight.manner);
  return {
    angle: aimed.across / aimed.distance + profile.pull + spread.lateral * scale * normalDraw(draw),
    length: aimed.distance * (1 + profile.long + spread.range * scale * normalDraw(draw)),
    up: spread.vertical * aimed.distance * scale * normalDraw(draw),
  };
}

/** An outcome drawn from the whole distribution. The better the child, the more often the intended one. */
function drawn(aim: Aim, attempt: Try): Seen {
  const { list } = kindOf<Aim>(aim).outcomes(aim, attempt.sight);
  const chance = list[0]!.p ** Math.max(0.5, attempt.scale);
  let left = attempt.draw();
  if (left < chance) return list[0]!.seen;
  left = (left - chance) / (1 - chance);
  const rest = 1 - list[0]!.p;
  for (const outcome of list.slice(1)) {
    left -= rest > 0 ? outcome.p / rest : 0;
    if (left < 0) return outcome.seen;
  }
  return list[list.length - 1]!.seen;
}

/** What is seen of one attempt, for each kind of aim. The compiler checks that the list is complete. */
const tries: { [K in AimKind]: (aim: AimOf<K>, attempt: Try) => Seen } = {
  any: (aim, attempt) => {
    const { parts, from, person, manner } = attempt.sight;
    const player = person.sends(manner);
    const diameter = player.object.diameter;
    const inAir = player.sending.travel === "air";
    const targets = partsOf(parts, "target")
      .filter((target) => aim.among.includes(target.id))
      .map((target) => ({ ...target, distance: target.along - standAt(parts, from) }));
    const aimed = targets.find((target) => target.id === aim.want[0])!;
    const { angle, up } = path(attempt, aimed);
    const height = aimed.height / 2 + up;
    const first = targets
      .filter(
        (target) =>
          Math.abs(angle * target.distance - target.across) < target.width / 2 + diameter / 2 &&
          height < target.height + diameter / 2,
      )
      .sort((x, y) => x.distance - y.distance)[0];
    const gets = first && attempt.draw() < reachChance(player.sending, first.distance, inAir ? first.height / 2 : 0);
    return { hit: gets ? first.id : null };
  },
  zones: (aim, attempt) => {
    const { parts, from, person, manner } = attempt.sight;
    const player = person.sends(manner);
    const at = standAt(parts, from);
    const zones = partsOf(parts, "zone").map((zone) => ({ ...zone, near: zone.near - at, far: zone.far - at }));
    const worth = (id: string) => own(aim.worth, id) ?? 0;
    const best = zones.reduce((x, zone) => (worth(zone.id) > worth(x.id) ? zone : x));
    const shifts = shiftsOf(zones, player.object.diameter);
    const aimed = Math.min(farthest(player.sending), middleOf(best, zones, shifts));
    const stop = path(attempt, { across: 0, distance: aimed }).length;
    if (stop < zones[0]!.near + shifts[0]!) return { rest: "short" };
    return { rest: zones.find((zone, i) => stop < zone.far + shifts[i + 1]!)?.id ?? "over" };
  },
  cells: (aim, attempt) => {
    const { parts, from } = attempt.sight;
    const at = standAt(parts, from);
    const all = partsOf(parts, "cell");
    const aimed = all.find((cell) => cell.id === aim.want[0])!;
    const { angle, length } = path(attempt, { across: aimed.across, distance: aimed.along - at });
    const [x, y] = [angle * length, length + at];
    const on = all.find(
      (cell) => Math.abs(cell.across - x) < cell.width / 2 && Math.abs(cell.along - y) < cell.depth / 2,
    );
    return { rest: on?.id ?? "out" };
  },
  fall: (aim, attempt) => {
    const { parts, from, person, manner } = attempt.sight;
    const player = person.sends(manner);
    const pins = aim.standing.map((spot) => {
      const part = partsOf(parts, "target").find((target) => target.id === spot.id)!;
      return { ...spot, width: part.width, distance: spot.along - standAt(parts, from) };
    });
    const aimed = pins[Math.floor(attempt.draw() * pins.length)]!;
    const { angle } = path(attempt, aimed);
    const half = player.object.diameter / 2;
    const met = pins.filter((pin) => Math.abs(angle * pin.distance - pin.across) < pin.width / 2 + half);
    const near = Math.min(...met.map((p) => p.distance));
    // In the air, only the front pins fall.
    const falls = player.sending.travel === "air" ? met.filter((p) => p.distance <= near + 2 * half) : met;
    return {
      fell: falls.filter((fall) => attempt.draw() < reachChance(player.sending, fall.distance)).map((fall) => fall.id),
    };
  },
  keep: (_, attempt) => {
    const { p: chance } = attempt.sight.person.keeps(attempt.sight.manner);
    return { kept: attempt.draw() < chance ** Math.max(0.5, attempt.scale) };
  },
  skill: (aim, attempt) => {
    const { p: chance } = attempt.sight.person.does(aim.task, attempt.sight.manner);
    return { kept: attempt.draw() < chance ** Math.max(0.5, attempt.scale) };
  },
  jack: () => ({ rest: "in" }),
  near: (aim, attempt) => {
    const { distance } = kindOf<Aim>(aim).outcomes(aim, attempt.sight);
    const { angle, length } = path(attempt, { across: 0, distance });
    if (aim.past !== null && length + standAt(attempt.sight.parts, attempt.sight.from) > aim.past)
      return { rest: "over" };
    return { rest: "in", away: Math.round(1000 * Math.hypot(length - distance, angle * distance)) };
  },
  shuttle: (aim, attempt) => drawn(aim, attempt),
  course: () => ({ kept: true }),
  bat: (aim, attempt) => drawn(aim, attempt),
  over: (aim, attempt) => drawn(aim, attempt),
  point: (aim, attempt) => drawn(aim, attempt),
  goal: (aim, attempt) => kindOf<Aim>(aim).outcomes(aim, attempt.sight).list[attempt.draw() < 0.5 ? 0 : 1]!.seen,
  chase: (aim, attempt) => drawn(aim, attempt),
  receive: (aim, attempt) => drawn(aim, attempt),
  rebound: (aim, attempt) => {
    const kind = kindOf<Aim>(aim);
    const chance = kind.outcomes(aim, attempt.sight).list[0]!.p;
    return { kept: attempt.draw() < chance ** Math.max(0.5, attempt.scale) };
  },
};
const seenOf = (aim: Aim, attempt: Try): Seen =>
  (tries[aim.kind] as (aim: Aim, givenAttempt: Try) => Seen)(aim, attempt);

const sendBody = (seen: Seen): Body => {
  if ("ran" in seen) return { kind: "run", ...seen.ran };
  if ("point" in seen) return { kind: "point", side: seen.point, ...(seen.why !== undefined && { why: seen.why }) };
  if ("fell" in seen) return { kind: "send", fell: [...seen.fell] };
  if ("rest" in seen) return { kind: "send", rest: seen.rest, ...(seen.away !== undefined && { away: seen.away }) };
  return { kind: "send", hit: "hit" in seen ? seen.hit : null };
};
/**
 * What a simulated child does when asked. The compiler checks that the list is complete. Null: the child does
 * nothing.
 */
const does: { [K in AskKind]: ((ask: AskOf<K>, seen: (aim: Aim) => Seen, draw: () => number) => Body) | null } = {
  send: (ask, seen) => sendBody(seen(ask.aim)),
  count: (ask, seen) => {
    const s = seen(ask.aim);
    return "kept" in s && s.kept
      ? { kind: "count", n: 1 }
      : { kind: "count", n: 0, ...(ask.drops && { drop: true as const }) };
  },
  total: (ask) => ({ kind: "total", n: ask.soFar }),
  task: () => ({ kind: "task" }),
  choose: (ask, _, draw) => ({
    kind: "choose",
    of: ask.of,
    pick: ask.must ? ask.options[Math.floor(draw() * ask.options.length)]! : null,
  }),
  arrange: (ask) => arranged(ask.spots),
  mix: (ask, _, draw) => ({ kind: "mix", cells: [...ask.samples[Math.floor(draw() * ask.samples.length)]!] }),
  swap: (ask) => ({ kind: "swap", a: ask.sensible![0], b: ask.sensible![1] }),
  stand: () => ({ kind: "stand" }),
  ready: () => ({ kind: "ready" }),
  bell: null,
  move: null,
  measure: null,
  carry: null,
  set: null,
};

/** The longest go that is played, in events. */
const LONGEST = 1500;

/** Plays one whole go and returns its events. Stops early, with the given chance before each event. */
export function playGo(
  activity: Activity,
  {
    ages,
    tempers,
    setup,
    seed,
    stops = 0,
  }: {
    ages: readonly number[];
    tempers: readonly BehaviorProfile[];
    setup: Setup;
    seed: number;
    stops?: number | undefined;
  },
): PlayEvent[] {
  const draw = random(seed);
  const { game } = opened(activity);
  const parts = layoutOf(activity);
  const people = Array.from({ length: setup.players }, (_, i) => personOf(activity, { age: ages[i % ages.length]! }));
  const events: PlayEvent[] = [];
  let state: BaseState = game.start(setup);
  let at = 0;
  let tried = 0;
  while (!game.ending(state) && events.length < LONGEST) {
    const ask = mainAsks(game.asks(state)).find((mainAsk) => does[mainAsk.kind] !== null)!;
    at += Math.round(1000 * secondsOf(ask, people[ask.player]!, draw));
    if (stops > 0 && draw() < stops) {
      events.push({ kind: "stop", at });
      return events;
    }
    const profile = tempers[ask.player % tempers.length]!;
    const seen = (aim: Aim): Seen => {
      const scale = profile.skill * (draw() < profile.wild ? 3 : 1) * (1 + 0.006 * tried++);
      const options = kindOf<Aim>(aim).options(aim);
      const sight = sightOf(ask as AskOf<"send">, { parts, people, policy: "middle" });
      return seenOf(options[Math.floor(draw() * options.length)]!, { sight, temper: profile, scale, draw });
    };
    const bell = game.due(state);
    const body = (does[ask.kind] as (ask: Ask, seen: (aim: Aim) => Seen, draw: () => number) => Body)(ask, seen, draw);
    const event = (bell !== null && at > bell ? { kind: "bell", at } : { ...body, at }) as PlayEvent;
    const after = game.step(state, event as never);
    if (isRefusal(after)) throw new Error(`a made-up child did what is refused: ${after.refused.key}`);
    events.push(event);
    state = after;
  }
  return events;
}

/** A random time around the usual one. */
function secondsOf(ask: Ask, person: Sight["person"], draw: () => number): number {
  if ("takes" in ask) return ask.takes.seconds * (0.8 + 0.6 * draw());
  if (ask.kind === "count" && ask.aim.kind === "keep") return person.keeps(ask.manner).touch * (0.8 + 0.5 * draw());
  if (ask.kind === "count" && ask.aim.kind === "skill")
    return person.does(ask.aim.task, ask.manner).touch * (0.9 + 0.4 * draw());
  if (ask.kind === "count" && ask.aim.kind === "course")
    return ask.aim.gates.reduce((sum, gate) => sum + person.gate(gate, ask.manner).seconds, 0) * (1 + 0.8 * draw());
  return 5 + 6 * draw();
}
