import type { NextSend } from "../patterns/contract.ts";
import { asksAtMost, nearest, pathTo, purposeOf, reachChance } from "../physics/send.ts";
import { type Part, type PartOf, partsOf } from "../yard/parts.ts";
import { lineShifts } from "./band-lines.ts";
import { jointChances } from "./joint.ts";
import type { PlayerModel } from "./player.ts";
import { stopBands } from "./stop-bands.ts";

/** `middle`: at the middle of the target or of the best band. `bestExpected`: where the expected worth is highest. */
export const POLICIES = ["middle", "bestExpected"] as const;
export type Policy = (typeof POLICIES)[number];

/** What decides the chances beside the player: the layout, and whether the send flies. */
export interface Scene {
  parts: readonly Part[];
  inAir: boolean;
}
/** Chance of each outcome by reference, summing to 1, and where it was aimed, metres from the standing line. */
export interface SendChances {
  byRef: ReadonlyMap<string, number>;
  aim: { distance: number; across: number };
}

/** Trial aims between the ends of the search, and rounds of narrowing down. */
const TRIALS = 24;
const NARROWINGS = 18;

/** Chances of every outcome of the next send under a policy. */
export function sendChances(send: NextSend, scene: Scene, player: PlayerModel, policy: Policy): SendChances {
  return send.shot.kind === "zones"
    ? zoneChances(send, scene, player, policy)
    : targetChances(send, send.shot.target, scene, player, policy);
}

/** Where the best of `worth` lies between lo and hi: a scan, then golden narrowing around its best. */
function bestAim(worth: (x: number) => number, lo: number, hi: number): number {
  let best = lo;
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0; i <= TRIALS; i++) {
    const x = lo + ((hi - lo) * i) / TRIALS;
    const w = worth(x);
    if (w > most + 1e-12) [best, most] = [x, w];
  }
  let a = Math.max(lo, best - (hi - lo) / TRIALS);
  let b = Math.min(hi, best + (hi - lo) / TRIALS);
  for (let i = 0; i < NARROWINGS; i++) {
    const third = (b - a) / 3;
    if (worth(a + third) < worth(b - third)) a += third;
    else b -= third;
  }
  const x = (a + b) / 2;
  return worth(x) > most ? x : best;
}

const expected = (send: NextSend, byRef: ReadonlyMap<string, number>) =>
  send.branches.reduce((sum, b) => sum + b.worth * (byRef.get(b.ref) ?? 0), 0);

/** How far the lines of bands count from where they lie, for a thing of diameter `b`. */
export const shiftsOf = (zones: readonly PartOf<"zone">[], b: number): number[] =>
  lineShifts(
    zones.map((z) => z.points),
    zones[0]!.lineRule,
    zones[0]!.lastLine ?? "out",
    b,
  );

/** The middle of where the middle of a thing counts for a band, metres: that is what is aimed at. */
export function middleOf(band: PartOf<"zone">, zones: readonly PartOf<"zone">[], shifts: readonly number[]): number {
  const i = zones.indexOf(band);
  return (band.near + shifts[i]! + band.far + shifts[i + 1]!) / 2;
}

function zoneChances(send: NextSend, scene: Scene, player: PlayerModel, policy: Policy): SendChances {
  const zones = partsOf(scene.parts, "zone");
  const lines = [...zones.map((z) => z.near), zones[zones.length - 1]!.far];
  const shifts = shiftsOf(zones, player.object.diameter);
  const at = (distance: number) => {
    const gets = reachChance(player.sending, distance);
    // Softer than is steady nobody sends.
    const stops = stopBands(lines, Math.max(distance, nearest(player.sending)), player.spread.range, shifts);
    const byRef = new Map<string, number>();
    ["short", ...zones.map((z) => z.id), "over"].forEach((ref, i) => {
      byRef.set(ref, stops[i]! * gets + (i === 0 ? 1 - gets : 0));
    });
    return byRef;
  };
  const worthOf = (id: string) => send.branches.find((b) => b.ref === id)?.worth ?? 0;
  // Of the bands that half of the sends get as far as; the nearest where none is.
  const far = asksAtMost(player.sending);
  const reachable = zones.filter((z, i) => i === 0 || middleOf(z, zones, shifts) <= far);
  const first = reachable.reduce((a, b) => (worthOf(b.id) > worthOf(a.id) ? b : a));
  const distance =
    policy === "middle"
      ? middleOf(first, zones, shifts)
      : bestAim((d) => expected(send, at(d)), lines[0]! / 2, lines[lines.length - 1]!);
  return { byRef: at(distance), aim: { distance, across: 0 } };
}

function targetChances(send: NextSend, want: string, scene: Scene, player: PlayerModel, policy: Policy): SendChances {
  const from = partsOf(scene.parts, "line").find((l) => l.id === send.from)?.along ?? 0;
  const targets = partsOf(scene.parts, "target").map((t) => ({ ...t, distance: t.along - from }));
  const aimed = targets.find((t) => t.id === want)!;
  const b = player.object.diameter;
  const up = scene.inAir ? aimed.height / 2 : 0;
  const path = pathTo(player.sending, aimed.distance, up, purposeOf(aimed.rule));
  const at = (across: number) => {
    const chances = jointChances(targets, {
      aim: { across, distance: aimed.distance, up: aimed.height / 2 },
      spread: player.spread,
      object: player.object,
      inAir: scene.inAir,
      path,
      reach: (metres, height) => reachChance(player.sending, metres, scene.inAir ? height : 0),
    });
    const byRef = new Map<string, number>();
    let none = 1;
    for (const t of targets) {
      const p = chances.get(t.id)!;
      byRef.set(t.id, p);
      none -= p;
    }
    byRef.set("none", Math.max(0, none));
    return byRef;
  };
  const half = aimed.width / 2 + b / 2;
  const across =
    policy === "middle"
      ? aimed.across
      : bestAim((x) => expected(send, at(x)), aimed.across - half, aimed.across + half);
  return { byRef: at(across), aim: { distance: aimed.distance, across } };
}
