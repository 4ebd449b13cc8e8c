import { USUAL_MATCH } from "../contract/match.ts";
import { exerciseOf } from "../exercises/library.ts";
import type { Activity } from "../formats/activity.ts";
import { patternOf } from "../patterns/registry.ts";
import { tally } from "../patterns/tally/index.ts";

/** A round of an exercise, and the rest after it, seconds. */
const ROUND = 45;
const REST = 20;
/** Cues shown of each exercise. */
const CUES = 2;
const capital = (t: string) => t.slice(0, 1).toUpperCase() + t.slice(1);
/** The field by which a go without things is told apart: it compares with others like it, never with the game itself. */
export const BARE_FIELD = "bare";
/** And the one of a go that is counted in another unit than a go alone. */
export const UNIT_FIELD = "unit";

/**
 * The version of an activity that takes nothing but the body: how many of the exercises that stand for its pattern in so many seconds each. Its
 * moods and who may play stay; distances, things, the question about the throw and what the family might have set do not.
 */
export function bareOf(a: Activity): Activity {
  const { bare } = patternOf(a.pattern.name);
  const exercises = bare.flatMap((id) => exerciseOf(id) ?? []);
  const rounds = exercises.map((e) => ({
    task: "exercise" as const,
    seconds: ROUND,
    rest: REST,
    hand: "usual" as const,
    moving: false,
    bounce: false,
    exercise: e.name,
    each: e.each,
  }));
  const cues = exercises.flatMap((e) =>
    e.cues
      .slice(0, CUES)
      .map((text, i) => ({ id: `${e.id}${i + 1}`, text: `${capital(e.name)}: ${text.toLowerCase()}` })),
  );
  const { ramp: _, off: __, wall: ___, ...rest } = a;
  return {
    ...rest,
    aim: { ...a.aim, action: "balance", also: [] },
    pattern: { name: "tally", params: { ...tally.example.params, rounds, keep: "sum" } },
    cues,
    criteria: [],
    watch: [],
    match: { ...USUAL_MATCH, swap: "go" },
    kit: { ...a.kit, implement: null, others: [], roles: [] },
    behind: "open",
    family: [],
    setOut: null,
    between: null,
    layout: null,
    // Asked of the throw that is not made.
    question: "",
    answers: null,
    players: { ...a.players, modes: a.players.modes.filter((m) => tally.modes.includes(m)) },
  };
}
