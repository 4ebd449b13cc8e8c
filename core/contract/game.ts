import type { Ask, Spot } from "../asks/ask.ts";
import type { GameEvent } from "../events/events.ts";
import { own } from "../own.ts";
import { partsOf } from "../yard/parts.ts";
import { amiss, inMetres, mm } from "../yard/set-out.ts";
import {
  type AnyPattern,
  type BaseState,
  type GamePart,
  type Rules,
  refuse,
  SET_OUT_FIELD,
  type SetOut,
  type Setup,
} from "./contract.ts";
import type { Match } from "./match.ts";
import { withSetting } from "./settings.ts";

/** A game opened: a pattern with its parameters and its match, under the rules of one version. What referee, forecast and screens run. */
export interface Game extends Omit<Rules<unknown, BaseState>, "start" | "clock" | "sidesMeet"> {
  name: string;
  params: unknown;
  match: Match;
  pattern: AnyPattern;
  start(setup: Setup): BaseState;
  clock(setup: Setup): "none" | "bell" | "state";
  sidesMeet(setup: Setup): boolean;
}

/** Opens a game of a pattern. `version`: the rules that a play began with; those of now unless given. RangeError names a version that is not there. */
export function openGame(pattern: AnyPattern, part: Omit<GamePart, "name">, version?: number): Game {
  const { params, match = pattern.match.initial, family = [], setOut = null } = part;
  const current = version === undefined || version === pattern.rulesVersion;
  const rules = current ? pattern.rules : pattern.earlier?.[version];
  if (!rules) throw new RangeError(`rulesVersion: ${pattern.name} has no rules of version ${version}`);
  const plain: Game = {
    ...rules,
    name: pattern.name,
    params,
    match,
    pattern,
    start: (setup) => rules.start(params, match, setup),
    clock: (setup) => rules.clock(params, match, setup),
    sidesMeet: (setup) => rules.sidesMeet(params, match, setup),
  };
  const first = (p: unknown, m: Match, setup: Setup) => rules.start(p, m, setup);
  return family.length === 0 && !setOut ? plain : beforePlay(plain, { family, setOut }, first);
}

/** A state in which something was decided before play: it goes along to the end, and is kept with the score. */
interface SetState extends BaseState {
  set?: Readonly<Record<string, string | number | boolean>>;
  laid?: readonly Spot[];
}
/** What was set before the first send, by field; where the child stood the targets as `laid`. */
export const setIn = (s: BaseState): SetState["set"] => (s as SetState).set;
/** Where the child stood the targets, metres; null: where the teacher did. */
export const laidIn = (s: BaseState): readonly Spot[] | null => (s as SetState).laid ?? null;

/** The targets of a layout, as they are set out. Only their own game's: nothing about the space matters to them. */
const targetsOf = (pattern: AnyPattern, params: unknown) =>
  partsOf(pattern.ground.parts(params, { length: 100, width: 100 }), "target");
/** Setting one target out, seconds of a child of 8: an assumption. */
const LAY = 6;

/** The same game, of which the family may set something, and set targets out, within what it may, until something has happened. */
function beforePlay(
  game: Game,
  { family, setOut }: { family: NonNullable<GamePart["family"]>; setOut: SetOut | null },
  start: (params: unknown, match: Match, setup: Setup) => BaseState,
): Game {
  /** States before anything happened, each with the game as it is set. */
  const fresh = new WeakMap<BaseState, { params: unknown; match: Match; lies: boolean }>();
  const first = { params: game.params, match: game.match, lies: !setOut };
  const fields = Object.fromEntries(family.map(({ field, values }) => [field, values]));
  const toLay = (s: BaseState) => {
    const now = fresh.get(s);
    return now && !now.lies ? now : null;
  };

  function layAsk(params: unknown, player: number, field: SetOut): Ask {
    const targets = targetsOf(game.pattern, params);
    return {
      kind: "arrange",
      player,
      field: SET_OUT_FIELD,
      spots: targets.map(({ id, along, across }) => ({ id, along, across })),
      size: Math.max(...targets.map((t) => t.width)),
      things: targets.map(({ item, label, width }) => ({ item, label, size: width })),
      takes: { by: [player], seconds: LAY * targets.length, walk: field.far, moving: true },
    };
  }
  /** The same game with its targets where they were put, or a refusal. */
  function lay(s: BaseState, now: { params: unknown; match: Match }, e: Extract<GameEvent, { kind: "arrange" }>) {
    const { pattern } = game;
    const targets = targetsOf(pattern, now.params);
    const spots = targets.map((t) => e.spots.find((x) => x.id === t.id));
    if (spots.some((x) => !x) || e.spots.length !== targets.length)
      return refuse("refused.allTargets", { count: targets.length });
    const list = spots.map((x, i) => ({ ...x!, size: targets[i]!.width }));
    // As the teacher drew them they may always stand.
    const asDrawn = list.every((x, i) => x.along === mm(targets[i]!.along) && x.across === mm(targets[i]!.across));
    const number = (id: string) => targets.findIndex((t) => t.id === id) + 1;
    if (!asDrawn) {
      const wrong = amiss(list, { ...setOut!, across: 0 });
      if (wrong?.kind === "outside") return refuse("refused.targetOutside", { number: number(wrong.id), cm: wrong.cm });
      if (wrong)
        return refuse("refused.targetsTouch", { one: number(wrong.one), other: number(wrong.other), cm: wrong.cm });
      const nearer = setOut!.farther ? list.findIndex((x, i) => i > 0 && x.along <= list[i - 1]!.along) : -1;
      if (nearer > 0) return refuse("refused.targetNearer", { one: nearer + 1, other: nearer });
    }
    const laid = inMetres(list);
    const moved = laid.reduce((p, { id, along, across }) => pattern.ground.move(p, id, { along, across }), now.params);
    const checked = pattern.params.safeParse(moved);
    if (!checked.success) return refuse("refused.notAllowed", { field: SET_OUT_FIELD });
    const told: SetState["set"] = asDrawn ? {} : { laid: laid.map((x) => `${x.along},${x.across}`).join(" ") };
    const set = { ...setIn(s), ...told };
    const begun: SetState = {
      ...start(checked.data, now.match, s.setup),
      ...(Object.keys(set).length > 0 && { set }),
      ...(!asDrawn && { laid }),
    };
    fresh.set(begun, { params: checked.data, match: now.match, lies: true });
    return begun;
  }

  return {
    ...game,
    start(setup) {
      const s = game.start(setup);
      fresh.set(s, first);
      return s;
    },
    asks(s) {
      const asks = game.asks(s);
      const [ask] = asks;
      if (!ask || !fresh.has(s)) return asks;
      const lies = toLay(s);
      const now = lies ? [layAsk(lies.params, ask.player, setOut!)] : asks;
      return family.length === 0
        ? now
        : [...now, { kind: "set", player: ask.player, optional: true, fields, now: setIn(s) ?? {} }];
    },
    step(s, e) {
      const lies = toLay(s);
      if (lies && e.kind === "arrange") return lay(s, lies, e);
      if (lies && e.kind !== "set") return refuse("refused.layFirst");
      if (e.kind !== "set" || family.length === 0) return game.step(s, e);
      const now = fresh.get(s);
      if (!now) return refuse("refused.setFirst");
      const values = own(fields, e.field);
      if (!values?.includes(e.value)) return refuse("refused.notAllowed", { field: e.field });
      const next = withSetting(now, { field: e.field, value: e.value });
      const checked = game.pattern.params.safeParse(next.params);
      if (!checked.success) return refuse("refused.notAllowed", { field: e.field });
      const begun: SetState = {
        ...start(checked.data, next.match, s.setup),
        set: { ...setIn(s), [e.field]: e.value },
        ...(laidIn(s) && { laid: laidIn(s)! }),
      };
      fresh.set(begun, { ...next, lies: now.lies });
      return begun;
    },
    turn(s) {
      const at = game.turn(s);
      const lies = toLay(s);
      if (!lies) return at;
      return { ...at, now: { key: "setOut.lay", params: { count: targetsOf(game.pattern, lies.params).length } } };
    },
    key: (s) => `${toLay(s) ? "lay " : ""}${game.key(s)}${setIn(s) ? ` ${JSON.stringify(setIn(s))}` : ""}`,
  };
}

/** Whether a pattern still has the rules of a version. */
export function hasRules(pattern: AnyPattern, version: number): boolean {
  return version === pattern.rulesVersion || pattern.earlier?.[version] !== undefined;
}
