import { ArrowLeft, ArrowRight } from "lucide-react";
import type { Marker } from "#core/compile/card.ts";
import type { HitRule } from "#core/rules/hit-rule.ts";
import type { Place } from "#core/yard/parts.ts";
import { countedIn, type ItemNames, itemName, namesOf, say, sayPhrase, targetName } from "#words/say.ts";
import "#words/set-up.ts";
import { attemptWords } from "#words/verbs.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import { ScreenLink } from "../card/address.tsx";
import type { CardData, Ticks } from "../card/card-data.ts";
import { RoomMap } from "./room-map.tsx";
import { YardMap } from "./yard-map.tsx";

export interface Stage {
  id: string;
  item: string;
  lines: string[];
  distance?: string;
  /** The ids of the parts that are set up by now. */
  shown: string[];
  /** The way from where counting starts: straight ahead, then to the side. */
  way?: Place[];
}

const metres = (givenMetres: number) => givenMetres.toFixed(givenMetres < 10 ? 1 : 0);

/** The steps of setting up: one marker at a time, then everything. */
export function stages({ card }: Pick<CardData, "card">): Stage[] {
  const activity = card.activity;
  const moving =
    card.markers.length > 0 &&
    card.parts.some((part) => part.kind === "line" && part.role === "start" && part.id !== "start");
  const out: Stage[] = [];
  const shown: string[] = [];
  const target = card.parts.find((part) => part.kind === "target");
  if (moving && target?.kind === "target") {
    shown.push(target.id);
    out.push({
      id: "first",
      item: target.item,
      lines: [say("setup.putFirst", { item: targetName(target) }), countsLine(card, target.id)],
      shown: [...shown],
    });
  } else {
    shown.push("start");
    // If nothing is sent from anywhere, there is no line to lay.
    const nowhere = card.unaimed && card.needs.pieces === 0 && card.markers.length === 0;
    out.push({
      id: "start",
      item: nowhere ? "" : activity.kit.marker,
      lines: [say(nowhere ? "setup.clear" : "setup.start", { posture: card.self?.posture ?? "standing" })],
      shown: [...shown],
    });
  }
  for (const marker of card.markers) {
    shown.push(marker.id);
    const zones = card.parts.flatMap((part) => {
      if (part.kind === "zone") return shown.includes(`b${part.id.slice(1)}`) ? [part.id] : [];
      if (part.kind === "target") return part.group === marker.id ? [part.id] : [];
      return part.kind === "cell" || part.kind === "court" ? [part.id] : [];
    });
    const counted = countedIn(marker);
    const walk =
      marker.kind === "mark" && marker.count === 0
        ? say("setup.onLine")
        : marker.behind
          ? say("setup.behind", counted)
          : moving && marker.kind !== "mark"
            ? say("setup.back", { ...counted, label: target?.kind === "target" ? targetName(target) : "" })
            : say("setup.walk", counted);
    const aside = marker.aside
      ? [
          say(marker.across < 0 ? "setup.asideLeft" : "setup.asideRight", {
            ...countedIn(marker.aside),
          }),
        ]
      : Math.abs(marker.across) >= 0.05
        ? [say(marker.across < 0 ? "setup.left" : "setup.right", { metres: metres(Math.abs(marker.across)) })]
        : [];
    const put =
      marker.kind === "target"
        ? marker.up === undefined
          ? [putLine(card, marker), countsLine(card, marker.id)]
          : [say("setup.wall", { item: targetName(marker), cm: Math.round(marker.up * 100) })]
        : marker.kind === "line"
          ? [marker.label ? say("setup.line", { number: marker.label }) : say("setup.layLine")]
          : [markLine(marker, namesOf(activity.kit.own))];
    // A target that the child places has no position yet.
    const free = activity.setOut && marker.kind === "target";
    out.push({
      id: marker.id,
      item: marker.item,
      lines: (free ? put : [walk, ...aside, ...put]).filter(Boolean),
      way: free ? [] : wayTo(marker, moving && target?.kind === "target" ? target.along : null),
      ...(!free &&
        marker.count > 0 && {
          distance: say("setup.dist", { ...countedIn(marker), metres: metres(marker.reached) }),
        }),
      shown: [...shown, ...zones],
    });
  }
  const { cells, notes = [] } = card;
  if (out.length > 0)
    out[out.length - 1]!.lines.push(
      ...notes.map((note) => sayPhrase(note, {}, attemptWords(card.activity.aim.action))),
    );
  if (cells && out.length > 0) out[out.length - 1]!.lines.push(say("setup.cells", { count: cells }));
  return out;
}

/** The way to a marker: ahead to its distance, then to the side. If the line moves, back from the target. */
function wayTo(marker: Marker, from: number | null): Place[] {
  const along = from === null ? marker.metres : from - marker.metres;
  const points = [
    { along: from ?? 0, across: 0 },
    { along, across: 0 },
    { along, across: marker.kind === "line" ? 0 : marker.across },
  ];
  return points.filter(
    (point, i) =>
      i === 0 || Math.hypot(point.along - points[i - 1]!.along, point.across - points[i - 1]!.across) > 0.02,
  );
}

/** What to put at a marker that is laid out beside the game. */
function markLine(marker: Marker, names: ItemNames): string {
  switch (marker.what) {
    case "spot":
      return marker.label ? say("setup.spotNumber", { label: marker.label }) : say("setup.spot");
    case "corner":
      return say("setup.corner");
    case "line":
      return marker.label ? say("setup.line", { number: marker.label }) : say("setup.layLine");
    default:
      return marker.up === undefined
        ? say("setup.put", { item: itemName(marker.item, names) })
        : say("setup.wall", { item: itemName(marker.item, names), cm: Math.round(marker.up * 100) });
  }
}

/** How the target counts, as the card says it: a single rule by its name, a combined one by the pair. */
export function countsAs(rule: HitRule): "touch" | "into" | "through" | "topple" | "both" | "touchThrough" {
  if (rule.kind === "anyOf")
    return rule.rules.some((eachRule) => eachRule.kind === "through") ? "touchThrough" : "both";
  return rule.kind === "into" || rule.kind === "through" || rule.kind === "topple" ? rule.kind : "touch";
}

/** How many pins of a formation or row one marker stands for. */
const pinsAt = (card: CardData["card"], id: string) =>
  card.parts.filter((part) => part.kind === "target" && part.group === id).length;

/** What to put at a marker: one item, or all the pins that stand there. */
function putLine(card: CardData["card"], marker: Marker): string {
  const pins = pinsAt(card, marker.id);
  return pins > 1
    ? say("setup.putPins", { count: pins, item: targetName(marker) })
    : say("setup.put", { item: targetName(marker) });
}

function countsLine(card: CardData["card"], id: string): string {
  // For pins, the card says that they must fall, because touching one is not enough.
  if (card.unaimed || pinsAt(card, id) > 0) return "";
  const part = card.parts.find(
    (eachPart) => eachPart.kind === "target" && (eachPart.id === id || eachPart.group === id),
  );
  if (part?.kind !== "target") return "";
  return say(`setup.counts.${countsAs(part.rule)}`);
}

/** One marker at a time, then everything. The steps are addresses, so they work before the script has loaded. */
export function SetUpScreen({
  data,
  ticks,
  setTicks,
  asked,
}: {
  data: CardData;
  ticks: Ticks;
  setTicks: (givenTicks: Ticks) => void;
  /** The step that the address asks for, from 1. */
  asked: string | null;
}) {
  const list = stages(data);
  const at = Math.min(list.length, Math.max(0, (Number(asked) || 1) - 1));
  const to = (count: number) => `?screen=setup&at=${count + 1}`;
  const whole = at >= list.length;
  const stage = list[at];
  const zone = data.card.parts.find((part) => part.kind === "zone");
  return (
    <>
      <h1 className="mb-2 text-3xl">{whole ? say("setup.all") : say("setup.title")}</h1>
      <Drawing data={data} whole={whole} stage={stage} />
      {stage && (
        <div className="mt-4 flex gap-4">
          {stage.item !== "" && <ItemDrawing item={stage.item} size={64} className="shrink-0" />}
          <div className="grid gap-1 text-xl">
            <p className="text-sm text-quiet">{say("setup.of", { at: at + 1, all: list.length })}</p>
            {stage.lines.map((line) => (
              <p key={line}>{line}</p>
            ))}
            {stage.distance && <p className="font-bold">{stage.distance}</p>}
          </div>
        </div>
      )}
      {whole && <RoomMap card={data.card} />}
      {whole && (
        <p className="mt-3">
          <a href={`/f/${data.token}/${data.id}/sheet`} className="font-semibold underline">
            {say("setup.print")}
          </a>
        </p>
      )}
      {whole && <BehindLook data={data} ticks={ticks} setTicks={setTicks} />}
      {whole && (
        <p className="mt-3">
          <a href={`/f/${data.token}/step?card=${data.id}`} className="font-semibold underline">
            {say("setup.measure")}
          </a>
        </p>
      )}
      {whole && data.card.home?.place?.noWall && <p className="note note-good mt-3">{say("setup.noWall")}</p>}
      {whole && data.card.home?.place?.backstop && <p className="note note-good mt-3">{say("setup.backstop")}</p>}
      {whole && data.card.home?.place?.status === "none" && <p className="note mt-3">{say("setup.tight")}</p>}
      {whole && (
        <ul className="mt-4 grid gap-1.5 text-lg">
          {data.card.markers
            .filter((marker) => marker.kind !== "mark")
            .map((marker) => (
              <li key={marker.id} className="row-line flex justify-between gap-3 pb-1">
                <span>
                  {marker.kind === "target"
                    ? targetName(marker)
                    : marker.label
                      ? say("setup.line", { number: marker.label })
                      : say("setup.layLine")}
                </span>
                <strong>{say("setup.dist", { ...countedIn(marker), metres: metres(marker.reached) })}</strong>
              </li>
            ))}
          {zone?.kind === "zone" && (
            <li className="pt-1">
              {say(`setup.rule.${zone.lineRule}`)} {say(`setup.last.${zone.lastLine ?? "out"}`)}
            </li>
          )}
        </ul>
      )}
      <div className="mt-4 grid grid-cols-2 gap-3">
        {at > 0 ? (
          <ScreenLink to={to(at - 1)} replace stay className="btn min-h-14 text-lg">
            <ArrowLeft aria-hidden="true" /> {say("setup.prev")}
          </ScreenLink>
        ) : (
          <span />
        )}
        {!whole && (
          <ScreenLink to={to(at + 1)} replace stay className="btn min-h-14 text-lg">
            {say("setup.next")} <ArrowRight aria-hidden="true" />
          </ScreenLink>
        )}
      </div>
    </>
  );
}

/** Checks what is behind the last target, where it is set up. The tick is the same as on the next screen. */
function BehindLook({
  data,
  ticks,
  setTicks,
}: {
  data: CardData;
  ticks: Ticks;
  setTicks: (givenTicks: Ticks) => void;
}) {
  const { behind } = data.card.activity;
  const on = ticks.look.includes("behind");
  return (
    <section className="mt-4 grid gap-2" aria-labelledby="behind">
      <h2 id="behind" className="text-xl">
        {say("setup.lookBehind")}
      </h2>
      <p className="text-lg">{say(data.card.grownUp ? "setup.lookBehindGrownUp" : "setup.lookBehindText")}</p>
      {behind && behind !== "open" && <p className="note note-good">{say(`setup.behind.${behind}`)}</p>}
      <label
        className={`flex min-h-16 items-center gap-4 rounded-md border-2 p-3 text-lg ${on ? "border-teal bg-mint/25" : "border-coral bg-raised"}`}
      >
        <input
          type="checkbox"
          className="size-7 shrink-0"
          checked={on}
          onChange={() =>
            setTicks({
              ...ticks,
              look: on ? ticks.look.filter((text) => text !== "behind") : [...ticks.look, "behind"],
            })
          }
        />
        {say("caution.behind")}
      </label>
    </section>
  );
}

/** Draws the part of the yard that is set up so far. */
const Drawing = ({ data, whole, stage }: { data: CardData; whole: boolean; stage: Stage | undefined }) => (
  <div className="on-court grid justify-items-center rounded-md bg-court py-2">
    <YardMap
      parts={data.card.parts}
      width={350}
      height={whole ? 430 : 300}
      marks={
        whole
          ? { behind: true }
          : {
              way: stage!.way,
              now: stage!.id,
              only: [...stage!.shown, ...(stage!.shown.includes("start") ? [] : [stage!.id])],
            }
      }
      label={say("setup.all")}
    />
  </div>
);
