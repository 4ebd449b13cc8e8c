import { type AnyPlayPattern, type Peg, type Probe, RAMP_PART, SET_OUT_FIELD } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { matchSettingsOf } from "../contract/match-settings.ts";
import type { Game } from "../contract/opened-game.ts";
import { loadedPattern } from "../patterns/loaded.ts";
import { offWall, WALL_GAP } from "../yard/off-wall.ts";
import type { Part } from "../yard/parts.ts";
import type { Activity } from "./activity-shape.ts";

/** The part of an activity that is played: its game, and what lies on the floor. */
export interface OpenedPlay {
  pattern: AnyPlayPattern;
  game: Game;
  /** What the game itself lays out. */
  parts: Part[];
  pegs: Peg[];
  probes: Probe[];
}

/** The area in which the child sets the targets out. */
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

/**
 * How a board is propped, as assumptions: the angle, radians; its width; and how far it reaches behind the line at
 * most, metres.
 */
const PROPPED = (25 * Math.PI) / 180;
const BOARD = { width: 0.3, most: 0.55 } as const;
/** The propped board behind the line, with its foot on the line. */
const rampOf = ({ ramp }: Activity): Part[] => {
  if (!ramp) return [];
  const depth = Math.min(BOARD.most, ramp.height / Math.tan(PROPPED));
  return [{ kind: "court", id: RAMP_PART, along: -depth / 2, across: 0, depth, width: BOARD.width, label: "" }];
};

/** Documents never change in place, so each is opened once. */
const known = new WeakMap<Activity, OpenedPlay>();

/**
 * Opens the part of an activity that is played, without what only a teacher needs. Throws RangeError if its pattern
 * is not loaded.
 */
export function openedPlay(activity: Activity): OpenedPlay {
  const before = known.get(activity);
  if (before) return before;
  const pattern = loadedPattern(activity.pattern.name);
  const { ground } = pattern;
  const params: unknown = activity.pattern.params;
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
  const play: OpenedPlay = {
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
  };
  known.set(activity, play);
  return play;
}

/** Computes a value when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { is: T } | null = null;
  return () => {
    made ??= { is: make() };
    return made.is;
  };
}
