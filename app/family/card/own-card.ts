import { useCallback, useEffect, useState } from "react";
import type { Card } from "#core/compile/card.ts";
import type { Decided } from "#core/compile/swap.ts";
import { remember, rememberedJson } from "../../kept.ts";

const NOTHING: Decided = { home: null, fixed: {}, also: [] };
/** Swapping is loaded separately, when somebody swaps an item. */
const loadSwap = () => import("#core/compile/swap.ts");

export interface OwnCard {
  card: Card;
  /** The card as the school sent it. */
  sent: Card;
  decided: Decided;
  busy: boolean;
  decide: (decided: Decided) => void;
  options: (role: string) => Promise<{ here: string[]; ifHave: string[] }>;
}

/**
 * The card as this family plays it: as it was sent, or compiled again on this device after the family has changed
 * something.
 */
export function useOwnCard(id: string, sent: Card): OwnCard {
  const key = `yard-kit-${id}`;
  const [decided, set] = useState<Decided>(NOTHING);
  const [card, setCard] = useState(sent);
  const [busy, setBusy] = useState(false);
  const apply = useCallback(
    async (givenDecided: Decided) => {
      set(givenDecided);
      const same =
        givenDecided.home === null &&
        Object.keys(givenDecided.fixed).length === 0 &&
        givenDecided.also.length === 0 &&
        !givenDecided.bare;
      if (same || !sent.making) {
        setCard(sent);
        return;
      }
      setBusy(true);
      try {
        const { remake } = await loadSwap();
        setCard(remake(sent.making, givenDecided));
      } finally {
        setBusy(false);
      }
    },
    [sent],
  );
  useEffect(() => {
    const kept = rememberedJson<Decided>(key);
    if (kept) void apply({ ...NOTHING, ...kept });
  }, [key, apply]);
  const decide = useCallback(
    (givenDecided: Decided) => {
      remember(key, JSON.stringify(givenDecided));
      void apply(givenDecided);
    },
    [key, apply],
  );
  const options = useCallback(
    async (role: string) =>
      sent.making ? (await loadSwap()).swapOptions(sent.making, decided, role) : { here: [], ifHave: [] },
    [sent, decided],
  );
  return { card, sent, decided, busy, decide, options };
}

/**
 * The family's changes, as events for the record, so that later calculations know which item was really sent, and
 * where.
 */
export function decidedEvents(decided: Decided): { kind: "object"; role: string; item: string }[] {
  return [
    ...(decided.home ? [{ kind: "object" as const, role: "home", item: decided.home }] : []),
    ...Object.entries(decided.fixed).map(([role, item]) => ({ kind: "object" as const, role, item })),
  ];
}
