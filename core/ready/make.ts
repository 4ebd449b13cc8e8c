import type { Setup } from "../contract/contract.ts";
import { quantile } from "../forecast/distribution.ts";
import { forecastActivity, rates } from "../forecast/for-activity.ts";
import { warningsOf } from "../forecast/warnings.ts";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { started } from "../formats/begun.ts";
import { opened } from "../formats/opened.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { faceOf } from "../kit/face.ts";
import { planFor, wholeMinutes } from "../plan/plan.ts";
import type { Aimed, StarterSpec } from "./specs.ts";

/** The nearest target gets the easy end of the corridor, the farthest the hard end. */
const EASY = 0.77;
const HARD = 0.64;
/** The steps by which pegs are moved in the search, metres, and the number of rounds. */
const STEPS = [0.4, 0.2, 0.1, 0.05, 0.02];
const ROUNDS = 6;

const targetsOf = (list: readonly Aimed[], points: boolean) =>
  list.map(({ item, across, counts = ["touch"], points: worth }, i) => {
    const { mass, contents, ...face } = faceOf(catalogueItem(item)!);
    return {
      ...face,
      id: `t${i + 1}`,
      distance: 1 + 0.4 * i,
      across,
      counts: [...counts],
      ...(points && { points: worth ?? 1 }),
    };
  });

/** The parameters with these targets in place of the pattern's own. */
function withTargets(params: Record<string, unknown>, list: readonly Aimed[]): object {
  for (const [key, part] of Object.entries(params)) {
    if (key === "targets") return { ...params, targets: targetsOf(list, true) };
    const inner = part as { kind?: string; targets?: { points?: number }[] };
    if (inner && typeof inner === "object" && Array.isArray(inner.targets)) {
      const points = inner.targets[0]?.points !== undefined;
      return { ...params, [key]: { ...inner, targets: targetsOf(list, points) } };
    }
  }
  return params;
}

/** The probes that are tuned: sends should lie in the corridor; tasks on the spot are left as they are. */
export const tuned = (givenActivity: Activity): string[] =>
  opened(givenActivity)
    .probes.filter((probe) => probe.ask.kind === "send" && probe.peg !== null)
    .map((probe) => probe.id);

/** The least hit rate of the youngest child of an activity. A child who never hits learns nothing. */
export const MIN_FOR_YOUNGEST = 0.25;
/**
 * The rate that is aimed for, a little above it, and how much more a point below it costs than one outside the
 * corridor.
 */
const SAFE = 0.27;
const DEAR = 40;

/**
 * The same activity with its pegs where a person of that age has the chances of the corridor, and the youngest child
 * has some chance.
 */
function inCorridor(givenActivity: Activity, age: number, row: boolean): Activity {
  const ids = tuned(givenActivity);
  const wanted = ids.map((_, i) =>
    ids.length === 1 || row ? (EASY + HARD) / 2 : EASY - ((EASY - HARD) * i) / (ids.length - 1),
  );
  const cost = (design: Activity) => {
    const all = rates(design, { age });
    const youngest = rates(design, { age: givenActivity.ages.from });
    return ids.reduce(
      (sum, id, i) =>
        sum + ((all.get(id) ?? 0) - wanted[i]!) ** 2 + DEAR * Math.max(0, SAFE - (youngest.get(id) ?? 0)) ** 2,
      0,
    );
  };
  let now = givenActivity;
  let is = cost(givenActivity);
  for (let round = 0; round < ROUNDS; round++)
    for (const by of STEPS)
      for (const moved of row
        ? [opened(now).pegs]
        : opened(now)
            .pegs.map((peg) => [peg])
            .reverse())
        for (const sign of [-1, 1]) {
          const to = moved.map((peg) => ({
            id: peg.id,
            along:
              Math.round((opened(now).pegs.find((eachPeg) => eachPeg.id === peg.id)!.distance + sign * by) * 100) / 100,
          }));
          if (to.some((m) => m.along < 0.4)) continue;
          const next = to.reduce((eachActivity, { id, along }) => opened(eachActivity).move(id, { along }), now);
          if (!activity.safeParse(next).success) continue;
          const costs = cost(next);
          if (costs < is - 1e-9) [now, is] = [next, costs];
        }
  return now;
}

/** A starter as a document: for its typical child, or for the youngest. */
export function made(starterSpec: StarterSpec, youngest: boolean): Activity {
  const base = fromPattern(starterSpec.pattern);
  const first = {
    ...(base.pattern.params as object),
    ...starterSpec.params,
    ...(youngest && starterSpec.youngest),
  } as Record<string, unknown>;
  const few =
    starterSpec.targets &&
    (youngest ? starterSpec.targets.slice(0, Math.max(2, starterSpec.targets.length - 1)) : starterSpec.targets);
  const [length, width, floor, indoors] = starterSpec.space;
  const [from, to] = youngest ? [Math.max(4, starterSpec.ages[0] - 2), starterSpec.ages[0]] : starterSpec.ages;
  const doc = {
    ...base,
    title: starterSpec.title,
    ages: { from, to },
    aim: { ...base.aim, action: starterSpec.action, outcome: starterSpec.outcome },
    ...started(starterSpec.action, Math.round((from + to) / 2)),
    question: starterSpec.question,
    kit: { ...base.kit, send: starterSpec.send, implement: starterSpec.implement ?? null },
    space: { length, width, floor, indoors },
    behind: starterSpec.behind ?? "open",
    pattern: { name: starterSpec.pattern, params: few ? withTargets(first, few) : first },
    minutes: starterSpec.minutes,
    ...(starterSpec.together && { players: { least: 2, most: 4, modes: ["turns", "relay"] } }),
    ...starterSpec.also,
  };
  return inTime(
    unwarned(inCorridor(activity.parse(doc), Math.round((from + to) / 2), starterSpec.row === true)),
    starterSpec.minutes,
  );
}

/** The longest time that may be planned, minutes. */
const MAX_MINUTES = 60;
/** The most changes made one after the other. */
const MAX_MENDED = 3;
/** The same activity without anything that would cause a warning, except about its minutes, which are planned later. */
function unwarned(given: Activity): Activity {
  const { from, to } = given.ages;
  const people = [{ age: from }, { age: Math.round((from + to) / 2) }, { age: to }] as const;
  let design: Activity = { ...given, minutes: MAX_MINUTES };
  for (let k = 0; k < MAX_MENDED; k++) {
    const warnings = warningsOf(design, people);
    const fix = warnings.find((warning) => warning.fix)?.fix;
    if (fix) design = fix.activity;
    // A game in which nobody wins is not played against each other.
    else if (warnings.some((warning) => warning.kind === "level" || warning.kind === "luck"))
      design = {
        ...design,
        players: { ...design.players, modes: design.players.modes.filter((mode) => mode !== "against") },
      };
    else break;
  }
  return { ...design, minutes: given.minutes };
}

/** The median length of a typical child's go, minutes. */
export function medianGo(givenActivity: Activity): number {
  const age = Math.round((givenActivity.ages.from + givenActivity.ages.to) / 2);
  return quantile(forecastActivity(givenActivity, [{ age }], ALONE, "middle").time, 0.5) / 600;
}
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };

/**
 * The same activity with a warm-up, as many goes as fit into about this many minutes, and a cool-down. Its minutes
 * are the total.
 */
function inTime(givenActivity: Activity, about: number): Activity {
  const age = Math.round((givenActivity.ages.from + givenActivity.ages.to) / 2);
  const minutes = medianGo(givenActivity);
  const { warmUp, coolDown, rounds } = planFor(age, about, { minutes, moving: 1 });
  const planned = { ...givenActivity, warmUp, coolDown, rounds };
  return { ...planned, minutes: Math.ceil(wholeMinutes(planned, age, minutes, [])) };
}
