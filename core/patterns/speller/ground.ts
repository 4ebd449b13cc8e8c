import type { Ground, Space } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import { added, startLine, targetProbes, untilHit } from "../../targets/list.ts";
import type { Part } from "../../yard/parts.ts";
import { askedOf, type Card, MAX_CARDS, type SpellerParams, wordsOf } from "./params.ts";
import { cannotSpell, entriesOf, plain } from "./words.ts";

/** All cards are one role: sheets of one kind. */
export const CARDS = "cards";

const changed = (p: SpellerParams, id: string, change: (c: Card) => Card): SpellerParams => ({
  ...p,
  cards: p.cards.map((c) => (c.id === id ? change(c) : c)),
});
/** A letter that the list needs most and that lies least often. */
function usefulSign(p: SpellerParams): string {
  const all = wordsOf(p).flatMap((w) => w.signs);
  const lie = p.cards.map((c) => plain(c.text));
  const times = (list: readonly string[], s: string) => list.filter((x) => x === s).length;
  return [...new Set(all)].sort((a, b) => times(all, b) / times(lie, b) - times(all, a) / times(lie, a))[0] ?? "a";
}

/** Cards on a wall hang so far apart, metres. */
const APART = 0.02;
/** No card is cut smaller than this, metres. */
const SMALLEST = 0.05;
/** The same cards on a wall, cut so much smaller that each hangs beside the next; cards on the floor are parted there. */
function sideBySide(p: SpellerParams): SpellerParams {
  if (p.up === 0) return p;
  const at = p.cards.map((c) => c.across).sort((a, b) => a - b);
  const nearest = Math.min(...at.slice(1).map((x, i) => x - at[i]!));
  const k = Math.min(1, (nearest - APART) / p.card.width);
  const cut = (m: number) => Math.max(SMALLEST, Math.floor(100 * m * k + 1e-9) / 100);
  return k === 1 ? p : { ...p, card: { ...p.card, width: cut(p.card.width), height: cut(p.card.height) } };
}

export const spellerGround: Ground<SpellerParams> = {
  parts: (p, space) => [
    ...startLine(space),
    ...p.cards.map(
      (c): Part => ({
        kind: "target",
        id: c.id,
        group: CARDS,
        along: c.distance,
        across: c.across,
        width: p.card.width,
        height: p.card.height,
        depth: 0.05,
        item: p.card.item,
        label: c.text,
        sign: c.text.toUpperCase(),
        rule: { kind: "touch", width: p.card.width, height: p.card.height },
        ...(p.up > 0 && { base: p.up }),
      }),
    ),
  ],
  pegs: (p) =>
    p.cards.map((c) => ({ id: c.id, label: c.text, item: p.card.item, distance: c.distance, kind: "target" })),
  probes(p) {
    const all = untilHit(targetProbes(p.cards.map((c) => c.id)));
    const asked = askedOf(p);
    return all.map((probe, i) => ({ ...probe, weight: asked.get(plain(p.cards[i]!.text)) ?? 0 }));
  },
  moves: "each",
  move: (p, id, { along, across }) =>
    changed(p, id, (c) => ({
      ...c,
      ...(along !== undefined && { distance: held(along, 0.3, 30) }),
      ...(across !== undefined && { across: held(across, -10, 10) }),
    })),
  add: (p, space: Space) => {
    if (p.cards.length >= MAX_CARDS) return null;
    const {
      id: _,
      distance,
      across,
    } = added(
      p.cards.map((c) => ({ ...c, item: "", label: "", width: 0.2, height: 0.2, counts: ["touch"] })),
      space,
    );
    const n = 1 + Math.max(...p.cards.map((c) => Number(c.id.slice(1)) || 0));
    return { ...p, cards: [...p.cards, { id: `c${n}`, text: usefulSign(p), distance, across }] };
  },
  /** A card that a word needs stays. */
  remove: (p, id) => {
    if (p.cards.length <= 2) return null;
    const cards = p.cards.filter((c) => c.id !== id);
    const texts = cards.map((c) => c.text);
    if (cards.length === p.cards.length || cannotSpell(entriesOf(p.list), texts, p.knock)) return null;
    return { ...p, cards };
  },
  squeeze: (p, k) => sideBySide({ ...p, cards: p.cards.map((c) => ({ ...c, across: cm(c.across * k) })) }),
  swap: (p, _id, { item, width, height }) =>
    sideBySide({ ...p, card: { item, width: held(width, 0.05, 0.6), height: held(height, 0.05, 0.6) } }),
  touchCounts: (p) => p,
};
