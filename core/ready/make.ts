import { rates } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { started } from "../formats/begun.ts";
import { opened } from "../formats/opened.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { faceOf } from "../kit/face.ts";
import type { Aimed, StarterSpec } from "./specs.ts";

/** Of the corridor the nearest thing takes the easy end, the farthest the hard one. */
const EASY = 0.77;
const HARD = 0.64;
/** Steps by which pegs are tried, metres, and rounds of it. */
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

/** The parameters with targets of that list in the place where the pattern has its own. */
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

/** What is asked of a probe: sends lie in the corridor; what is done on the spot is left as it is. */
export const tuned = (a: Activity): string[] =>
  opened(a)
    .probes.filter((p) => p.ask.kind === "send" && p.peg !== null)
    .map((p) => p.id);

/** The same activity with its pegs where somebody of that age has the chances of the corridor. */
function inCorridor(a: Activity, age: number, row: boolean): Activity {
  const ids = tuned(a);
  const wanted = ids.map((_, i) =>
    ids.length === 1 || row ? (EASY + HARD) / 2 : EASY - ((EASY - HARD) * i) / (ids.length - 1),
  );
  const cost = (x: Activity) => {
    const all = rates(x, { age });
    return ids.reduce((sum, id, i) => sum + ((all.get(id) ?? 0) - wanted[i]!) ** 2, 0);
  };
  let now = a;
  let is = cost(a);
  for (let round = 0; round < ROUNDS; round++)
    for (const by of STEPS)
      for (const moved of row
        ? [opened(now).pegs]
        : opened(now)
            .pegs.map((p) => [p])
            .reverse())
        for (const sign of [-1, 1]) {
          const to = moved.map((m) => ({
            id: m.id,
            along: Math.round((opened(now).pegs.find((p) => p.id === m.id)!.distance + sign * by) * 100) / 100,
          }));
          if (to.some((m) => m.along < 0.4)) continue;
          const next = to.reduce((x, { id, along }) => opened(x).move(id, { along }), now);
          if (!activity.safeParse(next).success) continue;
          const costs = cost(next);
          if (costs < is - 1e-9) [now, is] = [next, costs];
        }
  return now;
}

/** A starter as a document: for its middle child, or for the youngest. */
export function made(s: StarterSpec, youngest: boolean): Activity {
  const base = fromPattern(s.pattern);
  const first = { ...(base.pattern.params as object), ...s.params, ...(youngest && s.youngest) } as Record<
    string,
    unknown
  >;
  const few = s.targets && (youngest ? s.targets.slice(0, Math.max(2, s.targets.length - 1)) : s.targets);
  const [length, width, floor, indoors] = s.space;
  const [from, to] = youngest ? [Math.max(4, s.ages[0] - 2), s.ages[0]] : s.ages;
  const doc = {
    ...base,
    title: s.title,
    ages: { from, to },
    aim: { ...base.aim, action: s.action, outcome: s.outcome },
    ...started(s.action, Math.round((from + to) / 2)),
    question: s.question,
    kit: { ...base.kit, send: s.send, implement: s.implement ?? null },
    space: { length, width, floor, indoors },
    behind: s.behind ?? "open",
    pattern: { name: s.pattern, params: few ? withTargets(first, few) : first },
    minutes: s.minutes,
    ...(s.together && { players: { least: 2, most: 4, modes: ["turns", "relay"] } }),
    ...s.also,
  };
  return inCorridor(activity.parse(doc), Math.round((from + to) / 2), s.row === true);
}
