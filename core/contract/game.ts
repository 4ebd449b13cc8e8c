import { own } from "../own.ts";
import { type AnyPattern, type BaseState, type GamePart, type Rules, refuse, type Setup } from "./contract.ts";
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
  const { params, match = pattern.match.initial, family = [] } = part;
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
  return family.length === 0 ? plain : withFamily(plain, family, (p, m, setup) => rules.start(p, m, setup));
}

/** A state in which the family has set something: it goes along to the end, and is kept with the score. */
interface SetState extends BaseState {
  set?: Readonly<Record<string, string | number | boolean>>;
}
/** What the family set, by field. */
export const setIn = (s: BaseState): SetState["set"] => (s as SetState).set;

/** The same game, of which the family may set something, within what it may, until something has happened. */
function withFamily(
  game: Game,
  family: NonNullable<GamePart["family"]>,
  start: (params: unknown, match: Match, setup: Setup) => BaseState,
): Game {
  /** States before anything happened, each with the game as it is set. */
  const fresh = new WeakMap<BaseState, { params: unknown; match: Match }>();
  const first = { params: game.params, match: game.match };
  const fields = Object.fromEntries(family.map(({ field, values }) => [field, values]));
  return {
    ...game,
    start(setup) {
      const s = game.start(setup);
      fresh.set(s, first);
      return s;
    },
    asks: (s) => {
      const asks = game.asks(s);
      const [ask] = asks;
      return fresh.has(s) && ask
        ? [...asks, { kind: "set", player: ask.player, optional: true, fields, now: setIn(s) ?? {} }]
        : asks;
    },
    step(s, e) {
      if (e.kind !== "set") return game.step(s, e);
      const now = fresh.get(s);
      if (!now) return refuse("refused.setFirst");
      const values = own(fields, e.field);
      if (!values?.includes(e.value)) return refuse("refused.notAllowed", { field: e.field });
      const next = withSetting(now, { field: e.field, value: e.value });
      const checked = game.pattern.params.safeParse(next.params);
      if (!checked.success) return refuse("refused.notAllowed", { field: e.field });
      const begun: SetState = { ...start(checked.data, next.match, s.setup), set: { ...setIn(s), [e.field]: e.value } };
      fresh.set(begun, next);
      return begun;
    },
    key: (s) => (setIn(s) ? `${game.key(s)} ${JSON.stringify(setIn(s))}` : game.key(s)),
  };
}

/** Whether a pattern still has the rules of a version. */
export function hasRules(pattern: AnyPattern, version: number): boolean {
  return version === pattern.rulesVersion || pattern.earlier?.[version] !== undefined;
}
