import { jointChances } from "../aim/joint.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, purposeOf, reachChance, runsOn } from "../physics/send.ts";
import { endOfRunOn, partsOf } from "../yard/parts.ts";
import { bestAim, type KindOf, type Outcome, standAt, underWay } from "./kind.ts";

type Any = AimOf<"any">;
const NONE = "none";
/** Times that a send at one thing may pass others in front of it: each is met first where it stands in the way. */
export const any: KindOf<Any> = {
  options: (aim) => (aim.want.length === 1 ? [aim] : aim.want.map((id) => ({ ...aim, want: [id] }))),
  worth: (aim, seen) => ("hit" in seen && seen.hit !== null && aim.want.includes(seen.hit) ? 1 : 0),
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
    const hits = (across: number) => aim.want.reduce((p, id) => p + (chances(across).get(id) ?? 0), 0);
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
