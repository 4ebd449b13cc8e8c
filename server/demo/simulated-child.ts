import { middleOf, shiftsOf } from "#core/aim/send-chances.ts";
import { modelOf, sceneOf } from "#core/forecast/for-activity.ts";
import { normalDraw, random } from "#core/forecast/random.ts";
import type { Activity } from "#core/formats/activity.ts";
import { isRefusal, type NextSend, type Setup } from "#core/patterns/contract.ts";
import { patternOf } from "#core/patterns/registry.ts";
import { farthest, reachChance } from "#core/physics/send.ts";
import type { PlayEvent } from "#core/records/events.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";

/**
 * A made-up child that plays for the demo and the tests. It misses by another model than the forecast's: it pulls to one side,
 * sends some wild, tires, and never knows the middle exactly; each send is drawn as a path or a stopping place and read off the
 * layout.
 */
export interface Temper {
  /** Spread beside what its age suggests. */
  skill: number;
  /** Constant pull to the right, as an angle. */
  pull: number;
  /** Share of sends that go wild, with three times the spread. */
  wild: number;
  /** Constant error of length, share of the distance. */
  long: number;
}

export function temper(seed: number): Temper {
  const draw = random(seed);
  return {
    skill: Math.exp(0.3 * normalDraw(draw)),
    pull: 0.02 * normalDraw(draw),
    wild: 0.04 + 0.08 * draw(),
    long: 0.05 * normalDraw(draw),
  };
}

/** Plays one whole go and answers with its events. Stops early with the given chance before each send. */
export function playGo(
  a: Activity,
  ages: readonly number[],
  tempers: readonly Temper[],
  setup: Setup,
  seed: number,
  stops = 0,
): PlayEvent[] {
  const draw = random(seed);
  const pattern = patternOf(a.pattern.name);
  const { parts, inAir } = sceneOf(a);
  const events: PlayEvent[] = [];
  let state = pattern.start(a.pattern.params, setup);
  let at = 0;
  let sends = 0;
  while (!pattern.ending(state) && events.length < 400) {
    const next = pattern.next(state)!;
    const bell = pattern.due(state);
    at += Math.round(("branches" in next ? 5 + 6 * draw() : next.seconds * (0.8 + 0.6 * draw())) * 1000);
    if (stops > 0 && draw() < stops) {
      events.push({ kind: "stop", at });
      return events;
    }
    const ref = "branches" in next ? endOf(next, a, parts, inAir, ages, tempers, sends++, draw) : null;
    const body = "branches" in next ? next.branches.find((b) => b.ref === ref)!.event : next.event;
    const event = (bell !== null && at > bell ? { kind: "bell", at } : { ...body, at }) as PlayEvent;
    const after = pattern.step(state, event as never);
    if (isRefusal(after)) throw new Error(`demo: ${after.refused.key}`);
    events.push(event);
    state = after;
  }
  return events;
}

function endOf(
  send: NextSend,
  a: Activity,
  parts: readonly Part[],
  inAir: boolean,
  ages: readonly number[],
  tempers: readonly Temper[],
  sends: number,
  draw: () => number,
): string {
  const t = tempers[send.player % tempers.length]!;
  const player = modelOf(a, { age: ages[send.player % ages.length]! });
  const scale = t.skill * (draw() < t.wild ? 3 : 1) * (1 + 0.006 * sends);
  const b = player.object.diameter;
  if (send.shot.kind === "zones") {
    const zones = partsOf(parts, "zone");
    const worth = (id: string) => send.branches.find((x) => x.ref === id)?.worth ?? 0;
    const best = zones.reduce((x, y) => (worth(y.id) > worth(x.id) ? y : x));
    const shifts = shiftsOf(zones, b);
    const aim = middleOf(best, zones, shifts);
    const stop =
      Math.min(farthest(player.sending), aim) * (1 + t.long + player.spread.range * scale * normalDraw(draw));
    if (stop < zones[0]!.near + shifts[0]!) return "short";
    return zones.find((z, i) => stop < z.far + shifts[i + 1]!)?.id ?? "over";
  }
  const wanted = send.shot.target;
  const from = partsOf(parts, "line").find((l) => l.id === send.from)?.along ?? 0;
  const targets = partsOf(parts, "target").map((x) => ({ ...x, distance: x.along - from }));
  const aimed = targets.find((x) => x.id === wanted)!;
  const angle = aimed.across / aimed.distance + t.pull + player.spread.lateral * scale * normalDraw(draw);
  const height = aimed.height / 2 + player.spread.vertical * aimed.distance * scale * normalDraw(draw);
  const first = targets
    .filter((x) => Math.abs(angle * x.distance - x.across) < x.width / 2 + b / 2 && height < x.height + b / 2)
    .sort((x, y) => x.distance - y.distance)[0];
  return first && draw() < reachChance(player.sending, first.distance, inAir ? first.height / 2 : 0)
    ? first.id
    : "none";
}
