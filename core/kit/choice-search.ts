import type { Item } from "../items/item.ts";
import { sendingOf } from "../physics/send.ts";
import { falls } from "../physics/standing.ts";
import { assign } from "./assign.ts";
import { FINE, needed, type Option, SAME } from "./candidates.ts";
import type { Choosing } from "./choosing.ts";
import type { Coupling, Role } from "./role.ts";
import { tooHeavyToFall } from "./sense.ts";
import { type Available, enoughOf, portionOf } from "./stock.ts";

/** Larger than any cost, and still safe to add to as a whole number. */
const NEVER = 4e15;
/** The most trials of a search. Beyond it, the result is marked as not proved. */
export const MAX_TRIALS = 2_000;
/** How much larger than the object an opening must be, in metres. */
export const CLEARANCE = 0.02;

/** One way to fill a role: a column of the assignment problem. */
interface Cell {
  key: string;
  cost: number;
  o: Option;
}
/** Inserts an option into a list of the cheapest ones, in order, and keeps at most `cap`. */
function put(row: Cell[], cap: number, cell: Cell): void {
  let at = row.length;
  while (at > 0 && row[at - 1]!.cost > cell.cost) at--;
  if (at === row.length) row.push(cell);
  else row.splice(at, 0, cell);
  if (row.length > cap) row.pop();
}
const full = (row: readonly Cell[], cap: number, cost: number): boolean =>
  row.length === cap && row[cap - 1]!.cost <= cost;

/** Returns true if two items suit each other as a coupling asks. */
function suits(
  coupling: Coupling,
  item: Item,
  givenItem: Item,
  { at, mostOf, count }: { at: Choosing; mostOf: (entry: Item) => number; count: number },
): boolean {
  switch (coupling.kind) {
    case "enters":
      return (
        givenItem.opening !== null &&
        Math.min(givenItem.opening, givenItem.openingDepth ?? givenItem.opening) >= item.width + CLEARANCE
      );
    case "passes":
      return givenItem.gap !== null && givenItem.gap >= item.width + CLEARANCE;
    case "topples":
      return (
        !tooHeavyToFall(givenItem, coupling.filling, at.floor, at.indoors) &&
        falls(
          givenItem,
          coupling.filling,
          sendingOf(coupling.sends.age, coupling.sends.action, item, at.floor),
          coupling.sends.metres,
        )
      );
    case "differs":
      // If both sides use the same item and it does not come in two looks, one set gets marked.
      return item.id !== givenItem.id || mostOf(item) >= 2 * count;
  }
}
/** Returns the two roles of a coupling: the one that must suit, and the one it must suit to. */
export const endsOf = (coupling: Coupling): readonly [string, string] =>
  coupling.kind === "enters"
    ? [coupling.object, coupling.opening]
    : coupling.kind === "passes"
      ? [coupling.object, coupling.gap]
      : coupling.kind === "topples"
        ? [coupling.object, coupling.pin]
        : [coupling.a, coupling.b];

interface Tie {
  k: Coupling;
  /** The indices of the two roles that it ties together. */
  a: number;
  b: number;
}
/** The best complete choice: an option for each role, its cost, and whether it is proved best. */
export interface Found {
  options: readonly Option[];
  cost: number;
  cut: boolean;
  trials: number;
}

/** Searches for the best complete choice (see `choose`). The stock is the same afterwards. */
export class ChoiceSearch {
  private readonly chosen: (Option | null)[];
  private readonly best: { cost: number; chosen: (Option | null)[] } = { cost: Number.POSITIVE_INFINITY, chosen: [] };
  /** What each chosen role has taken, so that it can be returned. */
  private readonly taken: (readonly { id: string; count: number }[])[];
  /** The couplings of each role. */
  private readonly tied: readonly (readonly Tie[])[];
  private readonly most: ReadonlyMap<string, number>;
  private readonly cap: number;
  private trials = 0;
  private cut = false;

  /** `options` are those of each role, cheapest first. `left` is the remaining stock, updated as items are taken. */
  constructor(
    private readonly choosing: Choosing,
    private readonly options: readonly (readonly Option[])[],
    available: readonly Available[],
    private readonly left: Map<string, number>,
  ) {
    const { roles } = choosing;
    this.most = new Map(available.map((eachAvailable) => [eachAvailable.item.id, eachAvailable.most]));
    this.cap = choosing.mostTrials ?? MAX_TRIALS;
    this.chosen = roles.map(() => null);
    this.taken = roles.map(() => []);
    const ties = choosing.couplings.map((k): Tie => {
      const [a, b] = endsOf(k).map((id) => roles.findIndex((role) => role.id === id)) as [number, number];
      return { k, a, b };
    });
    this.tied = roles.map((_, i) => ties.filter(({ a, b }) => a === i || b === i));
  }

  run(): Found {
    this.search(
      this.choosing.roles.map((_, i) => i),
      0,
    );
    return {
      options: this.best.chosen.map((option) => option!),
      cost: this.best.cost,
      cut: this.cut,
      trials: this.trials,
    };
  }
  /** Chooses an option for a role and takes its items out of stock. Returns how many have to be made. */
  choose(i: number, option: Option): number {
    this.chosen[i] = option;
    return this.take(i, option);
  }
  /** Returns what else could fill a role while the other choices stay, cheapest first. */
  others(i: number): Option[] {
    const role = this.choosing.roles[i]!;
    const is = this.chosen[i]!;
    this.give(i);
    const others = this.options[i]!.filter(
      (option) => option.of && option !== is && this.enough(option, role) && this.fits(i, option),
    );
    this.take(i, is);
    return others;
  }

  private enough(option: Option, role: Role): boolean {
    return option.of === null || enoughOf(option.of, needed(option.of.item, role), this.left);
  }
  private take(i: number, option: Option): number {
    const portion = option.of && portionOf(option.of, needed(option.of.item, this.choosing.roles[i]!), this.left);
    const takes = portion?.takes ?? [];
    this.taken[i] = takes;
    for (const t of takes) this.left.set(t.id, (this.left.get(t.id) ?? 0) - t.count);
    return portion?.made ?? 0;
  }
  private give(i: number): void {
    for (const t of this.taken[i]!) this.left.set(t.id, (this.left.get(t.id) ?? 0) + t.count);
    this.taken[i] = [];
  }
  /** A coupling of role `i` that does not hold with what is chosen so far. */
  private strained(i: number, option: Option): Tie | undefined {
    const mostOf = (item: Item) => this.most.get(item.id) ?? 0;
    for (const tie of this.tied[i]!) {
      const one = tie.a === i ? option : this.chosen[tie.a];
      const two = tie.b === i ? option : this.chosen[tie.b];
      if (!one?.of || !two?.of) continue;
      const { count } = this.choosing.roles[tie.a]!;
      if (!suits(tie.k, one.of.item, two.of.item, { at: this.choosing, mostOf, count })) return tie;
    }
    return undefined;
  }
  private fits(i: number, option: Option): boolean {
    return this.strained(i, option) === undefined;
  }
  private isTarget(i: number): boolean {
    return this.choosing.roles[i]!.use === "target";
  }
  /** How many targets use this item already. */
  private alikes(id: string): number {
    return this.chosen.reduce((sum, option, k) => sum + (option?.of?.item.id === id && this.isTarget(k) ? 1 : 0), 0);
  }

  /**
   * The least that the open roles can cost with the remaining stock, and a choice of that cost: every role gets an
   * item of its own, each item as often as it is available. Each further target of the same kind costs more than the
   * one before, so targets that are alike are counted in full. Ignored are couplings among open roles, items made
   * from the same materials, and items used both as a target and as something else: all of these can only raise the
   * cost.
   */
  private relaxed(open: readonly number[]): { cost: number; options: Option[] } {
    const columns: string[] = [];
    const columnOf = new Map<string, number>();
    const column = (key: string) => {
      let j = columnOf.get(key);
      if (j === undefined) {
        j = columns.length;
        columns.push(key);
        columnOf.set(key, j);
      }
      return j;
    };
    const cells: { j: number; cost: number; o: Option }[][] = open.map((i) => {
      const row: Cell[] = [];
      const role = this.choosing.roles[i]!;
      const kind = this.isTarget(i) ? "target" : "other";
      // Cheapest first, and at most one more than there are roles, because a row can never use more.
      const cap = open.length + 1;
      for (const option of this.options[i]!) {
        // Options come cheapest first.
        if (full(row, cap, option.cost)) break;
        if (option.of === null) {
          put(row, cap, { key: `none ${i}`, cost: option.cost, o: option });
          continue;
        }
        if (!this.enough(option, role) || !this.fits(i, option)) continue;
        const { id } = option.of.item;
        const already = this.isTarget(i) ? this.alikes(id) : 0;
        const count = needed(option.of.item, role);
        const most = option.of.from ? open.length : Math.min(open.length, Math.floor((this.left.get(id) ?? 0) / count));
        for (let k = 0; k < most; k++) {
          const cost = option.cost + (this.isTarget(i) ? SAME * FINE * (already + k) : 0);
          if (full(row, cap, cost) || (k > 0 && option.of.from && !enoughOf(option.of, count * (k + 1), this.left)))
            break;
          put(row, cap, { key: `${kind} ${id} ${k}`, cost, o: option });
        }
      }
      return row.map(({ key, cost, o: option }) => ({ j: column(key), cost, o: option }));
    });
    const costs = cells.map((row) => {
      const line = new Array<number>(columns.length).fill(NEVER);
      for (const cell of row) line[cell.j] = cell.cost;
      return line;
    });
    const { columns: got, cost } = assign(costs);
    return { cost, options: cells.map((row, r) => row.find((cell) => cell.j === got[r])!.o) };
  }

  /** Returns the first open role for which the choice fails, or null if it works. */
  private conflict(open: readonly number[], list: readonly Option[]): number | null {
    let bad: number | null = null;
    let done = 0;
    for (; done < open.length && bad === null; done++) {
      const i = open[done]!;
      const option = list[done]!;
      const strain = this.strained(i, option);
      if (strain) bad = open.includes(strain.a) ? strain.a : i;
      else if (!this.enough(option, this.choosing.roles[i]!)) bad = i;
      else {
        this.chosen[i] = option;
        this.take(i, option);
        continue;
      }
      break;
    }
    for (let r = done - 1; r >= 0; r--) {
      this.give(open[r]!);
      this.chosen[open[r]!] = null;
    }
    return bad;
  }

  private search(open: readonly number[], cost: number): void {
    this.trials++;
    if (open.length === 0) {
      if (cost < this.best.cost) [this.best.cost, this.best.chosen] = [cost, [...this.chosen]];
      return;
    }
    const least = this.relaxed(open);
    if (cost + least.cost >= this.best.cost) return;
    const at = this.conflict(open, least.options);
    if (at === null) {
      this.best.cost = cost + least.cost;
      this.best.chosen = [...this.chosen];
      open.forEach((i, r) => {
        this.best.chosen[i] = least.options[r]!;
      });
      return;
    }
    const rest = open.filter((i) => i !== at);
    const role = this.choosing.roles[at]!;
    for (const option of this.options[at]!) {
      if (cost + option.cost >= this.best.cost) break;
      // Finds at least one complete choice, however small the limit.
      if (this.trials >= this.cap && this.best.cost < Number.POSITIVE_INFINITY) {
        this.cut = true;
        return;
      }
      if (!this.enough(option, role) || !this.fits(at, option)) continue;
      const more = option.of && this.isTarget(at) ? SAME * FINE * this.alikes(option.of.item.id) : 0;
      this.chosen[at] = option;
      this.take(at, option);
      this.search(rest, cost + option.cost + more);
      this.give(at);
      this.chosen[at] = null;
    }
  }
}
