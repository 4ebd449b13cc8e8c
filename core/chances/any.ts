import { jointChances } from "../aim/joint.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, purposeOf, reachChance, runsOn } from "../physics/send.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { endOfRunOn, partsOf } from "../yard/parts.ts";
import { bestAim, type KindOf, type Outcome, standAt, underWay } from "./kind.ts";
import { bringsOf } from "./worth.ts";

type Any = AimOf<"any">;
const NONE = "none";
/** The largest dimension of an item, metres. */
const widest = (width: number, rule: HitRule): number =>
  Math.max(
    width,
    ...(rule.kind === "anyOf" ? rule.rules : [rule]).flatMap((eachRule) =>
      eachRule.kind === "on"
        ? [eachRule.radius === undefined ? eachRule.width! : 2 * eachRule.radius]
        : eachRule.kind === "into"
          ? [eachRule.opening, eachRule.depth ?? 0]
          : eachRule.kind === "through"
            ? [eachRule.gap]
            : [],
    ),
  );
/** A send at one item may meet others in front of it. Whatever stands in the way is met first. */
export const any: KindOf<Any> = {
  options: (aim) => (aim.want.length === 1 ? [aim] : aim.want.map((id) => ({ ...aim, want: [id] }))),
  alone(aim, { parts, person, manner, from }) {
    const diameter = person.sends(manner).object.diameter;
    const at = standAt(parts, from);
    const things = partsOf(parts, "target").flatMap((target) => {
      if (!aim.among.includes(target.id)) return [];
      const distance = target.along - at;
      const half = widest(target.width, target.rule) / 2 + diameter;
      return [
        { id: target.id, distance, lo: (target.across - half) / distance, hi: (target.across + half) / distance },
      ];
    });
    const wanted = things.filter((thing) => aim.want.includes(thing.id));
    // Only items in front of it or beside it, in the way of the send.
    const meets = (t: (typeof things)[number]) =>
      wanted.some((w) => t.distance < w.distance + diameter && t.lo < w.hi && w.lo < t.hi);
    return {
      ...aim,
      among: things.filter((thing) => aim.want.includes(thing.id) || meets(thing)).map((thing) => thing.id),
    };
  },
  refs: (aim) => ({ named: aim.among, rest: NONE, meant: aim.want[0] ?? null }),
  reach: (aim, parts, from) => {
    const at = standAt(parts, from);
    return Math.max(
      ...partsOf(parts, "target").flatMap((target) => (aim.want.includes(target.id) ? [target.along - at] : [])),
    );
  },
  meets: (aim, parts) => {
    const target = partsOf(parts, "target").find((eachTarget) => eachTarget.id === aim.want[0])!;
    return { height: (target.base ?? 0) + target.height / 2, purpose: purposeOf(target.rule) };
  },
  runsOn: (aim, { parts, person, manner, from }) => {
    const { sending } = person.sends(manner);
    const at = standAt(parts, from);
    return Math.max(
      0,
      ...partsOf(parts, "target")
        .filter((target) => aim.among.includes(target.id))
        .map((target) =>
          runsOn(sending, target.along - at, sending.travel === "air" ? target.height / 2 : 0, purposeOf(target.rule)),
        ),
    );
  },
  outcomes(aim, { parts, person, manner, from, policy }) {
    const player = person.sends(manner);
    const inAir = player.sending.travel === "air";
    const at = standAt(parts, from);
    const targets = partsOf(parts, "target")
      .filter((target) => aim.among.includes(target.id))
      .map((target) => ({ ...target, distance: target.along - at }));
    const aimed = targets.find((target) => target.id === aim.want[0])!;
    const up = inAir ? aimed.height / 2 : 0;
    const path = pathTo(player.sending, aimed.distance, up, purposeOf(aimed.rule));
    const chances = (across: number) =>
      jointChances(targets, {
        aim: { across, distance: aimed.distance, up: aimed.height / 2 },
        spread: player.spread,
        object: player.object,
        inAir,
        path,
        reach: (metres, height) => reachChance(player.sending, metres, inAir ? height : 0),
      });
    const half = aimed.width / 2 + player.object.diameter / 2;
    const brings = aim.among.filter((id) => bringsOf(aim, id) > 0);
    const hits = (across: number) => {
      const found = chances(across);
      return brings.reduce((sum, id) => sum + bringsOf(aim, id) * (found.get(id) ?? 0), 0);
    };
    const across = policy === "middle" ? aimed.across : bestAim(hits, aimed.across - half, aimed.across + half);
    const found = chances(across);
    const list: Outcome[] = targets.map((target) => ({
      ref: target.id,
      seen: { hit: target.id },
      p: found.get(target.id)!,
      ...underWay(player, path, target.distance, target.distance),
    }));
    // An object that meets nothing lies where it came to rest, short or beyond, or where something stopped it.
    const lies = Math.min(path.ends, Math.max(aimed.distance, endOfRunOn(parts) - at));
    const chance = Math.max(0, 1 - list.reduce((sum, outcome) => sum + outcome.p, 0));
    list.push({ ref: NONE, seen: { hit: null }, p: chance, ...underWay(player, path, aimed.distance, lies) });
    return { list, distance: aimed.distance, across };
  },
};
