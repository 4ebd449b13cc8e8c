import { useMemo, useState } from "react";
import { type AnyPlayPattern, MODES, type Mode, type Setup } from "#core/contract/contract.ts";
import { openGame } from "#core/contract/game.ts";
import { hasGuards, lineRange, linesIn } from "#core/contract/standing.ts";
import { mostHead } from "#core/match/heads.ts";
import { say, sayList } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import type { LocalPlay } from "../device/store.ts";
import { type Person, PLAIN_PERSON, personOf, rolesOf } from "./people.ts";

/** Returns the numbers of players to choose from. One player is offered only when the game can be played alone. */
const countsOf = (least: number, most: number, alone: boolean): number[] =>
  Array.from({ length: most - least + 1 }, (_, i) => i + least).filter((count) => count > 1 || alone);

/**
 * What follows from the game alone: its unit, the largest head start, the lines to stand at, and whether sides guard
 * something.
 */
function useGameFigures(data: CardData, pattern: AnyPlayPattern) {
  const { params } = data.card.activity.pattern;
  const game = useMemo(
    () => openGame(pattern, { params, match: data.card.activity.match }),
    [pattern, params, data.card.activity.match],
  );
  const { unit } = game.score(game.start({ players: 1, mode: "alone", seed: 1 }))[0]!;
  const head = useMemo(() => (pattern.modes.includes("against") ? mostHead(game) : 0), [pattern, game]);
  const range = lineRange(pattern, params);
  return { game, unit, head, lines: range && linesIn(range), guarded: hasGuards(pattern, params) };
}

/**
 * Who plays and how: what the family chooses before play, and what follows from it. `trying`: a teacher tries the game out, so nobody
 * plays over a call.
 */
export function useCompany(data: CardData, pattern: AnyPlayPattern, trying: boolean) {
  const { players } = data.card.activity;
  const modes = MODES.filter((eachMode) => players.modes.includes(eachMode));
  const least = modes.includes("alone") ? players.least : Math.max(2, players.least);
  const [count, setCount] = useState(least);
  const together = modes.filter((eachMode) => eachMode !== "alone");
  const [mode, setMode] = useState<Mode>(together[0] ?? "alone");
  const [names, setNames] = useState<readonly string[]>([data.name.split(" ")[0]!]);
  // A player may only help, use the other hand, or begin with some points.
  const [fair, setFair] = useState(false);
  const [chosen, setChosen] = useState<readonly Person[]>([]);
  // How the child plays according to the card, unless the family chooses otherwise.
  const asCarded = data.card.self ? personOf({ role: "plays", ...data.card.self }) : PLAIN_PERSON;
  const people = Array.from(
    { length: count },
    (_, i) => (fair && count > 1 && chosen[i]) || (i === 0 ? asCarded : PLAIN_PERSON),
  );
  const playing = people.flatMap((person, i) => (person.helps ? [] : [i]));
  // With three or more players against each other, everybody plays alone or in one of two sides.
  const [two, setTwo] = useState(false);
  const [sides, setSides] = useState<readonly number[]>([0, 1, 0, 1, 0, 1]);
  const canSide = mode === "against" && playing.length >= 3;
  const inSides = canSide && two;
  const sideOf = (side: number) => playing.filter((i) => sides[i] === side);
  const empty = inSides && (sideOf(0).length === 0 || sideOf(1).length === 0);
  // One side starts and the others follow in order. The first one is chosen or drawn by lot.
  const [starter, setStarter] = useState(0);
  const nameOf = (i: number) => names[i]?.trim() || say("play.player", { number: i + 1 });

  const { game, unit, head, lines, guarded } = useGameFigures(data, pattern);
  const heads = head > 0 && mode === "against" && playing.length > 1;
  // A child whose partners only help has no opponent.
  const how =
    count === 1 ? "alone" : playing.length > 1 ? mode : (together.find((eachMode) => eachMode !== "against") ?? null);
  const roles = rolesOf(people.map((person) => (heads ? person : { ...person, head: 0 })));
  const usual = (): readonly (readonly number[])[] => {
    const setup: Setup = { players: count, mode: how ?? mode, seed: 0, ...(roles && { people: roles }) };
    return game.score(game.start(setup)).map((score) => score.players);
  };
  const order = inSides ? [sideOf(0), sideOf(1)] : usual();
  const first = starter < order.length ? starter : 0;
  const ordered = [...order.slice(first), ...order.slice(0, first)].map((side) => [...side]);

  return {
    modes,
    together,
    counts: countsOf(least, players.most, modes.includes("alone")),
    most: players.most,
    count,
    setCount,
    mode,
    setMode,
    /** Null if nobody is left to play with. */
    how,
    unit,
    names: Array.from({ length: count }, (_, i) => names[i] ?? ""),
    nameOf,
    setName: (i: number, name: string) => setNames(Object.assign([...names], { [i]: name })),
    fair,
    setFair,
    people,
    playing,
    setPeople: setChosen,
    setPerson: (i: number, person: Person) => setChosen(people.map((is, k) => (k === i ? person : is))),
    /** The largest head start, in points. Null if head starts are not possible. */
    mostHead: heads ? head : null,
    lines,
    guards: mode === "against" && guarded,
    canSide,
    two,
    setTwo,
    inSides,
    sides,
    changeSide: (i: number) => setSides(sides.map((side, k) => (k === i ? 1 - side : side))),
    empty,
    order,
    first,
    setStarter,
    sideName: (side: number) =>
      inSides ? say("who.side", { side: side + 1 }) : sayList((order[side] ?? []).map(nameOf)),
    /** Two children can play over a call, each at home, once a grown-up has set it up. */
    callable: players.call === true && count === 2 && !trying,
    /** One child plays both sides, one with each hand. */
    bothHands: () => {
      setCount(2);
      setMode("against");
      setFair(true);
      setChosen([PLAIN_PERSON, { ...PLAIN_PERSON, other: true }]);
      setNames([say("who.hand"), say("who.otherHandName")]);
    },
    setup: (): LocalPlay["setup"] => ({
      players: count,
      mode: how ?? mode,
      seed: Math.floor(Math.random() * 0xffffffff),
      ...((inSides || first > 0) && { sides: ordered }),
      ...(roles && { people: roles }),
    }),
  };
}
export type Company = ReturnType<typeof useCompany>;
