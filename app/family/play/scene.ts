import { type AimKind, type Ask, askOf, mainAsks } from "#core/asks/ask.ts";
import type { AnyPlayPattern } from "#core/contract/contract.ts";
import { hasField, withSetting } from "#core/contract/settings.ts";
import { TARGETS_FIELD } from "#core/contract/standing.ts";
import { extraObjectIndex, extraObjects } from "#core/kit/extra-objects.ts";
import type { View } from "#core/referee/play.ts";
import type { Part } from "#core/yard/parts.ts";
import { itemName, namesOf, sayPhrase } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import { piecesIn } from "../inputs/zones.tsx";
import type { SetValues } from "./choosable.ts";

/** Aims that are reported on a picture of the floor. */
const ON_FLOOR = new Set(["zones", "cells", "fall", "near"]);
/** Aims that are not single attempts of one side, so they are not numbered. */
const UNNUMBERED: ReadonlySet<AimKind> = new Set(["point", "goal", "bat"]);
const isFloor = (ask: Ask): boolean =>
  (ask.kind === "choose" && (!ask.must || ask.does !== undefined || ask.of === "lift")) ||
  ask.kind === "arrange" ||
  ask.kind === "mix" ||
  ask.kind === "swap" ||
  (ask.kind === "send" && ON_FLOOR.has(ask.aim.kind));

/** The parameters and the match as the family has set them. */
export function asSet(
  game: { params: unknown; match: CardData["card"]["activity"]["match"] },
  set: SetValues,
): readonly [unknown, CardData["card"]["activity"]["match"]] {
  const fields = Object.entries(set).filter(([field]) => hasField(game, field));
  const now = fields.reduce((before, [field, value]) => withSetting(before, { field, value }), game);
  return [now.params, now.match];
}

/** Which parts a game has does not depend on the space. */
const SOMEWHERE = { length: 60, width: 60 };
/** The parts of a card, without the targets that are not played. */
function playedParts(pattern: AnyPlayPattern, parts: readonly Part[], all: unknown, some: unknown): Part[] {
  const ids = (params: unknown) => new Set(pattern.ground.parts(params, SOMEWHERE).map((part) => part.id));
  const [known, played] = [ids(all), ids(some)];
  return parts.filter((part) => played.has(part.id) || !known.has(part.id));
}

/** What is on the floor, what to aim at and what to do now, worked out once for each view. */
export interface Scene {
  /** What the player is asked first, if anything. */
  asked: Ask | undefined;
  /** The sentence that says what to do now. */
  doNow: string;
  /** The object to use, where objects take turns. */
  object: string | null;
  /** The part to highlight: the target called for, or the line to stand on. */
  now: string | undefined;
  /** The input is drawn as the floor lies, so it replaces the picture. */
  onFloor: boolean;
  /** The parts that are played, as the child has set them out. */
  parts: readonly Part[];
  /** Pieces that lie in a band, by the player they belong to. */
  pieces: { zone: string | null; shape: number }[];
  /** True if several targets or pieces on the floor need more of the screen. */
  crowded: boolean;
  /** The attempt has a number of its own: `Roll 4 of 16`. */
  numbered: boolean;
  /** The limit of attempts in a go. Null if there is none. */
  cap: number | null;
}

/**
 * Works out the scene of a view. `places` lists the targets as they were when there were several to choose from. They
 * keep their places to the end, and new ones are added behind them.
 */
export function sceneOf(
  view: View,
  {
    data,
    pattern,
    places,
    mending,
  }: { data: CardData; pattern: AnyPlayPattern; places: readonly string[]; mending: boolean },
): Scene & { places: readonly string[] } {
  const { activity } = data.card;
  const asked = mainAsks(view.asks)[0];
  const manner = asked && "manner" in asked ? asked.manner : undefined;
  const turns = extraObjects(activity);
  const object =
    turns.length > 0 && manner
      ? itemName(
          turns[extraObjectIndex(manner.thing)] ?? view.objects.send ?? activity.kit.send,
          namesOf(activity.kit.own),
        )
      : null;
  // What the child has to find out is not highlighted.
  const spell = asked && "spell" in asked ? asked.spell : undefined;
  const shown = !spell || spell.show === "word";
  const aimed = asked?.kind === "send" && asked.aim.kind === "any" ? asked.aim : null;
  const wanted = aimed && aimed.want.length === 1 && shown ? aimed.want[0] : undefined;
  const passedTo = asked?.kind === "send" && "mark" in asked.aim ? asked.aim.mark : undefined;
  // If the line moves, the line to stand on is highlighted instead of the target.
  const fromLine = view.from !== null && view.from !== "start" ? view.from : wanted;
  const toChoose = aimed && (aimed.want.length > 1 || places.length > 0);
  const kept = toChoose && aimed.among.some((id) => !places.includes(id)) ? aimed.among : places;
  const many =
    spell !== undefined ||
    kept.length > 0 ||
    (shown && wanted === undefined && asked !== undefined && (asked.kind === "send" || asked.kind === "choose"));
  const set = asSet({ params: activity.pattern.params, match: activity.match }, view.set);
  const played =
    view.set[TARGETS_FIELD] === undefined
      ? data.card.parts
      : playedParts(pattern, data.card.parts, activity.pattern.params, set[0]);
  return {
    asked,
    doNow: sayPhrase(view.now, {}, attemptWords(manner?.action ?? activity.aim.action)),
    object,
    now: passedTo ?? (wanted === undefined ? undefined : fromLine),
    onFloor:
      !mending &&
      asked !== undefined &&
      (isFloor(asked) || (asked.kind === "ready" && askOf(view.asks, "measure") !== undefined)),
    parts: view.laid ? played.map((part) => asLaid(part, view.laid!)) : played,
    pieces: piecesIn(view.asks).map((piece) => ({ zone: piece.place, shape: piece.player })),
    crowded: many || data.card.parts.some((part) => part.kind === "zone" || part.kind === "cell"),
    numbered: asked?.kind === "send" && !UNNUMBERED.has(asked.aim.kind),
    cap: pattern.needs(...set).sends,
    places: kept,
  };
}

/** A target at the place where the child has put it. */
function asLaid(part: Part, laid: NonNullable<View["laid"]>): Part {
  const at = part.kind === "target" && laid.find((spot) => spot.id === part.id);
  return at ? { ...part, along: at.along, across: at.across } : part;
}
