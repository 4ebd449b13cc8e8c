import { Minus, Plus, Trash2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { holdChallenge } from "#core/compile/challenge.ts";
import { type KitFit, rankedChanges, withChange } from "#core/compile/class-fit.ts";
import { heldIn, rolesOf, targetOf } from "#core/compile/roles.ts";
import { pegRates, sendingIn, USUAL_AGE, type Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { Item } from "#core/items/item.ts";
import type { Use } from "#core/items/lists.ts";
import { serves } from "#core/kit/candidates.ts";
import { EXTRA_OBJECTS, extraObjectIndex, extraObjects } from "#core/kit/extra-objects.ts";
import { faceOf } from "#core/kit/face.ts";
import { doesFor } from "#core/kit/implements.ts";
import type { Change } from "#core/kit/minimal-fixes.ts";
import { type Asking, askings, limitOf, type Role, type RoleWords, wishOf, wordsOf } from "#core/kit/role.ts";
import { farthest, pointless } from "#core/physics/send.ts";
import { falls, waterFor } from "#core/physics/standing.ts";
import { partsOf } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space-limits.ts";
import { say, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { verbOf } from "#words/verbs.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { NumberField } from "./fields.tsx";
import { countHomes, type Housed } from "./home-count.ts";
import { ItemPicker } from "./item-picker.tsx";
import { useSchool, withOwn } from "./items.tsx";
import type { PanelProps } from "./stations.ts";

interface Props extends Omit<PanelProps, "middle"> {
  /** The youngest, the typical and the oldest child, and their labels. */
  people: readonly Who[];
  names: readonly string[];
  fits: readonly KitFit[] | null;
  /** The names of homes by id. */
  homes: Readonly<Record<string, string>>;
  /** The children of the class with their homes. */
  housed: readonly Housed[];
}

/** The last choice. Its effect on the challenge is shown until something else is done. */
interface Swap {
  was: Activity;
  role: string;
  from: string;
  to: string;
}

/** The Kit station: the roles of the game, what each asks for in words, and which homes can do it. */
export function KitPanel({ activity, change, people, names, fits, homes, housed }: Props) {
  const attempt = useAttemptWords();
  const { list, name } = useSchool();
  const [open, setOpen] = useState<string | null>("send");
  const [swap, setSwap] = useState<Swap | null>(null);
  const { roles } = rolesOf(activity, 1);
  // Further objects that could be sent.
  const sends = roles.find((role) => role.id === "send");
  const next =
    sends &&
    list.find((item) => serves(item, sends) && ![activity.kit.send, ...extraObjects(activity)].includes(item.id));

  function pick(role: string, item: Item) {
    const target = targetOf(role);
    let next: Activity;
    if (role === "layout" && activity.layout) next = { ...activity, layout: { ...activity.layout, item: item.id } };
    else if (extraObjectIndex(role) >= 0)
      next = {
        ...activity,
        kit: {
          ...activity.kit,
          others: extraObjects(activity).map((extraObject, k) =>
            k === extraObjectIndex(role) ? item.id : extraObject,
          ),
        },
      };
    else if (target === null) next = { ...activity, kit: { ...activity.kit, [role]: item.id } };
    else next = opened(activity).swap(target, { ...faceOf(item), label: item.name });
    const from = roles.find((eachRole) => eachRole.id === role)?.as?.id ?? "";
    if (role !== "marker" && role !== "blocker" && role !== "implement" && role !== "layout" && from !== item.id)
      setSwap({ was: activity, role, from, to: item.id });
    change(withOwn(next, list));
  }

  return (
    <>
      {swap && (
        <Effect
          swap={swap}
          now={activity}
          people={people}
          names={names}
          itemName={name}
          hold={() => {
            const held = holdChallenge(swap.was, activity, people[1]!, {
              longest: activity.space.length,
              ceiling: activity.space.indoors ? USUAL_CEILING : null,
            }).activity;
            change(held);
            setSwap(null);
          }}
          leave={() => setSwap(null)}
        />
      )}
      <ClassFit a={activity} fits={fits} housed={housed} homes={homes} name={name} change={change} />
      <Roles
        roles={roles}
        attempt={attempt}
        activity={activity}
        list={list}
        open={open}
        setOpen={setOpen}
        name={name}
        pick={pick}
        change={change}
      />
      {next && extraObjects(activity).length < EXTRA_OBJECTS.length && takesTurns(activity) && (
        <AddObject setOpen={setOpen} activity={activity} change={change} next={next} list={list} />
      )}
      {(opened(activity).needs.implement || heldIn(activity)) && (
        <Implement activity={activity} change={change} list={list} name={name} />
      )}
      <p className="pt-2 text-sm">
        <Link to="/things" className="underline">
          See your school's household items
        </Link>
      </p>
    </>
  );
}

/** True if the objects of a game can take turns or be called. */
const takesTurns = (activity: Activity) =>
  extraObjects(activity).length > 0 || JSON.stringify(activity.pattern.params).match(/"things?":/) !== null;
const partNumber = (activity: Activity, id: string) =>
  1 + opened(activity).pegs.findIndex((peg) => peg.id === id) || "";

/** How far the object gets, and what lies beyond that. */
function Gets({ a: activity }: { a: Activity }) {
  const { name } = useSchool();
  const sending = sendingIn(activity, USUAL_AGE);
  if (!sending) return null;
  const far = farthest(sending);
  const beyond = opened(activity).pegs.filter((peg) => peg.distance >= far);
  return (
    <p className="py-1 text-xs text-quiet">
      A child of {USUAL_AGE} can {verbOf(activity.aim.action)} the {name(activity.kit.send)} up to {far.toFixed(1)} m on{" "}
      {label(`floor.${activity.space.floor}`)}.
      {beyond.length > 0 && ` Out of reach: ${beyond.map((peg) => `${peg.distance} m`).join(", ")}.`}
      {pointless(sending) && " That is too little for a game. Use another object, or another action."}
    </p>
  );
}

/** Whether the object knocks a target over, and how much water would change that. */
function Stands({ a: activity, id }: { a: Activity; id: string }) {
  const { list, name } = useSchool();
  const part = partsOf(opened(activity).parts, "target").find(
    (eachTarget) => (eachTarget.group ?? eachTarget.id) === id,
  );
  const target = list.find((item) => item.id === part?.item);
  const object = list.find((item) => item.id === activity.kit.send);
  const sending = sendingIn(activity, USUAL_AGE);
  if (!part || !target || !object || !sending) return null;
  const water = waterFor(target, sending, part.along);
  const litres = (l: number) => (l >= 0.995 ? `${l.toFixed(1)} l` : `${Math.round(l * 1000)} ml`);
  let text: string;
  if (!falls(target, 0, sending, part.along))
    text = `It stays up when the ${name(object.id)} hits it at ${part.along} m.`;
  else if (water.standsFrom === null) text = `It falls when the ${name(object.id)} hits it at ${part.along} m.`;
  else
    text = `Empty, it falls when the ${name(object.id)} hits it at ${part.along} m; with ${litres(water.litresToStand!)} of water it stays up.`;
  return <p className="py-1 text-xs text-quiet">{text} An estimate: try it once.</p>;
}

function askedWords(all: readonly RoleWords[], role: string): string {
  const words = wordsOf(all, role);
  return askings.flatMap((ask) => (limitOf(words, ask) ? [label(`asks.${ask.id}`).toLowerCase()] : [])).join(", ");
}

const UNITS: Record<Asking["unit"], string> = { m: "m", kg: "kg", share: "", yes: "", min: "min", loud: "" };

/** What a role asks for in words. The number behind each is a click away. */
function Asks({
  role,
  use,
  words: all,
  set,
}: {
  role: string;
  use: Use;
  words: readonly RoleWords[];
  set: (all: RoleWords[], key?: string) => void;
}) {
  const words = wordsOf(all, role);
  const [open, setOpen] = useState<string | null>(null);
  const put = (next: RoleWords, key?: string) => {
    const rest = all.filter((r) => r.role !== role);
    set(next.limits.length + next.wishes.length > 0 ? [...rest, next] : rest, key);
  };
  const without = (ask: Asking): RoleWords => ({
    ...words,
    limits: words.limits.filter((limit) => limit !== limitOf(words, ask)),
    wishes: words.wishes.filter((wish) => wish !== wishOf(words, ask, use)),
  });
  const must = (ask: Asking, value: number, key?: string) => {
    const next = without(ask);
    put({ ...next, limits: [...next.limits, { property: ask.property, [ask.side]: value }] }, key);
  };
  const would = (ask: Asking, toward: number, key?: string) => {
    const next = without(ask);
    put({ ...next, wishes: [...next.wishes, { property: ask.property, toward, weight: 1 }] }, key);
  };
  return (
    <details open={words.limits.length + words.wishes.length > 0 || undefined}>
      <summary className="py-1 text-sm font-semibold text-teal">What a swap must have</summary>
      <ul className="grid">
        {askings
          .filter((asking) => asking.for.includes(use))
          .map((ask) => {
            const limit = limitOf(words, ask);
            const wish = wishOf(words, ask, use);
            const on = limit ? "must" : wish ? "wish" : "no";
            const value = limit?.[ask.side] ?? wish?.toward ?? ask.value;
            const text = label(`asks.${ask.id}`);
            return (
              <li key={ask.id} className="row-line py-1 text-[0.86rem]">
                <div className="flex items-center justify-between gap-2">
                  <span className={on === "no" ? "text-quiet" : "font-semibold"}>{text}</span>
                  <span className="flex items-center gap-1">
                    {on !== "no" && ask.unit !== "yes" && (
                      <button
                        type="button"
                        className="text-xs underline"
                        aria-expanded={open === ask.id}
                        aria-label={`${text}: the number`}
                        onClick={() => setOpen(open === ask.id ? null : ask.id)}
                      >
                        {on === "must" ? (ask.side === "least" ? "at least" : "at most") : "near"} {value}
                        {UNITS[ask.unit] && ` ${UNITS[ask.unit]}`}
                      </button>
                    )}
                    <Select
                      aria-label={text}
                      className="py-0 text-xs"
                      value={on}
                      onChange={(event) => {
                        if (event.target.value === "must") must(ask, value);
                        else if (event.target.value === "wish") would(ask, value);
                        else put(without(ask));
                      }}
                    >
                      <option value="no">any</option>
                      <option value="wish">preferred</option>
                      <option value="must">required</option>
                    </Select>
                  </span>
                </div>
                {open === ask.id && on !== "no" && (
                  <NumberField
                    name={`${say(`property.${ask.property}`)}, ${on === "must" ? (ask.side === "least" ? "at least" : "at most") : "near"}`}
                    value={value}
                    least={0}
                    most={ask.unit === "share" ? 1 : ask.unit === "loud" ? 3 : 20}
                    step={ask.step}
                    unit={UNITS[ask.unit]}
                    change={(givenValue) =>
                      on === "must" ? must(ask, givenValue, `ask ${ask.id}`) : would(ask, givenValue, `ask ${ask.id}`)
                    }
                  />
                )}
              </li>
            );
          })}
      </ul>
    </details>
  );
}

const percent = (chance: number) => `${Math.round(100 * chance)}%`;
const meanOf = (rates: ReadonlyMap<string, number>, only: string | null) => {
  const all = only ? [rates.get(only) ?? 0] : [...rates.values()];
  return all.reduce((sum, x) => sum + x, 0) / Math.max(1, all.length);
};

/**
 * What a swap did to the hit rates of the youngest, typical and oldest child, with an offer to move the line for it.
 */
function Effect({
  swap,
  now,
  people,
  names,
  itemName,
  hold,
  leave,
}: {
  swap: Swap;
  now: Activity;
  people: readonly Who[];
  names: readonly string[];
  itemName: (id: string) => string;
  hold: () => void;
  leave: () => void;
}) {
  const only = targetOf(swap.role);
  const rows = useMemo(
    () =>
      people.map((person) => ({
        was: meanOf(pegRates(swap.was, person), only),
        is: meanOf(pegRates(now, person), only),
      })),
    [people, swap, now, only],
  );
  const moved = rows.some((row) => Math.abs(row.is - row.was) >= 0.005);
  return (
    <section
      aria-label="What the swap changes"
      className="mb-2 rounded-sm border-2 border-ink p-2.5 text-sm"
      role="status"
    >
      <p className="mb-1 font-semibold">
        {itemName(swap.from)} to {itemName(swap.to)}
      </p>
      <table className="w-full">
        <tbody>
          {rows.map((row, i) => (
            <tr key={names[i]}>
              <th scope="row" className="text-left font-normal">
                {names[i]}
              </th>
              <td className="text-right text-quiet">{percent(row.was)}</td>
              <td className="text-center" aria-label="to">
                →
              </td>
              <td className="text-right font-bold">{percent(row.is)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap gap-1.5">
        {moved && (
          <Button look="main" size="small" onClick={hold}>
            Move the line to keep the challenge
          </Button>
        )}
        <Button look="quiet" size="small" onClick={leave}>
          {moved ? "Keep as is" : "It makes no difference"}
        </Button>
      </div>
    </section>
  );
}

export function changeText(change: Change, name: (id: string) => string): string {
  if (change.kind === "item") return `one more item at home: ${name(change.item)}`;
  if (change.kind === "leaveOut") return "one target fewer";
  return `not requiring ${say(`property.${change.property}`)}`;
}

/** Which homes are ready with what they have, which are not and why, and what single change would help. */
function ClassFit({
  a: activity,
  fits,
  housed,
  homes,
  name,
  change,
}: {
  a: Activity;
  fits: readonly KitFit[] | null;
  housed: readonly Housed[];
  homes: Readonly<Record<string, string>>;
  name: (id: string) => string;
  change: (givenActivity: Activity) => void;
}) {
  // The placeholder is as tall as the answer, so that nothing below it moves.
  if (!fits) return <div role="img" aria-label="The homes are being checked" className="skeleton mb-1 h-16" />;
  const of = new Map(fits.map((fit) => [fit.home, fit]));
  const count = countHomes(housed, (id) => {
    const fit = of.get(id);
    return !fit || fit.guessed ? null : fit.can;
  });
  const answered = fits.filter((fit) => !fit.guessed);
  const out = answered.filter((fit) => !fit.can);
  const ranked = rankedChanges(answered).slice(0, 4);
  return (
    <details className="mb-1 min-h-16 rounded-sm border-2 border-hair px-2.5 py-1.5" aria-label="Homes">
      <summary className="font-semibold">
        {tell("kit.homes", { n: count.can, all: count.all, silent: count.silent })}
        {out.length > 0 && ranked[0] && (
          <span className="block text-xs font-normal text-quiet">
            {ranked[0].homes.length} more with {changeText(ranked[0].change, name)}
          </span>
        )}
      </summary>
      {out.length > 0 && (
        <>
          <ul className="text-sm">
            {out.map((fit) => (
              <li key={fit.home} className="row-line py-1">
                <span className="font-semibold">{homes[fit.home]}</span>{" "}
                <span className="text-quiet">{fit.missing.map((unmet) => sayPhrase(unmet.why)).join(" ")}</span>
              </li>
            ))}
          </ul>
          <p className="pt-1.5 text-sm font-semibold">
            {ranked.length > 0 ? "One change makes these homes ready" : "No single change makes them ready."}
          </p>
          <ul className="grid gap-1 pt-1 text-sm">
            {ranked.map(({ change: c, homes: who }) => {
              const next = withChange(activity, c);
              return (
                <li key={JSON.stringify(c)} className="flex items-center justify-between gap-2">
                  <span>
                    <strong>{who.length}</strong> with {changeText(c, name)}
                  </span>
                  {next && (
                    <Button look="quiet" size="small" onClick={() => change(next)}>
                      Apply
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="pt-1 text-xs text-quiet">
        {out.length > 0 && "Everyone else still gets a card, using the closest items they have, or none at all. "}
        {fits.some((fit) => fit.guessed) && "For homes that haven't told us, we assume the usual items."}
      </p>
    </details>
  );
}

/** Shows each role of the game: the item that fills it, what that item must be like, and how many homes have one. */
const Roles = ({
  roles,
  attempt,
  activity,
  list,
  open,
  setOpen,
  name,
  pick,
  change,
}: Pick<Props, "activity" | "change"> & {
  roles: Role[];
  attempt: ReturnType<typeof useAttemptWords>;
  list: readonly Item[];
  open: string | null;
  setOpen: (value: string | null) => void;
  name: (id: string) => string;
  pick: (role: string, item: Item) => void;
}) =>
  roles.map((role) => {
    const target = targetOf(role.id);
    const title =
      role.id === "layout"
        ? label("use.layout")
        : target === null
          ? role.use === "send" && extraObjectIndex(role.id) < 0
            ? `Object to ${attempt.one}`
            : label(extraObjectIndex(role.id) >= 0 ? `thing.${role.id}` : `use.${role.use}`)
          : `${partNumber(activity, target)} ${label("use.target")}`;
    const is = role.as?.id ?? "";
    const fit = list.filter((item) => serves(item, role));
    const gone = is !== "" && !list.some((item) => item.id === is);
    return (
      <section key={role.id} className="row-line py-1.5">
        <button
          type="button"
          aria-expanded={open === role.id}
          className="flex w-full items-center gap-3 py-1 text-left"
          onClick={() => setOpen(open === role.id ? null : role.id)}
        >
          <ItemDrawing item={is} size={36} className="shrink-0" />
          <span className="min-w-0 grow">
            <span className="block text-xs text-quiet">{title}</span>
            <span className="block font-semibold">
              {name(is)}
              {role.count > 1 && role.use === "send" ? `, ${role.count} for each side` : ""}
              {role.count > 1 && (role.id === "layout" || target !== null) ? `, ${role.count} of them` : ""}
            </span>
            <span className="block text-xs text-quiet">{askedWords(activity.kit.roles, role.id)}</span>
          </span>
          {open === role.id ? <Minus size={16} aria-hidden="true" /> : <Plus size={16} aria-hidden="true" />}
        </button>
        {gone && (
          <p className="problem text-sm">
            No longer in your school's list. This activity keeps its own copy. Choose another if you like.
          </p>
        )}
        {open === role.id && (
          <div className="pb-2">
            <ItemPicker title={`${title}: item`} items={fit} is={is} pick={(item) => pick(role.id, item)} />
            {target !== null && <Stands a={activity} id={target} />}
            {role.id === "send" && <Gets a={activity} />}
            {extraObjectIndex(role.id) >= 0 && (
              <Button
                look="quiet"
                size="small"
                className="mt-1"
                onClick={() => {
                  setOpen(null);
                  change({
                    ...activity,
                    kit: {
                      ...activity.kit,
                      others: extraObjects(activity).filter((_, k) => k !== extraObjectIndex(role.id)),
                    },
                  });
                }}
              >
                <Trash2 size={15} aria-hidden="true" /> Remove
              </Button>
            )}
            <Asks
              role={role.id}
              use={role.use}
              words={activity.kit.roles}
              set={(next, key) => change({ ...activity, kit: { ...activity.kit, roles: next } }, key)}
            />
          </div>
        )}
      </section>
    );
  });

/** Adds an object that takes turns with the others. */
const AddObject = ({
  setOpen,
  activity,
  change,
  next,
  list,
}: Pick<Props, "activity" | "change"> & {
  setOpen: (value: string | null) => void;
  next: Item;
  list: readonly Item[];
}) => (
  <Button
    look="quiet"
    size="small"
    className="mt-2"
    onClick={() => {
      setOpen(EXTRA_OBJECTS[extraObjects(activity).length]!);
      change(withOwn({ ...activity, kit: { ...activity.kit, others: [...extraObjects(activity), next.id] } }, list));
    }}
  >
    <Plus size={15} aria-hidden="true" /> Add another object, in turn
  </Button>
);

/** Chooses the bat or racket. */
const Implement = ({
  activity,
  change,
  list,
  name,
}: Pick<Props, "activity" | "change"> & { list: readonly Item[]; name: (id: string) => string }) => (
  <label className="row-line flex items-center justify-between gap-3 py-2 text-[0.92rem]">
    {tell("kit.held")}
    <Select
      value={activity.kit.implement ?? ""}
      onChange={(event) => {
        const kit = { ...activity.kit, implement: event.target.value === "" ? null : event.target.value };
        change(withOwn({ ...activity, kit }, list));
      }}
    >
      <option value="">
        {heldIn(activity) ? tell("kit.heldUsual", { item: name(heldIn(activity)!.usual) }) : "the bare hand"}
      </option>
      {list
        .filter(
          (item) =>
            item.uses.includes("implement") &&
            (item.id === activity.kit.implement || !heldIn(activity) || doesFor(item, heldIn(activity)!)),
        )
        .map((item) => (
          <option key={item.id} value={item.id}>
            {name(item.id)}
          </option>
        ))}
    </Select>
  </label>
);
