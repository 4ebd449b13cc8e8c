import type { Aim, AimKind, AimOf } from "../asks/ask.ts";
import type { KindOf } from "./kind.ts";

/** A kind of aim was needed whose meaning is not loaded. `loadKind` loads it. */
export class KindNotLoaded extends Error {
  constructor(readonly kind: AimKind) {
    super(`the kind of aim "${kind}" is not loaded`);
  }
}

/**
 * The meanings of kinds of aim that are loaded. `kinds.ts` puts all of them in, and the registry of patterns loads it.
 * A family's device that works out a fair match puts in those of its game.
 */
const loaded = new Map<AimKind, unknown>();

/** Makes a kind of aim known to everything that works out chances. */
export function keepKind<K extends AimKind>(kind: K, meaning: KindOf<AimOf<K>>): void {
  loaded.set(kind, meaning);
}

/** The meaning of an aim's kind. Throws KindNotLoaded if it is not loaded. */
export function kindOf<A extends Aim>(aim: A): KindOf<A> {
  const meaning = loaded.get(aim.kind);
  if (!meaning) throw new KindNotLoaded(aim.kind);
  return meaning as KindOf<A>;
}
