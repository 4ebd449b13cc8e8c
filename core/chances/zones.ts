import { lineShifts } from "../aim/band-lines.ts";
import { stopBands } from "../aim/stop-bands.ts";
import type { AimOf } from "../asks/ask.ts";
import { own } from "../own.ts";
import { asksAtMost, nearest, pathTo, reachChance } from "../physics/send.ts";
import { type Part, type PartOf, partsOf } from "../yard/parts.ts";
import { bestAim, type KindOf, type Sight, standAt, underWay } from "./kind.ts";

type Zones = AimOf<"zones">;
type Zone = PartOf<"zone">;

/** How far the lines of bands count from where they lie, for an object of diameter `b`. */
export const shiftsOf = (zones: readonly Zone[], b: number): number[] =>
  lineShifts(
    zones.map((zone) => zone.points),
    zones[0]!.lineRule,
    zones[0]!.lastLine ?? "out",
    b,
  );
/** The middle of the range in which an object's middle counts for a band, metres. That is what the player aims at. */
export function middleOf(band: Zone, zones: readonly Zone[], shifts: readonly number[]): number {
  const i = zones.indexOf(band);
  return (band.near + shifts[i]! + band.far + shifts[i + 1]!) / 2;
}
const zonesIn = (aim: Zones, parts: readonly Part[]) =>
  partsOf(parts, "zone").filter((zone) => Object.hasOwn(aim.worth, zone.id));

/** Everything measured from where it is sent, metres. */
function stops(aim: Zones, { parts, person, manner, from }: Sight) {
  const player = person.sends(manner);
  const at = standAt(parts, from);
  const zones = zonesIn(aim, parts).map((zone) => ({ ...zone, near: zone.near - at, far: zone.far - at }));
  const lines = [...zones.map((zone) => zone.near), zones[zones.length - 1]!.far];
  const shifts = shiftsOf(zones, player.object.diameter);
  const refs = ["short", ...zones.map((zone) => zone.id), "over"];
  const aimedAt = (distance: number): Map<string, number> => {
    const gets = reachChance(player.sending, distance);
    // Nobody sends more softly than is steady.
    const each = stopBands(lines, Math.max(distance, nearest(player.sending)), player.spread.range, shifts);
    return new Map(refs.map((ref, i) => [ref, each[i]! * gets + (i === 0 ? 1 - gets : 0)]));
  };
  return { player, zones, lines, shifts, aimedAt };
}

export const zones: KindOf<Zones> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: Object.keys(aim.worth), also: ["short", "over"], rest: "short", meant: null }),
  reach: (aim, parts, from) => Math.min(...zonesIn(aim, parts).map((zone) => zone.near)) - standAt(parts, from),
  meets: () => ({ height: 0, purpose: "stop" }),
  // It has to stop among lines, so one SD of its length beyond the last.
  runsOn: (aim, { parts, person, manner, from }) =>
    person.typical(manner).range * (Math.max(...zonesIn(aim, parts).map((zone) => zone.far)) - standAt(parts, from)),
  outcomes(aim, sight) {
    const { player, zones: all, lines, shifts, aimedAt } = stops(aim, sight);
    const worth = (id: string) => own(aim.worth, id) ?? 0;
    const expected = (givenDistance: number) =>
      [...aimedAt(givenDistance)].reduce((sum, [ref, chance]) => sum + chance * worth(ref), 0);
    // Of the bands that half of the sends can reach. If there is none, the nearest.
    const far = asksAtMost(player.sending);
    const reachable = all.filter((z, i) => i === 0 || middleOf(z, all, shifts) <= far);
    const best = reachable.reduce((a, b) => (worth(b.id) > worth(a.id) ? b : a));
    const distance =
      sight.policy === "middle"
        ? middleOf(best, all, shifts)
        : bestAim(expected, lines[0]! / 2, lines[lines.length - 1]!);
    const path = pathTo(player.sending, distance, 0, "stop");
    const list = [...aimedAt(distance)].map(([ref, chance]) => ({
      ref,
      seen: { rest: ref },
      p: chance,
      ...underWay(player, path, distance, distance),
    }));
    return { list, distance, across: 0 };
  },
};
