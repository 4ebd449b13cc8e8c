import { choosingFor } from "../core/compile/for-home.ts";
import { rolesOf } from "../core/compile/roles.ts";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import { opened } from "../core/formats/opened.ts";
import type { Item } from "../core/items/item.ts";
import { catalogue } from "../core/kit/catalogue.ts";
import { choose } from "../core/kit/choose.ts";
import { listOf } from "../core/kit/items.ts";
import { random } from "../core/random.ts";
import { NOTHING_SAID } from "../core/records/home.ts";

/**
 * Chooses items for thirty homes from the whole list, and measures how the time grows with roles, items and
 * couplings. Prints JSON.
 */
const ROUNDS = 25;
const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

function homes(items: readonly Item[], seed: number) {
  const draw = random(seed);
  return Array.from({ length: 30 }, (_, i) => ({
    ...NOTHING_SAID,
    id: `${i}`,
    label: "",
    kit: Object.fromEntries(
      items.filter((item) => !item.made && draw() < item.homes).map((item) => [item.id, item.count]),
    ),
  }));
}
function timed(activity: Activity, items: readonly Item[]) {
  const all = homes(items, 7);
  const times: number[] = [];
  let [trials, proved] = [0, 0];
  for (let r = 0; r < ROUNDS; r++) {
    const began = performance.now();
    const needs = rolesOf(activity, 2);
    [trials, proved] = [0, 0];
    for (const h of all) {
      const chosen = choose(choosingFor(activity, h, items, { needs }));
      trials += chosen.trials;
      if (chosen.proved) proved++;
    }
    times.push(performance.now() - began);
  }
  return { first: times[0]!, ms: middle(times), trials, proved };
}
/** A climb with this many targets. `into`: the ball must enter each of them. */
function climb(targets: number, into: boolean): Activity {
  const activity = fromPattern("climb");
  let now: Activity = { ...activity, space: { ...activity.space, length: 12 } };
  while (opened(now).pegs.length < targets) now = opened(now).add()!;
  const doc = structuredClone(now);
  const { ladder } = doc.pattern.params as { ladder: { targets: { counts: string[] }[] } };
  for (const target of ladder.targets) target.counts = into ? ["into"] : ["touch"];
  return doc;
}
/** The list repeated several times: the same items under other names. */
const longer = (times: number): Item[] =>
  Array.from({ length: times }, (_, k) =>
    catalogue.map((item) => (k === 0 ? item : { ...item, id: `${item.id}${k}`, made: null })),
  ).flat();

const list = listOf([]);
const say = (t: ReturnType<typeof timed>) => `${t.ms.toFixed(1)} ms (${t.trials} trials, ${t.proved} of 30 proved)`;
const base = timed(fromPattern("climb"), list);
const out = [
  {
    what: "choosing things for 30 homes, whole list, climb of 5 targets",
    goal: "50 ms",
    measured: [`median ${say(base)}`, `first time ${base.first.toFixed(0)} ms`],
  },
  {
    what: "the same with 7 and 10 targets",
    goal: "(growth)",
    measured: [7, 10].map((n) => `${n}: ${say(timed(climb(n, false), list))}`),
  },
  {
    what: "the same where the ball must enter 3, 5 and 7 of them",
    goal: "(growth)",
    measured: [3, 5, 7].map((n) => `${n}: ${say(timed(climb(n, true), list))}`),
  },
  {
    what: "the same with a list two and four times as long",
    goal: "(growth)",
    measured: [2, 4].map((n) => `${longer(n).length} things: ${say(timed(fromPattern("climb"), longer(n)))}`),
  },
];
process.stdout.write(JSON.stringify(out));
