/** The long-run result of a ladder of levels: the share of time on each, and the share of all sends that count. */
export interface Settled {
  shares: number[];
  rate: number;
}

/**
 * The long-run result of up-and-down rules. `rates` are the chances of a hit on each level, the easiest first; `up`
 * hits in a row lead to the next level, `down` misses in a row to the previous one; a change of level restarts both
 * counts, and so does the other outcome. Computed exactly, as the stationary distribution over level and count. On a
 * fine ladder 1 up 1 down tends to 50 %, 2 up 1 down to 70.7 %, 3 up 1 down to 79.4 %. Throws RangeError if there is
 * no level, or if a rule is below 1.
 */
export function settles(rates: readonly number[], up: number, down: number): Settled {
  const { each, states, after } = ladderOf(rates.length, up, down);
  const count = states;
  const moves = Array.from({ length: count }, () => new Map<number, number>());
  const add = (from: number, to: number, chance: number) => moves[from]!.set(to, (moves[from]!.get(to) ?? 0) + chance);
  for (let from = 0; from < count; from++) {
    const chance = rates[Math.floor(from / each)]!;
    add(from, after(from, true), chance);
    add(from, after(from, false), 1 - chance);
  }
  const pi = stationary(moves, count);
  const shares = rates.map((_, level) => pi.slice(level * each, (level + 1) * each).reduce((sum, b) => sum + b, 0));
  return { shares, rate: shares.reduce((sum, s, i) => sum + s * rates[i]!, 0) };
}

/**
 * The states of a ladder, `each` on a level: nothing yet, then 1 to up - 1 hits, then 1 to down - 1 misses in a row;
 * and where a send leads from each.
 */
function ladderOf(levels: number, up: number, down: number) {
  if (levels === 0) throw new RangeError("rates: at least one level");
  if (!(up >= 1 && down >= 1)) throw new RangeError("up, down: 1 or more");
  const each = up + down - 1;
  return {
    each,
    states: levels * each,
    after(from: number, hit: boolean): number {
      const [level, k] = [Math.floor(from / each), from % each];
      const hits = k < up ? k : 0;
      const misses = k < up ? 0 : k - up + 1;
      if (hit) return hits + 1 < up ? level * each + hits + 1 : Math.min(levels - 1, level + 1) * each;
      return misses + 1 < down ? level * each + up + misses : Math.max(0, level - 1) * each;
    },
  };
}

/** After this many changes of direction a ladder has settled, unless the teacher says otherwise. */
export const USUAL_TURNS = 4;
/** The most sends that are followed. */
const MAX_SENDS = 400;

/**
 * The mean number of sends until a ladder that starts on a level (its index from 0) has changed direction this often:
 * from up to down, or from down to up. Exact, by following level, count, direction and changes send by send. Null:
 * after 400 sends it is as likely as not that it has not. `rates`, `up`, `down` and errors as for `settles`.
 */
export function sendsUntil(
  rates: readonly number[],
  { up, down, begin, turns }: { up: number; down: number; begin: number; turns: number },
): number | null {
  const { each, states, after } = ladderOf(rates.length, up, down);
  // The index of a state with a direction (none yet, up, down) and a number of changes.
  const at = (state: number, way: number, made: number) => (made * 3 + way) * states + state;
  let now = new Float64Array(states * 3 * turns);
  now[at(begin * each, 0, 0)] = 1;
  let [left, sends] = [1, 0];
  for (let i = 0; i < MAX_SENDS && left > 1e-4; i++) {
    sends += left;
    const next = new Float64Array(now.length);
    for (let made = 0; made < turns; made++)
      for (let way = 0; way < 3; way++)
        for (let from = 0; from < states; from++) {
          const chance = now[at(from, way, made)]!;
          if (chance === 0) continue;
          const level = Math.floor(from / each);
          for (const hit of [true, false]) {
            const to = after(from, hit);
            const step = Math.sign(Math.floor(to / each) - level);
            const goes = step === 0 ? way : step > 0 ? 1 : 2;
            const turned = made + Number(way !== 0 && goes !== way);
            const share = chance * (hit ? rates[level]! : 1 - rates[level]!);
            if (turned === turns) left -= share;
            else next[at(to, goes, turned)]! += share;
          }
        }
    now = next;
  }
  return left > 0.5 ? null : sends;
}

/** The stationary distribution, by Gaussian elimination without subtractions (Grassmann, Taksar and Heyman, 1985). */
function stationary(moves: readonly ReadonlyMap<number, number>[], count: number): number[] {
  const p = moves.map((row) => Array.from({ length: count }, (_, j) => row.get(j) ?? 0));
  for (let k = count - 1; k > 0; k--) {
    const out = p[k]!.slice(0, k).reduce((eachSum, b) => eachSum + b, 0);
    for (let i = 0; i < k; i++) {
      p[i]![k]! = out > 0 ? p[i]![k]! / out : 0;
      for (let j = 0; j < k; j++) p[i]![j]! += p[i]![k]! * p[k]![j]!;
    }
  }
  const pi = new Array<number>(count).fill(0);
  pi[0] = 1;
  for (let k = 1; k < count; k++) for (let i = 0; i < k; i++) pi[k]! += pi[i]! * p[i]![k]!;
  const sum = pi.reduce((eachSum, b) => eachSum + b, 0);
  return pi.map((x) => x / sum);
}
