import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { PinsParams } from "./params.ts";

/** A second, plain telling of Pins from its description: a sheet of frames, each a list of what fell. It shares no code with the rules. */
function story(p: PinsParams): Story {
  const n = p.formation.count;
  const all = new Set([...Array(n).keys()].map((i) => `p${i + 1}`));
  const frames: number[][] = [[]];
  /** Those that may stand; `sure`: that do. */
  let up = new Set(all);
  let sure = true;
  let many = n;
  let lying = false;
  let laid = p.formation.kind === "given";
  const worth = () =>
    frames.reduce(
      (sum, rolls) => sum + rolls.reduce((a, b) => a + b, 0) * p.points + (rolls[0] === n ? p.bonus : 0),
      0,
    );
  /** Whether all stand wholly inside the square and none touches another, in whole millimetres. */
  const standsWell = (spots: readonly { id: string; along: number; across: number }[]) => {
    const f = p.formation;
    if (f.kind !== "own" || spots.length !== n || new Set(spots.map((s) => s.id)).size !== n) return false;
    const r = Math.round(p.pin.width * 1000) / 2;
    const [near, far] = [Math.round(p.distance * 1000), Math.round((p.distance + f.depth) * 1000)];
    const aside = Math.round(f.width * 1000) / 2;
    const middle = Math.round(p.across * 1000);
    return spots.every(
      (s, i) =>
        all.has(s.id) &&
        s.along - r >= near &&
        s.along + r <= far &&
        Math.abs(s.across - middle) + r <= aside &&
        spots.every((t, k) => k <= i || Math.hypot(s.along - t.along, s.across - t.across) - 2 * r >= 10 - 1e-9),
    );
  };
  return {
    clock: () => undefined,
    rings: () => "no",
    value: worth,
    rank: worth,
    take(e) {
      if (e.kind === "arrange") {
        if (laid || !standsWell(e.spots)) return "no";
        laid = true;
        return "on";
      }
      if (!laid) return "no";
      const rolls = frames[frames.length - 1]!;
      if (e.kind === "stand") {
        if (!lying) return "no";
        lying = false;
        up = new Set(all);
        sure = true;
        many = n;
        return rolls.length === 0 ? "spent" : "on";
      }
      if (e.kind !== "send" || e.fell === undefined || lying) return "no";
      let fell: number;
      if (typeof e.fell === "number") {
        fell = e.fell;
        if (fell > many) return "no";
        // A number tells which only where it is none or all.
        if (fell > 0 && fell < many) sure = false;
      } else {
        fell = new Set(e.fell).size;
        if (fell !== e.fell.length) return "no";
        if (!sure && fell > 0 && fell !== many) return "no";
        if (e.fell.some((id) => !up.has(id))) return "no";
        for (const id of e.fell) up.delete(id);
      }
      rolls.push(fell);
      many -= fell;
      if (many === 0) up = new Set();
      const cleared = many === 0;
      const done = rolls.length === p.rolls || (cleared && (rolls.length === 1 || !p.standUp));
      if (!done) {
        if (p.standUp && fell > 0) lying = true;
        return "on";
      }
      if (frames.length === p.frames) return "end";
      frames.push([]);
      lying = true;
      return "on";
    },
  };
}

export const tellPins = (p: PinsParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p), { match, each: false }, setup, events);
