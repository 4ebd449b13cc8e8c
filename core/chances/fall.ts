import { sweep } from "../aim/first-touched.ts";
import { within } from "../aim/normal.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, reachChance, runsOn } from "../physics/send.ts";
import { topples } from "../physics/topple.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { endOfRunOn, partsOf } from "../yard/parts.ts";
import { bestAim, type KindOf, type Outcome, type Sight, standAt, underWay } from "./kind.ts";
import { withKnocks } from "./knocks.ts";

type Fall = AimOf<"fall">;
interface Pin {
  id: string;
  distance: number;
  across: number;
  width: number;
  height: number;
  rule: HitRule;
}

/** The standing pins with their places, nearest first. Their sizes come from the layout. */
function pinsOf(aim: Fall, { parts, from }: Pick<Sight, "parts" | "from">): Pin[] {
  const at = standAt(parts, from);
  const targets = new Map(partsOf(parts, "target").map((target) => [target.id, target]));
  return aim.standing
    .map(({ id, along, across }) => ({ ...targets.get(id)!, distance: along - at, across }))
    .sort((a, b) => a.distance - b.distance || (a.id < b.id ? -1 : 1));
}
const anyTopple = (rule: HitRule) =>
  (rule.kind === "anyOf" ? rule.rules : [rule]).find((eachRule) => eachRule.kind === "topple");

/** What falls and how likely, by sets of ids: sorted and joined by a space. The empty key means none. */
type Sets = Map<string, number>;
const add = (sets: Sets, ids: readonly string[], chance: number) => {
  if (chance <= 0) return;
  const key = [...ids].sort().join(" ");
  sets.set(key, (sets.get(key) ?? 0) + chance);
};

/** How a send at a formation goes: which pins can fall at its speed there, and how far it is certain to get. */
function sending(pins: readonly Pin[], sight: Sight) {
  const player = sight.person.sends(sight.manner);
  const inAir = player.sending.travel === "air";
  const far = pins[pins.length - 1]!;
  const path = pathTo(player.sending, far.distance, inAir ? far.height / 2 : 0, "fell");
  const falls = (pin: Pin) => {
    const rule = anyTopple(pin.rule);
    if (!rule) return true;
    return topples(rule, { ...player.object, speed: path.speedAt(pin.distance), ...(inAir && { at: pin.height / 2 }) });
  };
  return { player, inAir, path, falls: new Map(pins.map((pin) => [pin.id, falls(pin)])) };
}

/**
 * Rolled or slid: everything in the straight strip that the object sweeps falls, as far as the object gets (named
 * assumption: nothing is deflected; what pins knock over is worked out afterwards). In the air: the first pin met,
 * and those within the object's width of it.
 */
function setsAt(pins: readonly Pin[], s: ReturnType<typeof sending>, across: number, distance: number): Sets {
  const { player, inAir } = s;
  const out: Sets = new Map();
  for (const { p: chance, swept } of sweep(pins, { across, distance }, player.object.diameter, player.spread.lateral)) {
    if (inAir) flies(out, swept, s, chance);
    else rolls(out, swept, s, chance);
  }
  return out;
}

/** As far as the object gets, because it may stop before some pins of a row. */
function rolls(out: Sets, swept: readonly Pin[], s: ReturnType<typeof sending>, chance: number): void {
  const gets = swept.map((pin) => reachChance(s.player.sending, pin.distance));
  const felled: string[] = [];
  let left = 1;
  for (const [k, pin] of swept.entries()) {
    add(out, felled, chance * (left - gets[k]!));
    left = gets[k]!;
    if (s.falls.get(pin.id)) felled.push(pin.id);
  }
  add(out, felled, chance * left);
}

/** The first pin met on the way, over the height. Nearer pins hide those behind them. */
function flies(out: Sets, swept: readonly Pin[], s: ReturnType<typeof sending>, chance: number): void {
  const { player } = s;
  const diameter = player.object.diameter;
  const aim = swept.length > 0 ? Math.max(...swept.map((pin) => pin.height)) / 2 : 0;
  const faces = swept.map(
    (pin) => [(-diameter / 2 - aim) / pin.distance, (pin.height + diameter / 2 - aim) / pin.distance] as const,
  );
  const edges = [...new Set(faces.flat())].sort((x, y) => x - y);
  const all = [Number.NEGATIVE_INFINITY, ...edges, Number.POSITIVE_INFINITY];
  let missed = 1;
  for (let i = 1; i < all.length; i++) {
    const [lo, hi] = [all[i - 1]!, all[i]!];
    const q = within(lo, hi, player.spread.vertical);
    const middle = lo === all[0] ? hi - 1 : hi === Number.POSITIVE_INFINITY ? lo + 1 : (lo + hi) / 2;
    const first = swept.find((_, k) => faces[k]![0] < middle && middle < faces[k]![1]);
    if (!first || q <= 0) continue;
    const gets = reachChance(player.sending, first.distance, first.height / 2);
    const near = swept.filter((pin) => Math.abs(pin.distance - first.distance) <= diameter && s.falls.get(pin.id));
    add(
      out,
      near.map((pin) => pin.id),
      chance * q * gets,
    );
    missed -= q * gets;
  }
  add(out, [], chance * missed);
}

export const fall: KindOf<Fall> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [], sets: aim.standing.map((spot) => spot.id), rest: "none", meant: null }),
  reach: (aim, parts, from) => Math.min(...pinsOf(aim, { parts, from }).map((pin) => pin.distance)),
  meets: (aim, parts) => {
    const pins = pinsOf(aim, { parts, from: "" });
    return { height: Math.max(...pins.map((pin) => pin.height)) / 2, purpose: "fell" };
  },
  runsOn: (aim, sight) => {
    const { sending: how } = sight.person.sends(sight.manner);
    const back = pinsOf(aim, sight).at(-1)!;
    return runsOn(how, back.distance, how.travel === "air" ? back.height / 2 : 0, "fell");
  },
  outcomes(aim, sight) {
    const pins = pinsOf(aim, sight);
    const s = sending(pins, sight);
    const at = standAt(sight.parts, sight.from);
    const far = pins[pins.length - 1]!;
    const laid = (x: number): Sets => {
      const sets = setsAt(pins, s, x, distance);
      return aim.knocks ? withKnocks(sets, pins, (id) => s.falls.get(id) ?? false) : sets;
    };
    const worth = (sets: Sets) => {
      let sum = 0;
      for (const [key, chance] of sets) {
        const count = key === "" ? 0 : key.split(" ").length;
        sum += chance * (count * aim.each + (count === pins.length ? aim.all : 0));
      }
      return sum;
    };
    // Aims at the pin nearest to the middle of what stands, or where the most pins can be expected.
    const angle = (pin: Pin) => pin.across / pin.distance;
    const angles = pins.map(angle);
    const [left, right] = [Math.min(...angles), Math.max(...angles)];
    const middle = pins.reduce((pin, t) =>
      Math.abs(angle(t) - (left + right) / 2) < Math.abs(angle(pin) - (left + right) / 2) - 1e-12 ? t : pin,
    );
    const distance = far.distance;
    const across =
      sight.policy === "middle"
        ? angle(middle) * distance
        : bestAim((x) => worth(laid(x)), left * distance, right * distance);
    const lies = Math.min(s.path.ends, Math.max(distance, endOfRunOn(sight.parts) - at));
    const list: Outcome[] = [...laid(across)].map(([key, chance]) => ({
      ref: key === "" ? "none" : key,
      seen: { fell: key === "" ? [] : key.split(" ") },
      p: chance,
      ...underWay(s.player, s.path, distance, lies),
    }));
    return { list, distance, across };
  },
};
