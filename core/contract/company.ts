import { type BaseState, MAX_PLAYERS, type Rules, refuse } from "./contract.ts";
import type { Company, Game } from "./opened-game.ts";

const set = (s: BaseState) => (s as { set?: Readonly<Record<string, unknown>> }).set;
/** A shared score that not all made together from beginning to end compares with nothing else: what is told of it. */
const COMPANY_FIELD = "company";

/** The sides of a game, by number, with those who play on them. */
const sidesOf = (game: Pick<Game, "score">, s: BaseState) => game.score(s).map((x) => x.players);
/** The state with one more in its setup, who has nothing beside its turns. */
function seated(s: BaseState): BaseState {
  const { people } = s.setup;
  const setup = {
    ...s.setup,
    players: s.setup.players + 1,
    ...(people && { people: [...people, { role: "plays" as const }] }),
  };
  return { ...s, setup };
}
const joined = (rules: Rules<unknown, BaseState>, s: BaseState, side: number | null) =>
  s.setup.mode === "alone" || s.setup.players >= MAX_PLAYERS ? null : rules.join(seated(s), s.setup.players, side);

/** Whoever may leave or join now. The child itself does not leave: its go is stopped instead. */
export function companyOf(
  rules: Rules<unknown, BaseState>,
  game: Pick<Game, "score" | "ending">,
  s: BaseState,
): Company {
  if (s.setup.mode === "alone" || game.ending(s)) return { leave: [], join: [] };
  const sides = sidesOf(game, s);
  const leave = sides.flatMap((x, i) => (s.out?.includes(i) ? [] : x)).filter((who) => who !== 0);
  const places = [...sides.map((_, i) => i), null];
  return { leave: [...new Set(leave)].sort(), join: places.filter((side) => joined(rules, s, side) !== null) };
}

/** The same game, in which somebody may leave at any time, and join between goes. */
export function withCompany(game: Omit<Game, "company">, rules: Rules<unknown, BaseState>): Game {
  const told = (s: BaseState): BaseState =>
    s.setup.mode === "relay" ? ({ ...s, set: { ...set(s), [COMPANY_FIELD]: "changed" } } as BaseState) : s;
  const late = (s: BaseState, at: number) => at < ((s as { last?: number }).last ?? 0);
  const seen = (s: BaseState, at: number): BaseState => ({ ...s, ...("last" in s && { last: at }) });
  return {
    ...game,
    company: (s) => companyOf(rules, game, s),
    step(s, e) {
      if (e.kind !== "leave" && e.kind !== "join") return game.step(s, e);
      if (game.ending(s)) return refuse("refused.over");
      if (late(s, e.at)) return refuse("refused.earlier");
      const may = companyOf(rules, game, s);
      if (e.kind === "join") {
        if (!may.join.includes(e.side)) return refuse("refused.joinLater");
        return told(seen(joined(rules, s, e.side)!, e.at));
      }
      if (e.who === 0) return refuse("refused.childLeaves");
      if (!may.leave.includes(e.who)) return refuse("refused.notPlaying");
      return told(seen(rules.leave(seen(s, e.at), e.who), e.at));
    },
  };
}
