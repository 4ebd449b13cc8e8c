import { within } from "../aim/normal.ts";
import type { AimOf } from "../asks/ask.ts";
import { fieldable, fieldedAt, inReach, longestRoll, slowsInAir } from "../physics/chase.ts";
import { GRAVITY } from "../physics/floor.ts";
import { reachChance } from "../physics/send.ts";
import { partsOf } from "../yard/parts.ts";
import { type KindOf, type Sight, standAt } from "./kind.ts";

type Chases = AimOf<"chase">;
/**
 * The speed of running relative to walking, an assumption, and the time of a turn on the spot, seconds, for a child
 * of 8.
 */
const RUNS = 2.4;
const markAt = (id: string | null, { parts, from }: Pick<Sight, "parts" | "from">) =>
  id === null ? 0 : (partsOf(parts, "line").find((line) => line.id === id)?.along ?? 0) - standAt(parts, from);

/** The angle of a toss ahead of oneself, radians: an assumption. */
const STEEP = (68 * Math.PI) / 180;
/**
 * Tossed up ahead, run under, and caught before it lands. It is on its way as long as it flies. Too near is lost; too
 * far, or not held, is a drop.
 */
function tossed(aim: Chases, sight: Sight, near: number, far: number) {
  const { person } = sight;
  const player = person.sends(sight.manner);
  const run = RUNS * person.walking;
  const how = { slows: slowsInAir(STEEP), turn: aim.turn * person.tempo, run };
  const under = inReach(how);
  const from = Math.max(near, under?.least ?? far);
  const to = Math.max(from, Math.min(far, under?.most ?? far));
  const distance = (from + to) / 2;
  const speed = Math.sqrt((GRAVITY * distance) / Math.sin(2 * STEEP));
  const sd = player.spread.range * distance;
  const lands = (near: number, far: number) => within(near - distance, far - distance, sd);
  const inside = under && speed <= player.sending.most ? lands(from, to) : 0;
  const chance = inside * person.does({ id: "catch", height: (distance * Math.tan(STEEP)) / 4 }, sight.manner).p;
  const short = lands(Number.NEGATIVE_INFINITY, near);
  const at = (ref: string, share: number, lost: number) => ({
    ref,
    seen: { rest: ref },
    p: share,
    under: longestRoll(distance, how.slows),
    lies: distance / 2 + lost,
    windUp: player.windUp,
    after: 1,
  });
  return {
    list: [at(aim.mark, chance, 0), at("over", 1 - short - chance, 1), at("short", short, 0)],
    distance,
    across: 0,
  };
}

/**
 * Rolled and run after: caught while it rolls between two marks, past the farther one, or at rest before. A child who
 * reaches the ball picks it up with the chance of a catch.
 */
export const chase: KindOf<Chases> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [aim.mark], also: ["short", "over"], rest: "over", meant: aim.mark }),
  reach: (aim, parts, from) => markAt(aim.mark, { parts, from }),
  meets: () => ({ height: 0, purpose: "stop" }),
  runsOn: () => 0.5,
  outcomes(aim, sight) {
    const { person } = sight;
    const player = person.sends(sight.manner);
    const [near, far] = [markAt(aim.after, sight), markAt(aim.mark, sight)];
    const run = RUNS * person.walking;
    if (player.sending.travel === "air") return tossed(aim, sight, near, far);
    const how = { slows: player.sending.slows, turn: aim.turn * person.tempo, run };
    const window = fieldable(near, far, how);
    // If nobody can field any roll, it is rolled so that it rests at the mark.
    const distance = window ? (window.from + Math.min(window.to, 3 * far)) / 2 : far;
    const sd = player.spread.range * distance;
    const from = window ? window.from : far;
    const to = window ? window.to : far;
    const reaches = reachChance(player.sending, distance);
    const inside = window ? within(from - distance, to - distance, sd) * reaches : 0;
    const past = within(to - distance, Number.POSITIVE_INFINITY, sd) * reaches;
    const chance = inside * person.does({ id: "catch", height: 0.5 }, sight.manner).p;
    const met = fieldedAt(Math.sqrt(2 * how.slows * distance), how);
    const under = met?.seconds ?? how.turn + distance / run;
    const lies = (met?.metres ?? distance) / 2;
    const at = (ref: string, share: number, lost: number) => ({
      ref,
      seen: { rest: ref },
      p: share,
      under,
      lies: lies + lost,
      windUp: player.windUp,
      after: 1,
    });
    return {
      list: [
        at(aim.mark, chance, 0),
        // Past the mark, or touched and not held.
        at("over", past + inside - chance, 1),
        at("short", Math.max(0, 1 - past - inside), 0),
      ],
      distance,
      across: 0,
    };
  },
};
