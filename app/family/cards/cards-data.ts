import type { FamilyCard } from "#server/cards/family.ts";

/** What the page with all games of a family shows. Dates are written out in the school's time. */
export interface CardsData {
  token: string;
  name: string;
  school: string;
  /** Every card that something may still wait for on the device, also one that is shown no more. */
  ids: readonly string[];
  /** The family has told what it has at home. */
  answered: boolean;
  cards: readonly (Omit<FamilyCard, "opensAt" | "closesAt"> & { opensAt: string; closesAt: string })[];
}
