import type { Ask } from "../asks/ask.ts";
import type { GameEvent } from "../events/events.ts";
import { type BaseState, type Between, isRefusal, refuse } from "./contract.ts";
import type { Game } from "./opened-game.ts";

/**
 * A state of a game with an exercise between sends: which player has one to do, and how many sends each has made
 * since the last one.
 */
interface OwingState extends BaseState {
  owes?: readonly number[];
  since?: Readonly<Record<number, number>>;
}
const owesIn = (state: BaseState): readonly number[] => (state as OwingState).owes ?? [];
const sinceIn = (state: BaseState): Readonly<Record<number, number>> => (state as OwingState).since ?? {};

/**
 * The same game in which a player who has sent this often does an exercise before any further event of their own. The
 * bell does not wait for it.
 */
export function withBetween(game: Game, { exercise, dose, every, each }: Between): Game {
  const task = (player: number): Ask => ({
    kind: "task",
    player,
    exercise,
    dose,
    takes: { by: [player], seconds: dose * each, walk: 0, moving: true },
  });
  const owing = (state: BaseState) => (game.ending(state) ? [] : owesIn(state));
  const paid = (state: BaseState, player: number, at: number): OwingState => ({
    ...state,
    // Later events are later than this one.
    ...("last" in state && { last: at }),
    owes: owesIn(state).filter((i) => i !== player),
  });
  const who = (state: BaseState, event: GameEvent): number =>
    ("by" in event ? event.by : undefined) ?? owing(state)[0] ?? game.turn(state).player;

  return {
    ...game,
    asks(state) {
      const owes = owing(state);
      if (owes.length === 0) return game.asks(state);
      // Players without an exercise to do continue only if all play at the same time.
      const others = game
        .asks(state)
        .filter(
          (ask) => ask.kind === "bell" || (ask.kind !== "carry" && !owes.includes(ask.player) && atOnce(game, state)),
        );
      return [...owes.map(task), ...others];
    },
    step(state, event) {
      if (event.kind === "leave" || event.kind === "join") {
        const next = game.step(state, event);
        // A player who leaves has no exercise to do any more.
        return isRefusal(next) || event.kind === "join"
          ? next
          : { ...next, owes: owesIn(state).filter((i) => i !== event.who) };
      }
      const owes = owing(state);
      const player = who(state, event);
      if (owes.includes(player) && event.kind !== "bell") {
        if (event.kind !== "task") return refuse("refused.extraFirst", { exercise });
        if (event.at < ((state as { last?: number }).last ?? 0)) return refuse("refused.earlier");
        return paid(state, player, event.at);
      }
      if (owes.length > 0 && event.kind !== "bell" && !atOnce(game, state))
        return refuse("refused.extraFirst", { exercise });
      const next = game.step(state, event);
      if (isRefusal(next) || event.kind !== "send") return next;
      const sent = (sinceIn(state)[player] ?? 0) + 1;
      const due = sent >= every;
      const after: OwingState = {
        ...next,
        since: { ...sinceIn(state), [player]: due ? 0 : sent },
        owes: due ? [...owesIn(state), player] : owesIn(state),
      };
      return after;
    },
    turn(state) {
      const [player] = owing(state);
      const at = game.turn(state);
      return player === undefined ? at : { ...at, player, now: { key: "between.now", params: { exercise, dose } } };
    },
    key: (state) => `${game.key(state)} ${owing(state).join(",")};${Object.values(sinceIn(state)).join(",")}`,
  };
}
/** True if several players play at the same time, so that an event may come from any of them. */
const atOnce = (game: Game, state: BaseState) =>
  new Set(
    game
      .asks(state)
      .filter((ask) => ask.kind !== "bell")
      .map((ask) => ask.player),
  ).size > 1;
