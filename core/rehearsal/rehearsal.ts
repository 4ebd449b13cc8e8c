import type { Aim, Ask, AskOf } from "../asks/ask.ts";
import { brings } from "../chances/brings.ts";
import { standAt } from "../chances/kind.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import { QUANTUM_MS } from "../chances/outcomes.ts";
import type { Role, Setup } from "../contract/contract.ts";
import { AXES, type Axis, priorAt } from "../estimate/grid.ts";
import type { Estimate } from "../estimate/posterior.ts";
import type { Body } from "../events/events.ts";
import { type Distribution, likelyRange, mixed, quantile } from "../forecast/distribution.ts";
import { forecastActivity, layoutOf, personOf, type Who } from "../forecast/for-activity.ts";
import { type Drawn, dealt, type ForecastInput } from "../forecast/forecast.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import type { Age } from "../measures/stature.ts";
import { normalDraw, random } from "../random.ts";
import { asSeen } from "../yard/off-wall.ts";
import { type Part, type Place, patchOf } from "../yard/parts.ts";

/** What is known of a child on one axis, as a normal distribution: its mean and standard deviation. */
export interface KnownAxis {
  middle: number;
  sd: number;
}
export type KnownChild = Record<Axis, KnownAxis>;
/** One child of a rehearsal: what they play at home, how, and what is known of them. */
export interface Rehearsing {
  activity: Activity;
  age: Age;
  self: Omit<Role, "role"> | null;
  known: KnownChild;
}
/** The ends of an 80% interval, in standard deviations from the mean of a normal distribution. */
const EIGHTY = 1.2816;
/** How exact a teacher's own word for a child is taken to be, on the axis. An assumption. */
const SAID_SD = 0.1;

/**
 * What a rehearsal takes as known of a child: the teacher's word if there is one, then what the child's goes say,
 * then what their age says.
 */
export function knownChild(
  age: Age,
  estimates: Partial<Record<Axis, Estimate>>,
  teacherSays: { multiplier?: number | undefined } = {},
): KnownChild {
  const of = (axis: Axis): KnownAxis => {
    if (axis === "spread" && teacherSays.multiplier !== undefined)
      return { middle: Math.log(teacherSays.multiplier), sd: SAID_SD };
    const estimate = estimates[axis];
    if (!estimate) return priorAt(axis, age);
    const at = (x: number) => (axis === "spread" ? Math.log(x) : x);
    return { middle: at(estimate.middle), sd: (at(estimate.high) - at(estimate.low)) / (2 * EIGHTY) };
  };
  return { spread: of("spread"), skill: of("skill") };
}

/** The child at this many standard deviations from their mean. */
const whoOff = (age: Age, known: KnownChild, z: Record<Axis, number>): Who => ({
  age,
  multiplier: Math.exp(known.spread.middle + known.spread.sd * z.spread),
  skill: known.skill.middle + known.skill.sd * z.skill,
});

/** One thing that happens in a go somebody watches. Times are in milliseconds from its beginning. */
export interface Moment {
  body: Body;
  from: number;
  at: number;
  /** When the object is released and when it comes to rest. Null: nothing is sent. */
  flies: readonly [from: number, until: number] | null;
  /** Where it starts and where it ends, metres. */
  start: Place;
  to: Place | null;
  /** The share of the remaining time that is spent walking there and back. */
  fetches: number;
  /** Whether it scored anything. Null: it could not. */
  off: boolean | null;
  /** The score afterwards, with its working. */
  value: number;
  score: string;
}
export interface Rehearsed {
  moments: Moment[];
  /**
   * The result: the score as the forecast counts it, in the unit of the game; whether the go was finished; and how
   * long it took, seconds.
   */
  value: number;
  finished: boolean;
  seconds: number;
  /** The go was cut off, because it would have lasted longer than anybody plays. */
  cut: boolean;
  /** Shares of the time spent sending or moving, fetching, and waiting. */
  spent: { acting: number; fetching: number; waiting: number };
}

/** After this many attempts in a row that score nothing, a child counts as stuck. */
export const STUCK_AFTER = 6;

const setupOf = (rehearsing: Rehearsing, seed: number): Setup => ({
  players: 1,
  mode: "alone",
  seed,
  ...(rehearsing.self && { people: [{ role: "plays", ...rehearsing.self }] }),
});
const inputOf = (rehearsing: Rehearsing, who: Who, seed: number): ForecastInput => ({
  game: opened(rehearsing.activity).game,
  setup: setupOf(rehearsing, seed),
  parts: layoutOf(rehearsing.activity),
  people: [personOf(rehearsing.activity, who)],
  policy: "middle",
});

/**
 * Runs one go of one child. How well the child plays is drawn from what is known of them, and everything that happens
 * from the forecast's chances, by the referee's rules. The same seed gives the same go. Where objects come to rest is
 * drawn for the picture only, and nothing is counted from it.
 */
export function rehearse(rehearsing: Rehearsing, seed: number): Rehearsed {
  const draw = random(seed);
  const who = whoOff(rehearsing.age, rehearsing.known, { spread: normalDraw(draw), skill: normalDraw(draw) });
  const input = inputOf(rehearsing, who, seed);
  const { events, end, at } = dealt(input, seed + 1);
  const { game } = input;
  const last = end ?? events[events.length - 1]?.state ?? game.start(input.setup);
  const [score] = game.score(last);
  const [reached] = game.progress(last);
  const spent = { acting: 0, fetching: 0, waiting: 0 };
  for (const event of events)
    for (const key of ["acting", "fetching", "waiting"] as const) spent[key] += event.spent[key];
  const all = spent.acting + spent.fetching + spent.waiting || 1;
  return {
    moments: events.map((event) => momentOf(event, input, draw)),
    value: score!.unit === "tenths" ? score!.value : reached!.points,
    finished: end !== null && reached!.finished,
    seconds: (at * QUANTUM_MS) / 1000,
    cut: end === null,
    spent: { acting: spent.acting / all, fetching: spent.fetching / all, waiting: spent.waiting / all },
  };
}

function momentOf(drawn: Drawn, { game, parts, people }: ForecastInput, draw: () => number): Moment {
  const ms = (quanta: number) => quanta * QUANTUM_MS;
  const seen = asSeen(parts);
  const asked = drawn.ask && "from" in drawn.ask ? drawn.ask : null;
  const start = { along: asked ? standAt(seen, asked.from) : 0, across: 0 };
  const [score] = game.score(drawn.state);
  const sent = asked?.kind === "send" && drawn.released !== null;
  const from = ms(drawn.from + (drawn.released ?? 0));
  return {
    body: drawn.body,
    from: ms(drawn.from),
    at: ms(drawn.at),
    flies: sent
      ? [
          from,
          Math.min(
            ms(drawn.at),
            Math.max(from, ms(drawn.from + drawn.spent.acting + Math.min(drawn.spent.waiting, 15))),
          ),
        ]
      : null,
    start,
    to: sent ? placeOf(asked, drawn.body, { parts: seen, spread: people[0]!.sends(asked.manner).spread, draw }) : null,
    fetches: ms(drawn.spent.fetching),
    off: offOf(drawn),
    value: score!.soFar,
    score: score!.working,
  };
}
/** Whether an ask scored anything. */
function offOf({ ask, body }: Drawn): boolean | null {
  if (body.kind === "count") return body.n > 0;
  if (body.kind === "point") return body.side === 0;
  if (body.kind !== "send" || ask?.kind !== "send") return null;
  return brings(ask, body);
}

type Spread = { lateral: number; range: number };
/** How often a place is drawn again if it lies where it must not. */
const AGAIN = 12;
/**
 * Where an object came to rest, for the picture: in or at what it hit, or else beside its target, as far off as is
 * usual for this child.
 */
function placeOf(
  ask: AskOf<"send">,
  body: Body,
  { parts, spread, draw }: { parts: readonly Part[]; spread: Spread; draw: () => number },
): Place {
  const named = body.kind === "send" ? (body.rest ?? (Array.isArray(body.fell) ? body.fell[0] : body.hit)) : null;
  const is = parts.find((part) => "id" in part && part.id === named && part.kind !== "line");
  const patch = is && patchOf(is);
  const within = (reach: number) => (draw() - 0.5) * reach;
  if (patch)
    return {
      along: patch.along + within(patch.halfAlong),
      across: patch.across + within(patch.halfAcross),
    };
  const stands = standAt(parts, ask.from);
  const meant = meantBy(ask, parts);
  const far = Math.max(0.3, meant.along - stands);
  const taken = parts.flatMap((part) => {
    const at = part.kind === "target" || part.kind === "cell" || part.kind === "zone" ? patchOf(part) : null;
    return at ? [at] : [];
  });
  const away = body.kind === "send" && body.away !== undefined ? body.away / 1000 : null;
  if (away !== null) {
    const turn = 2 * Math.PI * draw();
    return { along: meant.along + away * Math.cos(turn), across: meant.across + away * Math.sin(turn) };
  }
  let place: Place = meant;
  for (let i = 0; i < AGAIN; i++) {
    // Each time wider, so that it ends up clear of everything that stands there.
    const wide = 1 + i / 2;
    place = {
      along: meant.along + wide * spread.range * far * normalDraw(draw),
      across: meant.across + wide * spread.lateral * far * normalDraw(draw),
    };
    const inside = taken.some(
      (eachPatch) =>
        Math.abs(eachPatch.along - place.along) < eachPatch.halfAlong &&
        Math.abs(eachPatch.across - place.across) < eachPatch.halfAcross,
    );
    if (!inside) break;
  }
  return place;
}
/** The middle of what was aimed at. */
function meantBy(ask: Extract<Ask, { kind: "send" }>, parts: readonly Part[]): Place {
  const { aim } = ask;
  const wanted = "want" in aim ? aim.want[0] : "mark" in aim ? aim.mark : "onto" in aim ? aim.onto : null;
  const is = parts.find((part) => "id" in part && part.id === wanted);
  const patch = is && patchOf(is);
  if (patch) return { along: patch.along, across: patch.across };
  if (aim.kind === "fall" && aim.standing[0]) return { along: aim.standing[0].along, across: aim.standing[0].across };
  return { along: standAt(parts, ask.from) + kindOf<Aim>(aim).reach(aim, parts, ask.from), across: 0 };
}

/** The forecast for one child, over everything that is not known of them. */
export interface Foreseen {
  low: number;
  middle: number;
  high: number;
  /** The share of all goes that lie in the range. */
  holds: number;
  /** The chance to finish. */
  finish: number;
  /** The median length, minutes. */
  minutes: number;
}
/** Three points that stand for a normal distribution and have its first five moments (Gauss and Hermite). */
const POINTS: readonly (readonly [z: number, weight: number])[] = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
];
/**
 * The forecast for a child, over everything that is not known of them: the likely range and the median of the score,
 * and the chance to finish.
 */
export function foresee(rehearsing: Rehearsing, stop?: () => boolean): Foreseen {
  const atPoints = POINTS.map(([z, weight]) => {
    const who = whoOff(
      rehearsing.age,
      rehearsing.known,
      Object.fromEntries(AXES.map((ax) => [ax, z])) as Record<Axis, number>,
    );
    return {
      weight,
      ...forecastActivity(rehearsing.activity, [who], setupOf(rehearsing, 1), "middle", { ...(stop && { stop }) }),
    };
  });
  const of = (pick: (t: (typeof atPoints)[number]) => Distribution) => mixed(atPoints.map((t) => [pick(t), t.weight]));
  const points = of((t) => t.sides[0]!.points);
  const most = points.at[points.at.length - 1] ?? 0;
  return {
    ...likelyRange(points),
    middle: Math.min(most, quantile(points, 0.5)),
    finish: atPoints.reduce((sum, t) => sum + t.weight * t.sides[0]!.finish, 0),
    minutes:
      quantile(
        of((t) => t.time),
        0.5,
      ) / 600,
  };
}
