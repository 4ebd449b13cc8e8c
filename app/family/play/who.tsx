import { useMemo, useState } from "react";
import { type AnyPattern, MODES, type Mode, type Setup } from "#core/contract/contract.ts";
import { openGame } from "#core/contract/game.ts";
import { hasGuards, lineRange, linesIn } from "#core/contract/standing.ts";
import { mostHead } from "#core/match/heads.ts";
import { say, sayList, sayPhrase } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import { decidedEvents, type OwnCard } from "../card/own-card.ts";
import { holdPage } from "../device/offline.ts";
import { addEvent, addPlay, deviceId, type LocalPlay } from "../device/store.ts";
import { FollowCall } from "./call.tsx";
import { FairMatch } from "./fair-match.tsx";
import { choosable, FamilySet, type SetValues } from "./family-set.tsx";
import { type Person, PersonRow, PLAIN_PERSON, personOf, rolesOf } from "./people.tsx";
import { takeChosen } from "./question.tsx";

const Tick = ({ text, is, turn }: { text: string; is: boolean; turn: () => void }) => (
  <label className="flex min-h-12 items-center gap-3 rounded-md border-2 border-chalk/50 px-3 font-semibold">
    <input type="checkbox" className="size-6" checked={is} onChange={turn} />
    {text}
  </label>
);

/** Who plays, how, and the names for the day. */
export function Who({
  data,
  pattern,
  own,
  again,
  trying,
}: {
  data: CardData;
  pattern: AnyPattern;
  own: OwnCard;
  again: () => Promise<void>;
  /** A teacher tries the game out, with a clock so many times as fast. */
  trying?: { speed: number };
}) {
  const { players } = data.card.activity;
  const modes = MODES.filter((eachMode) => players.modes.includes(eachMode));
  const least = modes.includes("alone") ? players.least : Math.max(2, players.least);
  const [count, setCount] = useState(least);
  const together = modes.filter((eachMode) => eachMode !== "alone");
  const [mode, setMode] = useState<Mode>(together[0] ?? "alone");
  const [names, setNames] = useState<string[]>([data.name.split(" ")[0]!]);
  // Somebody may only help, use the other hand, or begin with some points.
  const [fair, setFair] = useState(false);
  const [told, setTold] = useState<readonly Person[]>([]);
  // How the child itself plays by its card, unless the family chooses otherwise.
  const asCarded = data.card.self ? personOf({ role: "plays", ...data.card.self }) : PLAIN_PERSON;
  const people = Array.from(
    { length: count },
    (_, i) => (fair && count > 1 && told[i]) || (i === 0 ? asCarded : PLAIN_PERSON),
  );
  const playing = people.flatMap((person, i) => (person.helps ? [] : [i]));
  // Against each other by three or more: each for itself, or two sides.
  const [two, setTwo] = useState(false);
  const [sides, setSides] = useState<readonly number[]>([0, 1, 0, 1, 0, 1]);
  const canSide = mode === "against" && playing.length >= 3;
  const inSides = canSide && two;
  const sideOf = (givenCount: number) => playing.filter((i) => sides[i] === givenCount);
  const empty = inSides && (sideOf(0).length === 0 || sideOf(1).length === 0);
  // One side starts, the others follow in their order: the first, or as chosen or drawn.
  const [starter, setStarter] = useState(0);
  const [drawn, setDrawn] = useState(false);
  const nameOf = (i: number) => names[i]?.trim() || say("play.player", { number: i + 1 });
  const counts = Array.from({ length: players.most - least + 1 }, (_, i) => i + least).filter(
    (n) => n > 1 || modes.includes("alone"),
  );

  const { params } = data.card.activity.pattern;
  const range = lineRange(pattern, params);
  const line = range && linesIn(range);
  const game = useMemo(
    () => openGame(pattern, { params, match: data.card.activity.match }),
    [pattern, params, data.card.activity.match],
  );
  const { unit } = game.score(game.start({ players: 1, mode: "alone", seed: 1 }))[0]!;
  const head = useMemo(() => (pattern.modes.includes("against") ? mostHead(game) : 0), [pattern, game]);
  const heads = head > 0 && mode === "against" && playing.length > 1;
  // One who plays with helpers has nobody to play against.
  const how =
    count === 1 ? "alone" : playing.length > 1 ? mode : (together.find((eachMode) => eachMode !== "against") ?? null);
  const roles = rolesOf(people.map((person) => (heads ? person : { ...person, head: 0 })));
  const usual = (): readonly (readonly number[])[] => {
    const setup: Setup = { players: count, mode: how ?? mode, seed: 0, ...(roles && { people: roles }) };
    const game = openGame(pattern, { params, match: data.card.activity.match });
    return game.score(game.start(setup)).map((score) => score.players);
  };
  const order = inSides ? [sideOf(0), sideOf(1)] : usual();
  const first = starter < order.length ? starter : 0;
  const ordered = [...order.slice(first), ...order.slice(0, first)].map((x) => [...x]);
  const sideName = (givenCount: number) =>
    inSides ? say("who.side", { side: givenCount + 1 }) : sayList((order[givenCount] ?? []).map(nameOf));
  // Two over a call, each in its own home: a grown-up has set it up.
  const callable = players.call === true && count === 2 && !trying;
  const [call, setCall] = useState(false);
  const [callYes, setCallYes] = useState(false);
  const calls = callable && call;
  const [following, setFollowing] = useState(false);
  const [adds, setAdds] = useState(false);
  const list = choosable(data.card.activity, pattern);
  const [chosen, choose] = useState<SetValues>({});

  /** One child plays both sides, a hand each. */
  function bothHands() {
    setCount(2);
    setMode("against");
    setFair(true);
    setTold([PLAIN_PERSON, { ...PLAIN_PERSON, other: true }]);
    setNames([say("who.hand"), say("who.otherHandName")]);
  }
  const waits = empty || how === null || (calls && !callYes);
  async function begin(practice = false) {
    // The answer before play goes with the first go that counts.
    const chose = practice ? null : takeChosen(data.id);
    const play: LocalPlay = {
      id: crypto.randomUUID(),
      token: data.token,
      card: data.id,
      device: deviceId(),
      setup: {
        players: count,
        mode: how ?? mode,
        seed: Math.floor(Math.random() * 0xffffffff),
        ...((inSides || first > 0) && { sides: ordered }),
        ...(roles && { people: roles }),
      },
      ...(adds && { adds }),
      ...(calls && { call: true }),
      ...((practice || trying) && { practice: true }),
      ...(trying && { speed: trying.speed }),
      ...(chose !== null && { chose }),
      names: Array.from({ length: count }, (_, i) => names[i]?.trim() || say("play.player", { number: i + 1 })),
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
    // What the family decided before play comes first in the record.
    const settings = list
      .filter(({ field, usual }) => chosen[field] !== undefined && chosen[field] !== usual)
      .map(({ field }) => ({ kind: "set" as const, field, value: chosen[field]! }));
    for (const [seq, body] of [...decidedEvents(own.decided), ...settings].entries())
      await addEvent(play.id, seq, { ...body, at: 0 });
    holdPage(true);
    await again();
  }

  if (following)
    return (
      <FollowCall
        unit={unit}
        attempt={attemptWords(data.card.activity.aim.action)}
        shared={how === "relay"}
        close={() => setFollowing(false)}
      />
    );
  return (
    <form
      className="mx-auto grid w-full max-w-lg grow content-start gap-5 p-4 text-lg"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <h1 className="text-3xl">{say("who.title")}</h1>
      {data.used >= data.tries && (
        <p className="rounded-md bg-mustard p-3 font-semibold text-night">{say("card.usedUp")}</p>
      )}
      <fieldset>
        <legend className="mb-2 font-semibold">{say("who.howMany")}</legend>
        <div className="grid grid-cols-6 gap-2">
          {counts.map((eachCount) => (
            <label
              key={eachCount}
              className={`grid min-h-14 cursor-pointer place-items-center rounded-md border-2 text-2xl font-bold has-focus-visible:outline-3 ${eachCount === count ? "border-mustard bg-mustard text-night" : "border-chalk/50"}`}
            >
              <input
                type="radio"
                name="count"
                className="sr-only"
                checked={eachCount === count}
                onChange={() => setCount(eachCount)}
              />
              {eachCount}
            </label>
          ))}
        </div>
      </fieldset>
      {count === 1 && modes.includes("against") && players.most > 1 && (
        <button type="button" className="btn min-h-12 border-chalk text-chalk" onClick={bothHands}>
          {say("who.bothHands")}
        </button>
      )}
      {count > 1 && together.length > 0 && (
        <fieldset>
          <legend className="mb-2 font-semibold">{say("who.how")}</legend>
          <div className="grid gap-2">
            {together.map((eachMode) => (
              <label
                key={eachMode}
                className={`flex min-h-12 cursor-pointer items-center rounded-md border-2 px-3 font-semibold has-focus-visible:outline-3 ${eachMode === mode ? "border-mustard bg-mustard text-night" : "border-chalk/50"}`}
              >
                <input
                  type="radio"
                  name="mode"
                  className="sr-only"
                  checked={eachMode === mode}
                  onChange={() => setMode(eachMode)}
                />
                {say(`who.mode.${eachMode}`)}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {count > 1 && data.card.together && (
        <ul className="grid gap-1 text-base text-chalk/90">
          {data.card.together.map((phrase) => (
            <li key={phrase.key}>{sayPhrase(phrase, {}, attemptWords(data.card.activity.aim.action))}</li>
          ))}
        </ul>
      )}
      {callable && (
        <div className="grid gap-2">
          <Tick text={say("call.with")} is={call} turn={() => setCall(!call)} />
          {call && (
            <>
              <p className="text-base">{say("call.rules")}</p>
              <p className="text-base">{say("call.rules2")}</p>
              <Tick text={say("call.yes")} is={callYes} turn={() => setCallYes(!callYes)} />
              <button
                type="button"
                className="btn min-h-12 border-chalk text-chalk"
                disabled={!callYes}
                onClick={() => setFollowing(true)}
              >
                {say("call.theyCount")}
              </button>
            </>
          )}
        </div>
      )}
      {canSide && <Tick text={say("who.twoSides")} is={two} turn={() => setTwo(!two)} />}
      {count > 1 && (
        <fieldset className="grid gap-2">
          <legend className="mb-1 font-semibold">{say("who.names")}</legend>
          <p className="text-base text-chalk/80">{say("who.namesHint")}</p>
          {Array.from({ length: count }, (_, i) => (
            <div key={`name${i + 1}`} className="grid grid-cols-[minmax(0,1fr)_auto] gap-2">
              <input
                aria-label={say("who.name", { number: i + 1 })}
                placeholder={say("play.player", { number: i + 1 })}
                maxLength={20}
                value={names[i] ?? ""}
                onChange={(event) => {
                  const next = [...names];
                  next[i] = event.target.value;
                  setNames(next);
                }}
              />
              {inSides && !people[i]!.helps && (
                <button
                  type="button"
                  className={`btn min-h-12 px-3 ${sides[i] === 0 ? "border-mustard bg-mustard text-night" : "border-mint bg-mint text-night"}`}
                  aria-label={say("who.sideOf", { number: i + 1, side: sides[i]! + 1 })}
                  onClick={() => setSides(sides.map((side, k) => (k === i ? 1 - side : side)))}
                >
                  {say("who.side", { side: sides[i]! + 1 })}
                </button>
              )}
            </div>
          ))}
        </fieldset>
      )}
      {count > 1 && (
        <div className="grid gap-1">
          <Tick text={say("who.fair")} is={fair} turn={() => setFair(!fair)} />
          {fair && mode === "against" && !inSides && playing.length === count && (
            <FairMatch
              data={data}
              names={people.map((_, i) => nameOf(i))}
              chosen={(all) => setTold(all.map(personOf))}
            />
          )}
          {fair &&
            people.map((is, i) => (
              <PersonRow
                key={`person${i + 1}`}
                name={nameOf(i)}
                first={i === 0}
                is={is}
                most={heads ? head : null}
                line={line && { values: line, step: data.card.step }}
                guards={mode === "against" && hasGuards(pattern, params)}
                targets={data.card.parts.some((part) => part.kind === "target") && !data.card.unaimed}
                change={(person) => setTold(people.map((eachPerson, k) => (k === i ? person : eachPerson)))}
              />
            ))}
        </div>
      )}
      {order.length > 1 && !empty && (
        <fieldset>
          <legend className="mb-2 font-semibold">{say("who.starts")}</legend>
          <div className="grid grid-cols-3 gap-2">
            {order.map((of, is) => (
              <label
                key={of.join()}
                className={`grid min-h-12 cursor-pointer place-items-center rounded-md border-2 px-1 text-center font-semibold has-focus-visible:outline-3 ${is === first ? "border-mustard bg-mustard text-night" : "border-chalk/50"}`}
              >
                <input
                  type="radio"
                  name="starts"
                  className="sr-only"
                  checked={is === first}
                  onChange={() => {
                    setStarter(is);
                    setDrawn(false);
                  }}
                />
                {sideName(is)}
              </label>
            ))}
            <button
              type="button"
              className="btn min-h-12 border-chalk text-chalk"
              onClick={() => {
                setStarter(Math.floor(Math.random() * order.length));
                setDrawn(true);
              }}
            >
              {say("who.draw")}
            </button>
          </div>
          <p role="status" className="min-h-7">
            {drawn ? say("who.drawn", { name: sideName(first) }) : ""}
          </p>
        </fieldset>
      )}
      {unit !== "tenths" && <Tick text={say("who.adds")} is={adds} turn={() => setAdds(!adds)} />}
      {list.length > 0 && (
        <fieldset>
          <legend className="mb-2 font-semibold">{say("set.title")}</legend>
          <FamilySet
            attempt={attemptWords(data.card.activity.aim.action)}
            list={list}
            now={chosen}
            step={data.card.step}
            set={(field, value) => choose({ ...chosen, [field]: value })}
          />
        </fieldset>
      )}
      {how === null && <p role="alert">{say("who.nobody")}</p>}
      {empty && <p role="alert">{say("who.emptySide")}</p>}
      <button type="submit" className="btn btn-main min-h-16 text-2xl" disabled={waits}>
        {say("who.go")}
      </button>
      {!trying && (
        <button
          type="button"
          className="btn min-h-12 border-chalk text-chalk"
          disabled={waits}
          onClick={() => void begin(true)}
        >
          {say("who.practice")}
        </button>
      )}
    </form>
  );
}
