import type { Ask } from "../asks/ask.ts";
import type { GameEvent } from "../events/events.ts";
import { type BaseState, type Between, isRefusal, refuse } from "./contract.ts";
import type { Game } from "./opened-game.ts";

/** A state of a game with an exercise between sends: who owes it, and how many each has sent since the last one. */
interface OwingState extends BaseState {
  owes?: readonly number[];
  since?: Readonly<Record<number, number>>;
}
const owesIn = (s: BaseState): readonly number[] => (s as OwingState).owes ?? [];
const sinceIn = (s: BaseState): Readonly<Record<number, number>> => (s as OwingState).since ?? {};

/** The same game in which whoever has sent so many times does an exercise before anything else of its own. The bell does not wait for it. */
export function withBetween(game: Game, { exercise, dose, every, each }: Between): Game {
  const task = (player: number): Ask => ({
    kind: "task",
    player,
    exercise,
    dose,
    takes: { by: [player], seconds: dose * each, walk: 0, moving: true },
  });
  const owing = (s: BaseState) => (game.ending(s) ? [] : owesIn(s));
  const paid = (s: BaseState, player: number, at: number): OwingState => ({
    ...s,
    // What happens later is later than this, too.
    ...("last" in s && { last: at }),
    owes: owesIn(s).filter((i) => i !== player),
  });
  const who = (s: BaseState, e: GameEvent): number =>
    ("by" in e ? e.by : undefined) ?? owing(s)[0] ?? game.turn(s).player;

  return {
    ...game,
    asks(s) {
      const owes = owing(s);
      if (owes.length === 0) return game.asks(s);
      // Whoever owes nothing goes on only where all play at the same time.
      const others = game
        .asks(s)
        .filter((a) => a.kind === "bell" || (a.kind !== "carry" && !owes.includes(a.player) && atOnce(game, s)));
      return [...owes.map(task), ...others];
    },
    step(s, e) {
      if (e.kind === "leave" || e.kind === "join") {
        const next = game.step(s, e);
        // Whoever leaves owes nothing any more.
        return isRefusal(next) || e.kind === "join" ? next : { ...next, owes: owesIn(s).filter((i) => i !== e.who) };
      }
      const owes = owing(s);
      const player = who(s, e);
      if (owes.includes(player) && e.kind !== "bell") {
        if (e.kind !== "task") return refuse("refused.extraFirst", { exercise });
        if (e.at < ((s as { last?: number }).last ?? 0)) return refuse("refused.earlier");
        return paid(s, player, e.at);
      }
      if (owes.length > 0 && e.kind !== "bell" && !atOnce(game, s)) return refuse("refused.extraFirst", { exercise });
      const next = game.step(s, e);
      if (isRefusal(next) || e.kind !== "send") return next;
      const sent = (sinceIn(s)[player] ?? 0) + 1;
      const due = sent >= every;
      const after: OwingState = {
        ...next,
        since: { ...sinceIn(s), [player]: due ? 0 : sent },
        owes: due ? [...owesIn(s), player] : owesIn(s),
      };
      return after;
    },
    turn(s) {
      const [player] = owing(s);
      const at = game.turn(s);
      return player === undefined ? at : { ...at, player, now: { key: "between.now", params: { exercise, dose } } };
    },
    key: (s) => `${game.key(s)} ${owing(s).join(",")};${Object.values(sinceIn(s)).join(",")}`,
  };
}
/** Whether several play at the same time: then an event may be anybody's. */
const atOnce = (game: Game, s: BaseState) =>
  new Set(
    game
      .asks(s)
      .filter((a) => a.kind !== "bell")
      .map((a) => a.player),
  ).size > 1;
