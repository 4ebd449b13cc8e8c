import { type Ask, nearerBy, type Spot } from "../asks/ask.ts";
import type { GameEvent } from "../events/events.ts";
import { own } from "../own.ts";
import { partsOf } from "../yard/parts.ts";
import { amiss, inMetres, mm } from "../yard/set-out.ts";
import {
  type AnyPattern,
  type AnyPlayPattern,
  type BaseState,
  type GameSettings,
  refuse,
  SET_OUT_FIELD,
  type SetOut,
  type Setup,
} from "./contract.ts";
import type { Match } from "./match.ts";
import type { Game } from "./opened-game.ts";
import type { Setting } from "./setting.ts";
import { withSetting } from "./settings.ts";
import { LINE_FIELD, linesOf, TARGETS_FIELD } from "./standing.ts";

/** A state in which something was set before play. It is kept to the end and stored with the score. */
interface SetState extends BaseState {
  set?: Readonly<Record<string, string | number | boolean>>;
  laid?: readonly Spot[];
  /** How much nearer than the line each player stands, by number, metres. */
  lines?: Readonly<Record<number, number>>;
}
/** What was set before the first send, by field. `laid` if the child set the targets out. */
export const setIn = (state: BaseState): SetState["set"] => (state as SetState).set;
/** Where the child put the targets, metres. Null: where the teacher put them. */
export const laidIn = (state: BaseState): readonly Spot[] | null => (state as SetState).laid ?? null;

/** The targets of a layout as they are set out. Only the game's own; the space does not matter to them. */
const targetsOf = (pattern: AnyPlayPattern, params: unknown) =>
  partsOf(pattern.ground.parts(params, { length: 100, width: 100 }), "target");
/** The seconds to set out one target, for a child of 8: an assumption. */
const LAY = 6;

/**
 * The same game with settings that the family may change, and targets that it may set out, until something has
 * happened.
 */
export function beforePlay(
  game: Game & { pattern: AnyPattern },
  { family, setOut }: { family: NonNullable<GameSettings["family"]>; setOut: SetOut | null },
  start: (params: unknown, match: Match, setup: Setup) => BaseState,
): Game {
  /** States before anything has happened, each with the game as it is set. */
  const fresh = new WeakMap<BaseState, { params: unknown; match: Match; lies: boolean }>();
  const first = { params: game.params, match: game.match, lies: !setOut };
  const fields = Object.fromEntries(
    family.map(({ field, values }) => [
      field,
      field === LINE_FIELD ? linesOf(game.pattern, game.params, values) : values,
    ]),
  );
  const lineValues = own(fields, LINE_FIELD);
  const toLay = (state: BaseState) => {
    const now = fresh.get(state);
    return now && !now.lies ? now : null;
  };

  function layAsk(params: unknown, player: number, field: SetOut): Ask {
    const targets = targetsOf(game.pattern, params);
    return {
      kind: "arrange",
      player,
      field: SET_OUT_FIELD,
      spots: targets.map(({ id, along, across }) => ({ id, along, across })),
      size: Math.max(...targets.map((target) => target.width)),
      things: targets.map(({ item, label, width }) => ({ item, label, size: width })),
      takes: { by: [player], seconds: LAY * targets.length, walk: field.far, moving: true },
    };
  }
  /** The same game with its targets where they were put, or a refusal. */
  function lay(state: BaseState, now: { params: unknown; match: Match }, e: Extract<GameEvent, { kind: "arrange" }>) {
    const { pattern } = game;
    const targets = targetsOf(pattern, now.params);
    const spots = targets.map((target) => e.spots.find((spot) => spot.id === target.id));
    if (spots.some((spot) => !spot) || e.spots.length !== targets.length)
      return refuse("refused.allTargets", { count: targets.length });
    const list = spots.map((spot, i) => ({ ...spot!, size: targets[i]!.width }));
    // The teacher's own places are always allowed.
    const asDrawn = list.every((x, i) => x.along === mm(targets[i]!.along) && x.across === mm(targets[i]!.across));
    const number = (id: string) => targets.findIndex((target) => target.id === id) + 1;
    if (!asDrawn) {
      const wrong = amiss(list, { ...setOut!, across: 0 });
      if (wrong?.kind === "outside") return refuse("refused.targetOutside", { number: number(wrong.id), cm: wrong.cm });
      if (wrong)
        return refuse("refused.targetsTouch", { one: number(wrong.one), other: number(wrong.other), cm: wrong.cm });
      const nearer = setOut!.farther ? list.findIndex((x, i) => i > 0 && x.along <= list[i - 1]!.along) : -1;
      if (nearer > 0) return refuse("refused.targetNearer", { one: nearer + 1, other: nearer });
    }
    const laid = inMetres(list);
    const checked = pattern.params.safeParse(placed(now.params, laid));
    if (!checked.success) return refuse("refused.notAllowed", { field: SET_OUT_FIELD });
    const setting: SetState["set"] = asDrawn ? {} : { laid: laid.map((x) => `${x.along},${x.across}`).join(" ") };
    const set = { ...setIn(state), ...setting };
    const begun: SetState = {
      ...start(checked.data, now.match, state.setup),
      ...(Object.keys(set).length > 0 && { set }),
      ...(!asDrawn && { laid }),
      ...((state as SetState).lines && { lines: (state as SetState).lines! }),
    };
    fresh.set(begun, { params: checked.data, match: now.match, lies: true });
    return begun;
  }

  /**
   * Somebody moves to a line of their own: before play anybody; afterwards the player whose turn it is, or the one
   * named in the event.
   */
  function standAt(state: BaseState, e: Extract<GameEvent, { kind: "set" }>) {
    const now = fresh.get(state);
    const all = Array.from({ length: state.setup.players }, (_, i) => i);
    const who = now && e.by === undefined ? all : [e.by ?? game.turn(state).player];
    if (who.some((i) => i >= state.setup.players)) return refuse("refused.notTheirTurn");
    const lines: Record<number, number> = {
      ...(state as SetState).lines,
      ...Object.fromEntries(who.map((i) => [i, Number(e.value)])),
    };
    const { [LINE_FIELD]: before, ...others } = setIn(state) ?? {};
    // A change in the middle of a go is compared only with the same change.
    const ownLine = !who.includes(0) ? before : !now ? "changed" : lines[0] === 0 ? undefined : lines[0];
    const next: SetState = {
      ...state,
      lines,
      set: { ...others, ...(ownLine !== undefined && { [LINE_FIELD]: ownLine }) },
    };
    if (now) fresh.set(next, now);
    return next;
  }

  /** Applies a setting to the game as it was at first. Everything set so far stays. */
  function put(state: BaseState, e: Extract<GameEvent, { kind: "set" }>, lies: boolean) {
    const set = { ...setIn(state), [e.field]: e.value };
    const settings = Object.entries(set).flatMap(([field, value]): Setting[] =>
      Object.hasOwn(fields, field) && field !== LINE_FIELD ? [{ field, value }] : [],
    );
    const next = settings.reduce(withSetting<{ params: unknown; match: Match }>, {
      params: game.params,
      match: game.match,
    });
    // After a change of the targets, they are set out again.
    const { laid, lines } = state as SetState;
    const stands = laid && e.field !== TARGETS_FIELD ? laid : null;
    const params = stands ? placed(next.params, stands) : next.params;
    const checked = game.pattern.params.safeParse(params);
    if (!checked.success) return refuse("refused.notAllowed", { field: e.field });
    const { laid: told, ...drawn } = set;
    const begun: SetState = {
      ...start(checked.data, next.match, state.setup),
      set: stands || told === undefined ? set : drawn,
      ...(stands && { laid: stands }),
      ...(lines && { lines }),
    };
    fresh.set(begun, { params: checked.data, match: next.match, lies: e.field === TARGETS_FIELD ? !setOut : lies });
    return begun;
  }
  const placed = (params: unknown, laid: readonly Spot[]) =>
    laid.reduce((p, { id, along, across }) => game.pattern.ground.move(p, id, { along, across }), params);

  return {
    ...game,
    start(setup) {
      const state = game.start(setup);
      fresh.set(state, first);
      return state;
    },
    asks(state) {
      const asks = game.asks(state);
      const [ask] = asks;
      if (!ask) return asks;
      const { lines } = state as SetState;
      const from = lines ? asks.map((eachAsk) => nearerBy(eachAsk, lines[eachAsk.player] ?? 0)) : asks;
      const line = lineValues && { [LINE_FIELD]: lines?.[ask.player] ?? 0 };
      const may = (of: typeof fields): Ask => ({
        kind: "set",
        player: ask.player,
        optional: true,
        fields: of,
        now: { ...setIn(state), ...line },
      });
      if (!fresh.has(state)) return line ? [...from, may({ [LINE_FIELD]: lineValues })] : from;
      const lies = toLay(state);
      const now = lies ? [layAsk(lies.params, ask.player, setOut!)] : from;
      return family.length === 0 ? now : [...now, may(fields)];
    },
    company: (state) => (fresh.has(state) ? { leave: [], join: [] } : game.company(state)),
    step(state, event) {
      // Until something has happened, the family can choose again who plays.
      if (fresh.has(state) && (event.kind === "leave" || event.kind === "join")) return refuse("refused.chooseAgain");
      const lies = toLay(state);
      if (lies && event.kind === "arrange") return lay(state, lies, event);
      if (lies && event.kind !== "set") return refuse("refused.layFirst");
      if (event.kind !== "set" || family.length === 0) return game.step(state, event);
      if (game.ending(state)) return refuse("refused.over");
      const values: readonly unknown[] | undefined = own(fields, event.field);
      const now = fresh.get(state);
      if (!now && event.field !== LINE_FIELD) return refuse("refused.setFirst");
      if (!values?.includes(event.value)) return refuse("refused.notAllowed", { field: event.field });
      return event.field === LINE_FIELD || !now ? standAt(state, event) : put(state, event, now.lies);
    },
    turn(state) {
      const at = game.turn(state);
      const lies = toLay(state);
      if (!lies) return at;
      return { ...at, now: { key: "setOut.lay", params: { count: targetsOf(game.pattern, lies.params).length } } };
    },
    key: (state) => {
      const { lines } = state as SetState;
      const suffixes = [setIn(state), lines].flatMap((x) => (x ? [` ${JSON.stringify(x)}`] : []));
      return `${toLay(state) ? "lay " : ""}${game.key(state)}${suffixes.join("")}`;
    },
  };
}
