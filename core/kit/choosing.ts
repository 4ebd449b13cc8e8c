import type { Caution } from "../items/cautions.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import type { Coupling, Role } from "./role.ts";
import type { Stock } from "./stock.ts";

/** The input of a choice: the roles of a game, and the home. */
export interface Choosing {
  roles: readonly Role[];
  couplings: readonly Coupling[];
  /** The catalogue as the school has changed it. Its order breaks ties. */
  items: readonly Item[];
  stock: Stock;
  floor: Floor;
  indoors: boolean;
  /** Items that the home asked for. */
  quiet?: boolean;
  noBallsIndoors?: boolean;
  /** Roles whose item somebody has decided. */
  fixed?: Readonly<Record<string, string>>;
  mostTrials?: number;
}

export interface Pick {
  role: string;
  item: string;
  count: number;
  /** Message key and parameters that say why this one was chosen. Items in parameters are ids. */
  why: { key: string; params: Record<string, string | number> };
  cautions: Caution[];
  /** The next best item for this role if nothing else changes. */
  alternatives: string[];
  /** Minutes needed to make it first. */
  minutes: number;
}
export interface Unmet {
  role: string;
  optional: boolean;
  /** Message key and parameters that say why nothing fits. */
  why: { key: string; params: Record<string, string | number> };
}
export interface Chosen {
  picks: Pick[];
  unmet: Unmet[];
  cost: number;
  /** True if the search was complete, so that no better choice exists. */
  proved: boolean;
  trials: number;
}
