import type { Caution } from "../things/cautions.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import type { Coupling, Role } from "./role.ts";
import type { Stock } from "./stock.ts";

/** What is chosen for: the roles of a game, and the home. */
export interface Choosing {
  roles: readonly Role[];
  couplings: readonly Coupling[];
  /** The list of things: that of the tool, as a school has changed it. Its order breaks ties. */
  items: readonly Item[];
  stock: Stock;
  floor: Floor;
  indoors: boolean;
  /** The home asked for these. */
  quiet?: boolean;
  noBallsIndoors?: boolean;
  /** Roles that somebody has decided. */
  fixed?: Readonly<Record<string, string>>;
  mostTrials?: number;
}

export interface Pick {
  role: string;
  item: string;
  count: number;
  /** Message key and parameters: why this one. Items in parameters are ids. */
  why: { key: string; params: Record<string, string | number> };
  cautions: Caution[];
  /** The next best for this role with everything else as it is. */
  alternatives: string[];
  /** Made first, minutes. */
  minutes: number;
}
export interface Unmet {
  role: string;
  optional: boolean;
  /** Message key and parameters: why nothing fits. */
  why: { key: string; params: Record<string, string | number> };
}
export interface Chosen {
  picks: Pick[];
  unmet: Unmet[];
  cost: number;
  /** Whether the search went to its end: no better whole choice exists. */
  proved: boolean;
  trials: number;
}
