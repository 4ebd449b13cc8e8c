import {
  type Knob,
  type Needs,
  type Peg,
  type Phrase,
  type Possible,
  type Probe,
  RAMP_PART,
  SET_OUT_FIELD,
} from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { matchSettingsOf } from "../contract/match-settings.ts";
import type { Game } from "../contract/opened-game.ts";
import { standingKnobs } from "../contract/standing.ts";
import type { Face } from "../kit/face.ts";
import { matchKnobs } from "../match/knobs.ts";
import { type AnyPattern, patternOf } from "../patterns/registry.ts";
import { possibleFromStates } from "../referee/possible.ts";
import { offWall, WALL_GAP } from "../yard/off-wall.ts";
import type { Part } from "../yard/parts.ts";
import type { Activity } from "./activity-shape.ts";

/** An activity opened: its pattern, its game, what lies on the floor, and every change of it that gives another activity. */
export interface Opened {
  activity: Activity;
  pattern: AnyPattern;
  game: Game;
  /** What the game itself lays out. */
  parts: Part[];
  pegs: Peg[];
  probes: Probe[];
  /** Spots to count out beside the pegs; none in most games. */
  spots: { id: string; along: number; across: number; label: string }[];
  needs: Needs;
  possible: Possible;
  summary: Phrase;
  /** What setting up needs said beside its pegs. */
  setUp: Phrase[];
  knobs(): Knob[];
  /** These, and what of the things on the floor may be left to a family. */
  familyKnobs(): Knob[];
  pegKnobs(id: string): Knob[];
  /** A peg elsewhere, metres; the same activity where nothing of that name stands so. */
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

/** The field in which the child sets targets out. */
const fieldOf = ({ setOut: field }: Activity): Part[] =>
  field
    ? [
        {
          kind: "court",
          id: SET_OUT_FIELD,
          along: (field.near + field.far) / 2,
          across: 0,
          depth: field.far - field.near,
          width: field.width,
          label: "",
        },
      ]
    : [];

/** A board is propped about so steeply, radians, is so wide, and reaches no farther behind the line than this, metres: assumptions. */
const PROPPED = (25 * Math.PI) / 180;
const BOARD = { width: 0.3, most: 0.55 } as const;
/** The propped board behind the line, its foot on it. */
const rampOf = ({ ramp }: Activity): Part[] => {
  if (!ramp) return [];
  const depth = Math.min(BOARD.most, ramp.height / Math.tan(PROPPED));
  return [{ kind: "court", id: RAMP_PART, along: -depth / 2, across: 0, depth, width: BOARD.width, label: "" }];
};

/** Documents are never changed in place, so each is opened once. */
const known = new WeakMap<Activity, Opened>();

export function opened(activity: Activity): Opened {
  const before = known.get(activity);
  if (before) return before;
  const pattern = patternOf(activity.pattern.name);
  const { ground } = pattern;
  const params: unknown = activity.pattern.params;
  /** Worked out when it is first asked for. */
  const once = <T>(make: () => T) => {
    let made: { is: T } | null = null;
    return () => {
      made ??= { is: make() };
      return made.is;
    };
  };
  const knobs = () => [
    ...pattern.knobs(params),
    ...matchKnobs(activity.match, pattern.match.fields, pattern.match.swaps),
  ];
  const game = once(() => openGame(pattern, { params, ...matchSettingsOf(activity) }));
  const parts = once(() => {
    const own = ground.parts(params, activity.space);
    return [
      ...fieldOf(activity),
      ...rampOf(activity),
      ...own,
      ...(activity.off === "wall" ? [offWall(own, activity.wall ?? WALL_GAP)] : []),
    ];
  });
  const pegs = once(() => ground.pegs(params));
  const probes = once(() => ground.probes(params));
  const as = (next: unknown) => withParams(activity, next);
  const maybe = (next: unknown) => (next === null ? null : as(next));
  const o: Opened = {
    activity: activity,
    pattern,
    get game() {
      return game();
    },
    get parts() {
      return parts();
    },
    get pegs() {
      return pegs();
    },
    get probes() {
      return probes();
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
