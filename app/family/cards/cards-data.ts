import type { FamilyCard } from "#server/cards/family.ts";

/** The data of the page with all of a child's games. Dates are written out in the school's time zone. */
export interface CardsData {
  token: string;
  name: string;
  school: string;
  /** Ids of every card that the device may still hold results for, even one that is no longer shown. */
  ids: readonly string[];
  /** True if the family has answered the home survey. */
  answered: boolean;
  cards: readonly (Omit<FamilyCard, "opensAt" | "closesAt"> & { opensAt: string; closesAt: string })[];
}
