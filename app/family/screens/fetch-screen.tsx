import { Check, RefreshCw } from "lucide-react";
import { useEffect, useState } from "react";
import { mirrored } from "#core/aim/mirrored.ts";
import type { Card } from "#core/compile/card.ts";
import type { Item } from "#core/items/item.ts";
import { EXTRA_OBJECTS, extraObjects } from "#core/kit/extra-objects.ts";
import { own as heldAt } from "#core/own.ts";
import { type ItemNames, itemName, namesOf, say, sayPhrase, targetName } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { CardData, Ticks } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import { useHeading } from "../card/use-heading.ts";

interface ToFetch {
  /** The role that the item is fetched for, by which it is also ticked. */
  id: string;
  item: string;
  name: string;
  note?: string;
  why?: string;
  minutes: number;
  /** True if nothing else can serve, as far as that could be worked out. */
  fixed?: true;
}

/** The items to get ready, grouped by their purpose. */
function groups({ card }: CardData, names: ItemNames): { title: string; list: ToFetch[] }[] {
  const activity = card.activity;
  const picks = card.home?.picks ?? [];
  const thing = (role: string, id: string, item: string, name = itemName(item, names)): ToFetch => {
    const p = picks.find((pick) => pick.role === role);
    const why =
      p && p.why.key !== "why.designed" ? sayPhrase({ key: p.why.key, params: p.why.params }, names) : undefined;
    return { id, item, name, why, minutes: p?.minutes ?? 0 };
  };
  const targets = card.parts.flatMap((part) =>
    part.kind === "target" ? [thing(`target:${part.id}`, part.id, part.item, targetName(part, names))] : [],
  );
  const each = (givenThing: ToFetch) => ({
    ...givenThing,
    note:
      card.needs.pieces > 1
        ? say(card.home?.sets ? "fetch.each" : "fetch.pieces", { count: card.needs.pieces })
        : undefined,
  });
  const held = picks.find((pick) => pick.role === "implement")?.item ?? activity.kit.implement;
  const second = picks.find((pick) => pick.role === "send2");
  const marker = picks.find((pick) => pick.role === "marker");
  const stands = picks.find((pick) => pick.role === "layout");
  return [
    {
      title: say("fetch.send", attemptWords(activity.aim.action)),
      list: card.needs.pieces > 0 ? [each(thing("send", "send", activity.kit.send))] : [],
    },
    {
      title: say("fetch.implement"),
      list: held && held !== "bareHand" ? [thing("implement", "implement", held)] : [],
    },
    {
      title: say("fetch.kinds"),
      list: (card.needs.kinds ?? []).map(({ item, count }) => ({
        ...thing(`kind:${item}`, item, item),
        note: say("fetch.each", { count }),
        fixed: true as const,
      })),
    },
    { title: say("fetch.second"), list: second ? [each(thing("send2", "send2", second.item))] : [] },
    {
      title: say("fetch.others"),
      list: extraObjects(activity).map((id, i) => thing(EXTRA_OBJECTS[i]!, EXTRA_OBJECTS[i]!, id)),
    },
    { title: say("fetch.targets"), list: targets },
    {
      title: say("fetch.layout"),
      list: stands
        ? [
            {
              ...thing("layout", "layout", stands.item),
              note: stands.count > 1 ? say("fetch.each", { count: stands.count }) : undefined,
            },
          ]
        : [],
    },
    {
      title: say("fetch.marker"),
      list:
        card.needs.pieces === 0 && !card.needs.kinds
          ? []
          : [
              {
                ...thing("marker", "marker", activity.kit.marker),
                note: marker && marker.count > 1 ? say("fetch.each", { count: marker.count }) : undefined,
              },
            ],
    },
    {
      title: say("fetch.blocker"),
      list: card.needs.blocker ? [thing("blocker", "blocker", activity.kit.blocker)] : [],
    },
  ].filter((g) => g.list.length > 0);
}

const roleOf = (thing: ToFetch) =>
  ["send", "send2", "implement", ...EXTRA_OBJECTS, "layout", "marker", "blocker"].includes(thing.id)
    ? thing.id
    : `target:${thing.id}`;

export function FetchScreen({
  data,
  own,
  ticks,
  setTicks,
  locked,
}: {
  data: CardData;
  own: OwnCard;
  ticks: Ticks;
  setTicks: (givenTicks: Ticks) => void;
  /** A go is in progress, so the layout stays as it is. */
  locked: boolean;
}) {
  const { card } = data;
  const names = namesOf(card.activity.kit.own);
  const [swapping, setSwapping] = useState<ToFetch | null>(null);
  const has = (id: string) => ticks.have.includes(id);
  const turn = (id: string) =>
    setTicks({ ...ticks, have: has(id) ? ticks.have.filter((text) => text !== id) : [...ticks.have, id] });
  const { cues, watch = [] } = card.activity;
  // What is not possible in this home comes first: what the child does instead, or that there is no room at all.
  const instead = card.home?.changes.find((change) => change.key === "change.action");
  const nowhere = card.home?.place?.status === "none";
  const list = groups(data, names);
  const makes = list.flatMap((g) => g.list).filter((thing) => thing.minutes > 0);
  const can = !locked && card.making !== undefined;
  useHeading(swapping ? "swap" : "fetch");
  if (swapping)
    return (
      <SwapPanel
        data={data}
        own={own}
        thing={swapping}
        names={names}
        close={(changed) => {
          if (changed) setTicks({ ...ticks, have: ticks.have.filter((text) => text !== swapping.id) });
          setSwapping(null);
        }}
      />
    );
  return (
    <>
      <h1 className="mb-2 text-3xl">{say(own.decided.bare ? "fetch.nothing" : "fetch.title")}</h1>
      {own.busy && <p role="status">{say("fetch.recomputing")}</p>}
      {Object.keys(own.decided.fixed).length > 0 && !own.busy && <Effect data={data} own={own} />}
      {card.home?.guessed && (
        <p className="note mb-3 flex flex-wrap items-center gap-x-3">
          <span>{say("fetch.guess")}</span>
          <a href={`/f/${data.token}/home`} className="font-semibold underline">
            {say("fetch.tell")}
          </a>
        </p>
      )}
      {own.decided.bare && <BareNote locked={locked} own={own} />}
      {!own.decided.bare && instead && (
        <p className="note mb-3 border-l-4 border-coral" data-other-way>
          {say("fetch.otherWay", { why: String(instead.params?.why), ...attemptWords(card.activity.aim.action) })}
        </p>
      )}
      {!own.decided.bare && nowhere && <p className="note mb-3 border-l-4 border-coral">{say("fetch.noPlace")}</p>}
      {!own.decided.bare && card.home?.status === "noKit" && (
        <p className="note note-good mb-3">{say("fetch.noKit")}</p>
      )}
      {card.making && card.making.homes.length > 1 && (
        <WhichHome can={can} homes={card.making.homes} card={card} own={own} />
      )}
      <FetchList list={list} has={has} turn={turn} can={can} setSwapping={setSwapping} />
      {can && !own.decided.bare && (card.needs.pieces > 0 || card.needs.kinds) && (
        <p className="mb-4">
          <button
            type="button"
            className="min-h-11 font-semibold text-teal underline"
            onClick={() => own.decide({ ...own.decided, bare: true })}
          >
            {say("fetch.bareOffer")}
          </button>
        </p>
      )}
      {card.home?.sets && (
        <p className="note note-good mb-4">
          {say(card.home.sets === "one" ? "fetch.sets.one" : card.home.marked ? "fetch.sets.marked" : "fetch.sets.two")}
        </p>
      )}
      {makes.map((make) => (
        <Make key={make.id} thing={make} made={heldAt(card.home!.made, make.item) ?? null} />
      ))}
      {cues.length > 0 && <Cues cues={cues} card={card} />}
      {watch.length > 0 && <WatchFor watch={watch} card={card} />}
    </>
  );
}

/**
 * The effect of the family's choice: how much harder or easier the game is now, and whether the line moved to make up
 * for it.
 */
function Effect({ data, own }: { data: CardData; own: OwnCard }) {
  const held = data.card.home?.held ?? [];
  const mean = held.reduce((sum, h) => sum + h.after - h.wanted, 0) / Math.max(1, held.length);
  const points = Math.round(Math.abs(mean) * 100);
  const moved = data.card.markers.some((marker) => {
    const was = own.sent.markers.find((eachMarker) => eachMarker.id === marker.id);
    return was !== undefined && Math.abs(was.metres - marker.metres) >= 0.05;
  });
  return (
    <p className="note note-good mb-3" role="status">
      {say("fetch.effect", { points, way: mean > 0 ? "easier" : "harder" })} {moved && say("fetch.moved")}
    </p>
  );
}

/** How to make an item, with a drawing for each step. */
function Make({ thing, made }: { thing: ToFetch; made: Item["made"] }) {
  if (!made) return null;
  return (
    <section className="mb-4 rounded-md border-2 border-hair p-3">
      <h2 className="text-lg">{say("fetch.made", { item: thing.name })}</h2>
      <p className="mb-2 text-sm text-quiet">{say("fetch.make", { minutes: thing.minutes })}</p>
      <ol className="grid gap-2">
        {made.steps.map((step, i) => (
          <li key={step.text} className="flex items-center gap-3 text-lg">
            <span className="font-head font-bold text-teal">{i + 1}</span>
            <ItemDrawing item={step.drawing} size={40} className="shrink-0" />
            <span>
              {step.text.startsWith("make.") ? say(step.text) : step.text}
              {step.grownUp && <strong className="block text-base text-coral-deep">{say("fetch.grownUp")}</strong>}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Offers other items for a role, from those the home has or might have. The effect is shown at once. */
function SwapPanel({
  data,
  own,
  thing,
  names,
  close,
}: {
  data: CardData;
  own: OwnCard;
  thing: ToFetch;
  names: ItemNames;
  close: (changed: boolean) => void;
}) {
  const [options, setOptions] = useState<{ here: string[]; ifHave: string[] } | null>(null);
  const role = roleOf(thing);
  const ask = own.options;
  useEffect(() => {
    void ask(role).then(setOptions);
  }, [ask, role]);
  const all = { ...names, ...namesOf(data.card.making?.items.own ?? []) };
  const take = (item: string, also: boolean) => {
    const { decided } = own;
    own.decide({
      ...decided,
      fixed: { ...decided.fixed, [role]: item },
      also: also ? [...new Set([...decided.also, item])] : decided.also,
    });
    close(true);
  };
  const row = (title: string, list: readonly string[], also: boolean) =>
    list.length > 0 && (
      <section className="mb-4">
        <h2 className="mb-2 text-lg">{title}</h2>
        <ul className="grid grid-cols-3 gap-2.5">
          {list.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="grid min-h-24 w-full justify-items-center gap-1 rounded-md border-2 border-ink bg-raised p-2"
                onClick={() => take(id, also)}
              >
                <ItemDrawing item={id} size={46} />
                <span className="leading-tight">{itemName(id, all)}</span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    );
  return (
    <>
      <h1 className="mb-3 text-3xl">{say("fetch.swapTitle")}</h1>
      {!options && <p role="status">{say("fetch.recomputing")}</p>}
      {options && (
        <>
          {row(
            say("fetch.also"),
            options.here.filter((id) => id !== thing.item),
            false,
          )}
          {row(say("fetch.ifHave"), options.ifHave, true)}
          {options.here.length < 2 && options.ifHave.length === 0 && <p className="mb-4">{say("fetch.swapNone")}</p>}
        </>
      )}
      <button type="button" className="btn min-h-14 w-full text-lg" onClick={() => close(false)}>
        {say("fetch.swapBack", { item: thing.name })}
      </button>
    </>
  );
}

/** Asks in which of their homes the child will play. */
const WhichHome = ({
  can,
  homes,
  card,
  own,
}: {
  can: boolean;
  homes: NonNullable<CardData["card"]["making"]>["homes"];
  card: CardData["card"];
  own: OwnCard;
}) => (
  <fieldset className="mb-3" disabled={!can}>
    <legend className="mb-1 font-semibold">{say("fetch.where")}</legend>
    <div className="grid grid-cols-2 gap-2">
      {homes.map((home) => (
        <label
          key={home.id}
          className="grid min-h-12 cursor-pointer place-items-center rounded-md border-2 border-hair p-2 text-center font-semibold has-checked:border-ink has-checked:bg-mustard has-checked:text-night has-focus-visible:outline-3"
        >
          <input
            type="radio"
            name="where"
            className="sr-only"
            checked={card.home?.id === home.id}
            onChange={() => own.decide({ ...own.decided, home: home.id, fixed: {}, also: [] })}
          />
          {home.label}
        </label>
      ))}
    </div>
  </fieldset>
);

/** Lists everything to get ready. Each item can be ticked or swapped. */
const FetchList = ({
  list,
  has,
  turn,
  can,
  setSwapping,
}: {
  list: { title: string; list: ToFetch[] }[];
  has: (id: string) => boolean;
  turn: (id: string) => void;
  can: boolean;
  setSwapping: (value: ToFetch | null) => void;
}) => (
  <ul className="mb-4 grid grid-cols-2 gap-2.5">
    {list.flatMap((g) =>
      g.list.map((thing) => (
        <li key={thing.id} className="flex flex-col">
          <label className="relative grid min-h-28 w-full grow cursor-pointer content-center justify-items-center gap-1 rounded-md border-2 border-ink bg-raised p-3 text-center has-checked:border-teal has-checked:bg-mint/30 has-focus-visible:outline-3">
            <input
              type="checkbox"
              className="peer sr-only"
              aria-label={[g.title, say("fetch.have", { item: thing.name }), thing.note].filter(Boolean).join(", ")}
              checked={has(thing.id)}
              onChange={() => turn(thing.id)}
            />
            <span className="text-sm leading-tight text-quiet">{g.title}</span>
            <ItemDrawing item={thing.item} size={60} />
            <span className="text-lg leading-tight font-semibold">{thing.name}</span>
            {thing.note && <span className="text-sm text-quiet">{thing.note}</span>}
            <span className="absolute top-1.5 right-1.5 hidden size-7 place-items-center rounded-full bg-teal text-white peer-checked:grid">
              <Check size={20} strokeWidth={3} aria-hidden="true" />
            </span>
          </label>
          {thing.why && <p className="pt-1 text-sm text-quiet">{thing.why}</p>}
          {can && !thing.fixed && (
            <button
              type="button"
              className="flex min-h-11 items-center gap-1.5 self-start px-1 font-semibold text-teal"
              aria-label={say("fetch.swapThis", { item: thing.name })}
              onClick={() => setSwapping(thing)}
            >
              <RefreshCw size={16} aria-hidden="true" /> {say("fetch.swap")}
            </button>
          )}
        </li>
      )),
    )}
  </ul>
);

/** Explains that exercises replace the game in a home without equipment. */
const BareNote = ({ locked, own }: { locked: boolean; own: OwnCard }) => (
  <p className="note note-good mb-3 grid gap-2">
    <span>{say("fetch.bare")}</span>
    <button
      type="button"
      className="btn justify-self-start"
      disabled={locked}
      onClick={() => own.decide({ ...own.decided, bare: undefined })}
    >
      {say("fetch.bareBack")}
    </button>
  </p>
);

/** Lists the cues to think of while playing. */
const Cues = ({ cues, card }: { cues: { id: string; text: string }[]; card: Card }) => (
  <section>
    <h2 className="mb-2 text-lg">{say("fetch.cues")}</h2>
    <ol className="grid gap-1.5 text-lg">
      {cues.map((cue, i) => (
        <li key={cue.id} className="flex gap-3">
          <span className="font-head font-bold text-teal">{i + 1}</span>
          {card.leftHanded ? mirrored(cue.text) : cue.text}
        </li>
      ))}
    </ol>
  </section>
);

/** Lists what a grown-up can watch for. */
const WatchFor = ({ watch, card }: { watch: string[]; card: Card }) => (
  <section>
    <h2 className="mb-2 text-lg">{say("fetch.watch")}</h2>
    <ul className="grid gap-1.5 text-lg">
      {watch.map((word) => (
        <li key={word}>{card.leftHanded ? mirrored(word) : word}</li>
      ))}
    </ul>
  </section>
);
