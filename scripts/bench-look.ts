import { agePrior, PRIOR_SD } from "../core/aim/priors.ts";
import { forecastActivity } from "../core/forecast/for-activity.ts";
import { Graph } from "../core/forecast/forecast.ts";
import { rareScore } from "../core/forecast/rare.ts";
import { fromPattern, gameSettingsOf } from "../core/formats/activity.ts";
import { patternNames } from "../core/patterns/registry.ts";
import { normalDraw, random } from "../core/random.ts";
import { hurried } from "../core/referee/hurried.ts";
import { replay } from "../core/referee/referee.ts";
import { behaviorProfile, playGo } from "../core/simulated-player/child.ts";

/**
 * How often an honest go is marked as worth a look: for children drawn from everything that is assumed about their
 * age, each property independently, and for children who miss by another model than the forecast's, on the example of
 * every pattern. Prints JSON, in thousandths of all goes.
 */
const CHILDREN = 240;
const GOES = 10;
const OTHERS = 300;
const AGES = [6, 8, 11];
const ALONE = { players: 1, mode: "alone", seed: 1 } as const;

let [drawn, rare, others, othersRare, quick] = [0, 0, 0, 0, 0];
for (const name of patternNames) {
  const activity = fromPattern(name);
  for (const age of AGES) {
    const from = rareScore(activity, age);
    const less = patternBetter(activity) === "less";
    const marks = (value: number) => from !== null && (less ? value <= from : value >= from);
    const draw = random(age);
    const graph = new Graph();
    for (let i = 0; i < CHILDREN; i++) {
      const who = {
        age,
        multiplier: agePrior(age).multiplier * Math.exp(PRIOR_SD.multiplier * normalDraw(draw)),
        skill: PRIOR_SD.skill * normalDraw(draw),
        pace: Math.exp(PRIOR_SD.pace * normalDraw(draw)),
      };
      const told = forecastActivity(activity, [who], { ...ALONE, seed: i + 1 }, "middle", {
        method: "sampled",
        samples: GOES,
        graph,
      });
      const { at, p } = told.sides[0]!.points;
      drawn += GOES;
      rare += GOES * at.reduce((sum, v, k) => sum + (marks(v) ? p[k]! : 0), 0);
    }
    for (let i = 0; i < OTHERS; i++) {
      const events = playGo(activity, {
        ages: [age],
        tempers: [behaviorProfile(1000 * age + i)],
        setup: ALONE,
        seed: i + 1,
      });
      const replayed = replay(gameSettingsOf(activity), ALONE, events);
      const { finished, own } = replayed.play.game.progress(
        replayed.play.standing[replayed.play.standing.length - 1]!.after,
      )[0]!;
      others++;
      if (hurried(replayed.play, age)) quick++;
      if (marks(own) && (!less || finished)) othersRare++;
    }
  }
}
function patternBetter(activity: ReturnType<typeof fromPattern>) {
  return replay(gameSettingsOf(activity), ALONE, []).play.game.score(
    replay(gameSettingsOf(activity), ALONE, []).play.begin,
  )[0]!.better;
}
const of = (count: number, all: number) => Math.round((10_000 * count) / all) / 10;
process.stdout.write(
  JSON.stringify([
    {
      what: "honest goes marked as worth a look, children drawn from what is assumed of their age",
      goal: "1 in 1000",
      measured: [`${of(rare, drawn)} in 1000 of ${drawn}`],
    },
    {
      what: "the same, children that miss by another model",
      goal: "(reported)",
      measured: [
        `${of(othersRare, others)} in 1000 better than nearly all`,
        `${of(quick, others)} in 1000 too quick, of ${others}`,
      ],
    },
  ]),
);
