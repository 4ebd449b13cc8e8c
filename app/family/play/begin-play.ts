import type { AnyPlayPattern } from "#core/contract/contract.ts";
import type { CardData } from "../card/card-data.ts";
import { decidedEvents, type OwnCard } from "../card/own-card.ts";
import { holdPage } from "../device/offline.ts";
import { addEvent, addPlay, deviceId, type LocalPlay } from "../device/store.ts";
import { takeChosen } from "./answered.ts";
import type { SetValue } from "./choosable.ts";

/** How a go begins, as the family chose it. */
export interface Beginning {
  setup: LocalPlay["setup"];
  names: readonly string[];
  /** Settings that the family changed, by their field. */
  settings: readonly { field: string; value: SetValue }[];
  /** A grown-up adds points by hand. */
  adds: boolean;
  call: boolean;
  /** It is handed in nowhere. */
  practice: boolean;
  /** A teacher tries the game out, with a clock this many times as fast. */
  speed?: number;
}

/** Begins a go on this device, with what the family decided before play first in its record. */
export async function beginPlay(
  data: CardData,
  pattern: AnyPlayPattern,
  own: OwnCard,
  given: Beginning,
): Promise<void> {
  const { setup, names, settings, adds, call, practice, speed } = given;
  // The answer to the quick question goes with the first go that counts.
  const chose = practice ? null : takeChosen(data.id);
  const play: LocalPlay = {
    id: crypto.randomUUID(),
    token: data.token,
    card: data.id,
    device: deviceId(),
    setup,
    ...(adds && { adds }),
    ...(call && { call: true }),
    ...((practice || speed !== undefined) && { practice: true }),
    ...(speed !== undefined && { speed }),
    ...(chose !== null && { chose }),
    names: [...names],
    rulesVersion: pattern.rulesVersion,
    cardHash: data.hash ?? null,
    decided: { ...own.decided, fixed: { ...own.decided.fixed }, also: [...own.decided.also] },
    startedAt: Date.now(),
    done: false,
    result: null,
    receipt: null,
    refused: null,
  };
  await addPlay(play);
  const first = settings.map(({ field, value }) => ({ kind: "set" as const, field, value }));
  for (const [seq, body] of [...decidedEvents(own.decided), ...first].entries())
    await addEvent(play.id, seq, { ...body, at: 0 });
  holdPage(true);
}
