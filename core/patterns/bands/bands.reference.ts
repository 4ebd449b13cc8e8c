import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { BandsParams } from "./params.ts";

/**
 * A second, plain telling of Bands from its description, for the tests only: it keeps a scoresheet of whole rounds and reads
 * totals off it from the top each time it is asked. It shares no code with the reducer.
 */
export interface OracleBands {
  accepted: boolean[];
  player: number;
  over: boolean;
  values: number[];
  winners: number[];
}
interface Sheet {
  /** Points each side had lying, for every closed round. */
  rounds: number[][];
  /** Side, band number (0 short, n + 1 over) of what lies now. */
  floor: { side: number; band: number }[];
}

export function tellBands(p: BandsParams, match: Match, setup: Setup, events: readonly GameEvent[]): OracleBands {
  const n = p.points.length;
  const everyone = Array.from({ length: setup.players }, (_, i) => i);
  const teams: number[][] = [];
  if (setup.mode === "relay") teams.push(everyone);
  else if (setup.mode === "against" && p.counting === "difference" && setup.players >= 3) {
    teams.push([], []);
    for (const i of everyone) teams[i % 2]!.push(i);
  } else for (const i of everyone) teams.push([i]);
  const S = teams.length;
  const differ = S === 2 && setup.mode === "against" && p.counting === "difference";

  const bandNo = (zone: string): number | null => {
    if (zone === "short") return 0;
    if (zone === "over") return n + 1;
    const m = /^z(\d+)$/.exec(zone);
    const k = m ? Number(m[1]) : 0;
    return k >= 1 && k <= n ? k : null;
  };
  const worth = (band: number) => {
    if (band === 0) return 0;
    if (band === n + 1) return p.overshoot === "last" ? p.points[n - 1]! : 0;
    return p.points[band - 1]!;
  };
  const sheet: Sheet = { rounds: [], floor: [] };

  const totals = (): number[] => {
    const t = teams.map(() => 0);
    for (const lay of sheet.rounds)
      for (let s = 0; s < S; s++) {
        const got = differ ? Math.max(0, lay[s]! - lay[1 - s]!) : lay[s]!;
        const sum = t[s]! + got;
        if (p.finish.total !== null && p.finish.exact && sum > p.finish.total)
          t[s] = p.finish.dropTo === null ? t[s]! : p.finish.dropTo;
        else t[s] = sum;
      }
    return t;
  };
  const leader = (): number => {
    let lead = 0;
    for (const lay of sheet.rounds) {
      if (p.lead === "alternate") lead = (lead + 1) % S;
      else if (p.lead !== "same") {
        const wanted = p.lead === "winner" ? Math.max(...lay) : Math.min(...lay);
        const those = lay.flatMap((x, i) => (x === wanted ? [i] : []));
        if (those.length === 1) lead = those[0]!;
      }
    }
    return lead;
  };
  const isOver = (): boolean => {
    const played = sheet.rounds.length;
    if (played >= 100) return true;
    const t = totals();
    const there = p.finish.total !== null && t.some((x) => x >= p.finish.total!);
    if (!there && !(p.finish.rounds !== null && played >= p.finish.rounds)) return false;
    if (p.tie === "shared" || setup.mode !== "against") return true;
    if (there && p.finish.exact) return true;
    const top = Math.max(...t);
    return t.filter((x) => x === top).length === 1;
  };
  const order = (): number[] => {
    const out: number[] = [];
    const lead = leader();
    for (let k = 0; k < S * p.pieces; k++) out.push((lead + (p.order === "piece" ? k : Math.floor(k / p.pieces))) % S);
    return out;
  };
  const piecesSent = (side: number) =>
    sheet.rounds.length * p.pieces + sheet.floor.filter((f) => f.side === side).length;
  const whose = () => {
    const seq = order();
    const side = sheet.floor.length < seq.length ? seq[sheet.floor.length]! : leader();
    return { side, player: teams[side]![piecesSent(side) % teams[side]!.length]! };
  };

  const accepted: boolean[] = [];
  let decided = false;
  let last = 0;
  for (const e of events) {
    const complete = sheet.floor.length === S * p.pieces;
    const { side } = whose();
    const lastOfSide = !complete && sheet.floor.filter((f) => f.side === side).length === p.pieces - 1;
    const mustDecide = p.blocker && lastOfSide && !decided;
    let ok = false;
    if (!isOver() && e.at >= last) {
      if (e.kind === "send" && e.rest !== undefined && !complete && !mustDecide && bandNo(e.rest) !== null) {
        sheet.floor.push({ side, band: bandNo(e.rest)! });
        decided = false;
        ok = true;
      } else if (e.kind === "move" && sheet.floor[e.piece] && bandNo(e.place) !== null) {
        sheet.floor[e.piece]!.band = bandNo(e.place)!;
        ok = true;
      } else if (
        e.kind === "choose" &&
        mustDecide &&
        (e.pick === null || (e.pick !== "over" && bandNo(e.pick) !== null))
      ) {
        decided = true;
        ok = true;
      } else if (e.kind === "stand" && sheet.floor.length > 0) ok = true;
      else if (e.kind === "carry" && match.carry && sheet.floor.length === 0 && sheet.rounds.length > 0) ok = true;
      else if (e.kind === "ready" && complete) {
        sheet.rounds.push(
          teams.map((_, s) => sheet.floor.filter((f) => f.side === s).reduce((sum, f) => sum + worth(f.band), 0)),
        );
        sheet.floor = [];
        decided = false;
        ok = true;
      }
    }
    if (ok) last = e.at;
    accepted.push(ok);
  }
  const values = totals();
  const over = isOver();
  const winners =
    over && setup.mode === "against" && S > 1 ? values.flatMap((v, i) => (v === Math.max(...values) ? [i] : [])) : [];
  return { accepted, player: whose().player, over, values, winners };
}
