import { jointChances } from "../aim/joint.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, purposeOf, reachChance, runsOn } from "../physics/send.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { endOfRunOn, partsOf } from "../yard/parts.ts";
import { bestAim, type KindOf, type Outcome, standAt, underWay } from "./kind.ts";
import { bringsOf } from "./worth.ts";

type Any = AimOf<"any">;
const NONE = "none";
/** The widest that anything about a thing is, metres. */
const widest = (width: number, rule: HitRule): number =>
  Math.max(
    width,
    ...(rule.kind === "anyOf" ? rule.rules : [rule]).flatMap((r) =>
      r.kind === "on"
        ? [r.radius === undefined ? r.width! : 2 * r.radius]
        : r.kind === "into"
          ? [r.opening, r.depth ?? 0]
          : r.kind === "through"
            ? [r.gap]
            : [],
    ),
  );
/** Times that a send at one thing may pass others in front of it: each is met first where it stands in the way. */
export const any: KindOf<Any> = {
  options: (aim) => (aim.want.length === 1 ? [aim] : aim.want.map((id) => ({ ...aim, want: [id] }))),
  alone(aim, { parts, person, manner, from }) {
    const b = person.sends(manner).object.diameter;
    const at = standAt(parts, from);
    const things = partsOf(parts, "target").flatMap((t) => {
      if (!aim.among.includes(t.id)) return [];
      const distance = t.along - at;
      const half = widest(t.width, t.rule) / 2 + b;
      return [{ id: t.id, distance, lo: (t.across - half) / distance, hi: (t.across + half) / distance }];
    });
    const wanted = things.filter((t) => aim.want.includes(t.id));
    // Only what stands before it, or beside it, and in its way.
    const meets = (t: (typeof things)[number]) =>
      wanted.some((w) => t.distance < w.distance + b && t.lo < w.hi && w.lo < t.hi);
    return { ...aim, among: things.filter((t) => aim.want.includes(t.id) || meets(t)).map((t) => t.id) };
  },
  refs: (aim) => ({ named: aim.among, rest: NONE, meant: aim.want[0] ?? null }),
  reach: (aim, parts, from) => {
    const at = standAt(parts, from);
    return Math.max(...partsOf(parts, "target").flatMap((t) => (aim.want.includes(t.id) ? [t.along - at] : [])));
  },
  meets: (aim, parts) => {
    const t = partsOf(parts, "target").find((x) => x.id === aim.want[0])!;
    return { height: (t.base ?? 0) + t.height / 2, purpose: purposeOf(t.rule) };
  },
  runsOn: (aim, { parts, person, manner, from }) => {
    const { sending } = person.sends(manner);
    const at = standAt(parts, from);
    return Math.max(
      0,
      ...partsOf(parts, "target")
        .filter((t) => aim.among.includes(t.id))
        .map((t) => runsOn(sending, t.along - at, sending.travel === "air" ? t.height / 2 : 0, purposeOf(t.rule))),
    );
  },
  outcomes(aim, { parts, person, manner, from, policy }) {
    const player = person.sends(manner);
    const inAir = player.sending.travel === "air";
    const at = standAt(parts, from);
    const targets = partsOf(parts, "target")
      .filter((t) => aim.among.includes(t.id))
      .map((t) => ({ ...t, distance: t.along - at }));
    const aimed = targets.find((t) => t.id === aim.want[0])!;
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
    const list: Outcome[] = targets.map((t) => ({
      ref: t.id,
      seen: { hit: t.id },
      p: found.get(t.id)!,
      ...underWay(player, path, t.distance, t.distance),
    }));
    // What meets nothing lies where it came to rest, short or beyond, or where something stopped it.
    const lies = Math.min(path.ends, Math.max(aimed.distance, endOfRunOn(parts) - at));
    const p = Math.max(0, 1 - list.reduce((sum, o) => sum + o.p, 0));
    list.push({ ref: NONE, seen: { hit: null }, p, ...underWay(player, path, aimed.distance, lies) });
    return { list, distance: aimed.distance, across };
  },
};
