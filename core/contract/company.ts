import { type BaseState, MAX_PLAYERS, type Rules, refuse } from "./contract.ts";
import type { Company, Game } from "./opened-game.ts";

const set = (state: BaseState) => (state as { set?: Readonly<Record<string, unknown>> }).set;
/**
 * The field that marks a shared score to which not everybody contributed from beginning to end. It is compared with
 * nothing else.
 */
const COMPANY_FIELD = "company";

/** The sides of a game, by number, with their players. */
const sidesOf = (game: Pick<Game, "score">, state: BaseState) => game.score(state).map((score) => score.players);
/** The state with one more player in its setup, who has only turns so far. */
function seated(state: BaseState): BaseState {
  const { people } = state.setup;
  const setup = {
    ...state.setup,
    players: state.setup.players + 1,
    ...(people && { people: [...people, { role: "plays" as const }] }),
  };
  return { ...state, setup };
}
const joined = (rules: Rules<unknown, BaseState>, state: BaseState, side: number | null) =>
  state.setup.mode === "alone" || state.setup.players >= MAX_PLAYERS
    ? null
    : rules.join(seated(state), state.setup.players, side);

/** Who may leave or join now. The child whose card it is does not leave; the go is stopped instead. */
export function companyOf(
  rules: Rules<unknown, BaseState>,
  game: Pick<Game, "score" | "ending">,
  state: BaseState,
): Company {
  if (state.setup.mode === "alone" || game.ending(state)) return { leave: [], join: [] };
  const sides = sidesOf(game, state);
  const leave = sides.flatMap((side, i) => (state.out?.includes(i) ? [] : side)).filter((who) => who !== 0);
  const places = [...sides.map((_, i) => i), null];
  return { leave: [...new Set(leave)].sort(), join: places.filter((side) => joined(rules, state, side) !== null) };
}

/** The same game, in which a player may leave at any time, and join between goes. */
export function withCompany(game: Omit<Game, "company">, rules: Rules<unknown, BaseState>): Game {
  const marked = (state: BaseState): BaseState =>
    state.setup.mode === "relay"
      ? ({ ...state, set: { ...set(state), [COMPANY_FIELD]: "changed" } } as BaseState)
      : state;
  const late = (state: BaseState, at: number) => at < ((state as { last?: number }).last ?? 0);
  const seen = (state: BaseState, at: number): BaseState => ({ ...state, ...("last" in state && { last: at }) });
  return {
    ...game,
    company: (state) => companyOf(rules, game, state),
    step(state, event) {
      if (event.kind !== "leave" && event.kind !== "join") return game.step(state, event);
      if (game.ending(state)) return refuse("refused.over");
      if (late(state, event.at)) return refuse("refused.earlier");
      const may = companyOf(rules, game, state);
      if (event.kind === "join") {
        if (!may.join.includes(event.side)) return refuse("refused.joinLater");
        return marked(seen(joined(rules, state, event.side)!, event.at));
      }
      if (event.who === 0) return refuse("refused.childLeaves");
      if (!may.leave.includes(event.who)) return refuse("refused.notPlaying");
      return marked(seen(rules.leave(seen(state, event.at), event.who), event.at));
    },
  };
}
