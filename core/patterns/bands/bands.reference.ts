import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { BandsParams } from "./schema.ts";

/**
 * A second, simple implementation of Bands from its description, for tests only. It keeps a scoresheet of whole
 * rounds and adds up totals from the top each time it is asked. It shares no code with the rules.
 */
export interface OracleBands {
  accepted: boolean[];
  player: number;
  over: boolean;
  values: number[];
  winners: number[];
}
interface Sheet {
  /** The points that each side had lying, for every closed round. */
  rounds: number[][];
  /** The side and the band number (0 short, n + 1 over) of each piece on the floor. */
  floor: { side: number; band: number }[];
}

export function tellBands(params: BandsParams, match: Match, setup: Setup, events: readonly GameEvent[]): OracleBands {
  const count = params.points.length;
  const everyone = Array.from({ length: setup.players }, (_, i) => i);
  const teams: number[][] = [];
  if (setup.mode === "relay") teams.push(everyone);
  else if (setup.mode === "against" && params.counting === "difference" && setup.players >= 3) {
    teams.push([], []);
    for (const i of everyone) teams[i % 2]!.push(i);
  } else for (const i of everyone) teams.push([i]);
  const length = teams.length;
  const differ = length === 2 && setup.mode === "against" && params.counting === "difference";

  const bandNo = (zone: string): number | null => {
    if (zone === "short") return 0;
    if (zone === "over") return count + 1;
    const m = /^z(\d+)$/.exec(zone);
    const k = m ? Number(m[1]) : 0;
    return k >= 1 && k <= count ? k : null;
  };
  const worth = (band: number) => {
    if (band === 0) return 0;
    if (band === count + 1) return params.overshoot === "last" ? params.points[count - 1]! : 0;
    return params.points[band - 1]!;
  };
  const sheet: Sheet = { rounds: [], floor: [] };

  const totals = (): number[] => {
    const t = teams.map(() => 0);
    for (const lay of sheet.rounds)
      for (let s = 0; s < length; s++) {
        const got = differ ? Math.max(0, lay[s]! - lay[1 - s]!) : lay[s]!;
        const sum = t[s]! + got;
        if (params.finish.total !== null && params.finish.exact && sum > params.finish.total)
          t[s] = params.finish.dropTo === null ? t[s]! : params.finish.dropTo;
        else t[s] = sum;
      }
    return t;
  };
  const leader = (): number => {
    let lead = 0;
    for (const lay of sheet.rounds) {
      if (params.lead === "alternate") lead = (lead + 1) % length;
      else if (params.lead !== "same") {
        const wanted = params.lead === "winner" ? Math.max(...lay) : Math.min(...lay);
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
    const there = params.finish.total !== null && t.some((x) => x >= params.finish.total!);
    if (!there && !(params.finish.rounds !== null && played >= params.finish.rounds)) return false;
    if (params.tie === "shared" || setup.mode !== "against") return true;
    if (there && params.finish.exact) return true;
    const top = Math.max(...t);
    return t.filter((x) => x === top).length === 1;
  };
  const order = (): number[] => {
    const out: number[] = [];
    const lead = leader();
    for (let k = 0; k < length * params.pieces; k++)
      out.push((lead + (params.order === "piece" ? k : Math.floor(k / params.pieces))) % length);
    return out;
  };
  const piecesSent = (side: number) =>
    sheet.rounds.length * params.pieces + sheet.floor.filter((f) => f.side === side).length;
  const whose = () => {
    const seq = order();
    const side = sheet.floor.length < seq.length ? seq[sheet.floor.length]! : leader();
    return { side, player: teams[side]![piecesSent(side) % teams[side]!.length]! };
  };

  const accepted: boolean[] = [];
  let decided = false;
  let last = 0;
  for (const event of events) {
    const complete = sheet.floor.length === length * params.pieces;
    const { side } = whose();
    const lastOfSide = !complete && sheet.floor.filter((f) => f.side === side).length === params.pieces - 1;
    const mustDecide = params.blocker && lastOfSide && !decided;
    let ok = false;
    if (!isOver() && event.at >= last) {
      if (
        event.kind === "send" &&
        event.rest !== undefined &&
        !complete &&
        !mustDecide &&
        bandNo(event.rest) !== null
      ) {
        sheet.floor.push({ side, band: bandNo(event.rest)! });
        decided = false;
        ok = true;
      } else if (event.kind === "move" && sheet.floor[event.piece] && bandNo(event.place) !== null) {
        sheet.floor[event.piece]!.band = bandNo(event.place)!;
        ok = true;
      } else if (
        event.kind === "choose" &&
        mustDecide &&
        (event.pick === null || (event.pick !== "over" && bandNo(event.pick) !== null))
      ) {
        decided = true;
        ok = true;
      } else if (event.kind === "stand" && sheet.floor.length > 0) ok = true;
      else if (event.kind === "carry" && match.carry && sheet.floor.length === 0 && sheet.rounds.length > 0) ok = true;
      else if (event.kind === "ready" && complete) {
        sheet.rounds.push(
          teams.map((_, s) => sheet.floor.filter((f) => f.side === s).reduce((sum, f) => sum + worth(f.band), 0)),
        );
        sheet.floor = [];
        decided = false;
        ok = true;
      }
    }
    if (ok) last = event.at;
    accepted.push(ok);
  }
  const values = totals();
  const over = isOver();
  const winners =
    over && setup.mode === "against" && length > 1
      ? values.flatMap((value, i) => (value === Math.max(...values) ? [i] : []))
      : [];
  return { accepted, player: whose().player, over, values, winners };
}
