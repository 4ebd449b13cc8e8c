import type { Ground, Space } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { added, startLine, targetProbes, untilHit } from "../../targets/list.ts";
import type { Part } from "../../yard/parts.ts";
import { MAX_CARDS } from "./limits.ts";
import { askedOf, wordsOf } from "./params.ts";
import type { Card, SpellerParams } from "./schema.ts";
import { cannotSpell, entriesOf, plain } from "./words.ts";

/** All cards are one role: sheets of the same kind. */
export const CARDS = "cards";

const changed = (params: SpellerParams, id: string, change: (c: Card) => Card): SpellerParams => ({
  ...params,
  cards: params.cards.map((card) => (card.id === id ? change(card) : card)),
});
/** The letter that the list needs most and that has the fewest cards. */
function usefulSign(params: SpellerParams): string {
  const all = wordsOf(params).flatMap((word) => word.signs);
  const lie = params.cards.map((card) => plain(card.text));
  const times = (list: readonly string[], text: string) => list.filter((eachText) => eachText === text).length;
  return [...new Set(all)].sort((a, b) => times(all, b) / times(lie, b) - times(all, a) / times(lie, a))[0] ?? "a";
}

/** The gap between cards on a wall, metres. */
const APART = 0.02;
/** The smallest size of a card, metres. */
const SMALLEST = 0.05;
/** The same cards on a wall, small enough to hang side by side. Cards on the floor are moved apart there. */
function sideBySide(params: SpellerParams): SpellerParams {
  if (params.up === 0) return params;
  const at = params.cards.map((card) => card.across).sort((a, b) => a - b);
  const nearest = Math.min(...at.slice(1).map((x, i) => x - at[i]!));
  const k = Math.min(1, (nearest - APART) / params.card.width);
  const cut = (metres: number) => Math.max(SMALLEST, Math.floor(100 * metres * k + 1e-9) / 100);
  return k === 1
    ? params
    : { ...params, card: { ...params.card, width: cut(params.card.width), height: cut(params.card.height) } };
}

export const spellerGround: Ground<SpellerParams> = {
  parts: (params, space) => [
    ...startLine(space),
    ...params.cards.map(
      (card): Part => ({
        kind: "target",
        id: card.id,
        group: CARDS,
        along: card.distance,
        across: card.across,
        width: params.card.width,
        height: params.card.height,
        depth: 0.05,
        item: params.card.item,
        label: card.text,
        sign: card.text.toUpperCase(),
        rule: { kind: "touch", width: params.card.width, height: params.card.height },
        ...(params.up > 0 && { base: params.up }),
      }),
    ),
  ],
  pegs: (params) =>
    params.cards.map((card) => ({
      id: card.id,
      label: card.text,
      item: params.card.item,
      distance: card.distance,
      kind: "target",
    })),
  probes(params) {
    const all = untilHit(targetProbes(params.cards.map((card) => card.id)));
    const asked = askedOf(params);
    return all.map((probe, i) => ({ ...probe, weight: asked.get(plain(params.cards[i]!.text)) ?? 0 }));
  },
  moves: "each",
  move: (params, id, { along, across }) =>
    changed(params, id, (c) => ({
      ...c,
      ...(along !== undefined && { distance: held(along, 0.3, 30) }),
      ...(across !== undefined && { across: held(across, -10, 10) }),
    })),
  add: (params, space: Space) => {
    if (params.cards.length >= MAX_CARDS) return null;
    const {
      id: _,
      distance,
      across,
    } = added(
      params.cards.map((card) => ({ ...card, item: "", label: "", width: 0.2, height: 0.2, counts: ["touch"] })),
      space,
    );
    const count = 1 + Math.max(...params.cards.map((card) => Number(card.id.slice(1)) || 0));
    return { ...params, cards: [...params.cards, { id: `c${count}`, text: usefulSign(params), distance, across }] };
  },
  /** A card that a word needs stays. */
  remove: (params, id) => {
    if (params.cards.length <= 2) return null;
    const cards = params.cards.filter((card) => card.id !== id);
    const texts = cards.map((card) => card.text);
    if (cards.length === params.cards.length || cannotSpell(entriesOf(params.list), texts, params.knock)) return null;
    return { ...params, cards };
  },
  squeeze: (params, k) =>
    sideBySide({ ...params, cards: params.cards.map((card) => ({ ...card, across: cm(card.across * k) })) }),
  swap: (params, _id, { item, width, height }) =>
    sideBySide({ ...params, card: { item, width: held(width, 0.05, 0.6), height: held(height, 0.05, 0.6) } }),
  touchCounts: (params) => params,
};
