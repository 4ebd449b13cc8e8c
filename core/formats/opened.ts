import type { Knob, Needs, Phrase, Possible } from "../contract/contract.ts";
import { standingKnobs } from "../contract/standing.ts";
import type { Face } from "../kit/face.ts";
import { matchKnobs } from "../match/knobs.ts";
import { type AnyPattern, patternOf } from "../patterns/registry.ts";
import { possibleFromStates } from "../referee/possible.ts";
import type { Activity } from "./activity-shape.ts";
import { type OpenedPlay, openedPlay } from "./opened-play.ts";

/**
 * An opened activity: its pattern, its game, what lies on the floor, and every change that makes another activity of
 * it.
 */
export interface Opened extends OpenedPlay {
  activity: Activity;
  pattern: AnyPattern;
  /** Spots to count out in addition to the pegs. Most games have none. */
  spots: { id: string; along: number; across: number; label: string }[];
  needs: Needs;
  possible: Possible;
  summary: Phrase;
  /** What has to be said for setting up, in addition to its pegs. */
  setUp: Phrase[];
  knobs(): Knob[];
  /** These, and the settings of the targets on the floor that may be left to a family. */
  familyKnobs(): Knob[];
  pegKnobs(id: string): Knob[];
  /** Moves a peg, metres. Returns the same activity if there is no peg with this id. */
  move(id: string, to: { along?: number; across?: number }): Activity;
  add(): Activity | null;
  remove(id: string): Activity | null;
  squeeze(k: number): Activity;
  swap(id: string, face: Face): Activity;
  touchCounts(id: string): Activity;
}

export const withParams = (activity: Activity, params: unknown): Activity =>
  params === activity.pattern.params
    ? activity
    : ({ ...activity, pattern: { ...activity.pattern, params } } as Activity);

/** Documents never change in place, so each is opened once. */
const known = new WeakMap<Activity, Opened>();

export function opened(activity: Activity): Opened {
  const before = known.get(activity);
  if (before) return before;
  const pattern = patternOf(activity.pattern.name);
  const { ground } = pattern;
  const params: unknown = activity.pattern.params;
  const play = openedPlay(activity);
  const knobs = () => [
    ...pattern.knobs(params),
    ...matchKnobs(activity.match, pattern.match.fields, pattern.match.swaps),
  ];
  const as = (next: unknown) => withParams(activity, next);
  const maybe = (next: unknown) => (next === null ? null : as(next));
  const o: Opened = {
    activity: activity,
    pattern,
    get game() {
      return play.game;
    },
    get parts() {
      return play.parts;
    },
    get pegs() {
      return play.pegs;
    },
    get probes() {
      return play.probes;
    },
    get spots() {
      return ground.spots?.(params) ?? [];
    },
    get needs() {
      return pattern.needs(params, activity.match);
    },
    get possible() {
      return pattern.possible?.(params, activity.match) ?? possibleFromStates(pattern, params, activity.match);
    },
    get summary() {
      return pattern.summary(params, activity.match);
    },
    get setUp() {
      return pattern.setUp(params);
    },
    knobs,
    familyKnobs: () => [...knobs(), ...standingKnobs(pattern, params)],
    pegKnobs: (id) => pattern.pegKnobs(params, id),
    move: (id, to) => as(ground.move(params, id, to)),
    add: () => maybe(ground.add(params, activity.space)),
    remove: (id) => maybe(ground.remove(params, id)),
    squeeze: (k) => as(ground.squeeze(params, k)),
    swap: (id, face) => as(ground.swap(params, id, face)),
    touchCounts: (id) => as(ground.touchCounts(params, id)),
  };
  known.set(activity, o);
  return o;
}
