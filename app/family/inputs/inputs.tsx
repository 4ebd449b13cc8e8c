import { Suspense, useEffect, useState } from "react";
import { type AimKind, type AimOf, type Ask, type AskKind, type AskOf, askOf, mainAsks } from "#core/asks/ask.ts";
import { LINE_FIELD } from "#core/contract/standing.ts";
import type { levelPromptOf } from "#core/levels/level-prompt.ts";
import { say } from "#words/say.ts";
import { Carry, Ready, Stand, Task } from "./big.tsx";
import { chunk, loadChunks } from "./chunk.ts";
import { HitOrMiss } from "./hit-or-miss.tsx";
import type { InputProps } from "./input.ts";
import { Move } from "./move.tsx";
import { Choose, piecesIn, Rest } from "./zones.tsx";

/** Inputs that only some games need are loaded with them. */
const Cells = chunk(() => import("./cells.tsx"));
const Lift = chunk(async () => ({ default: (await import("./cells.tsx")).Lift }));
const Fall = chunk(() => import("./fall.tsx"));
const Count = chunk(() => import("./count.tsx"));
const Total = chunk(() => import("./total.tsx"));
const Arrange = chunk(() => import("./arrange.tsx"));
const Targets = chunk(() => import("./targets.tsx"));
const Tasks = chunk(() => import("./tasks.tsx"));
const Letters = chunk(() => import("./letters.tsx"));
const Written = chunk(async () => ({ default: (await import("./letters.tsx")).Written }));
const Passes = chunk(() => import("./passes.tsx"));
const Jack = chunk(async () => ({ default: (await import("./near.tsx")).Jack }));
const NearSend = chunk(async () => ({ default: (await import("./near.tsx")).NearSend }));
const Nearest = chunk(async () => ({ default: (await import("./near.tsx")).Nearest }));
const JackMoved = chunk(async () => ({ default: (await import("./near.tsx")).JackMoved }));
const Point = chunk(async () => ({ default: (await import("./sides.tsx")).Point }));
const Goal = chunk(async () => ({ default: (await import("./sides.tsx")).Goal }));
const Bat = chunk(async () => ({ default: (await import("./bases.tsx")).Bat }));
const Call = chunk(async () => ({ default: (await import("./bases.tsx")).Call }));
const Mix = chunk(async () => ({ default: (await import("./sorting-grid.tsx")).Mix }));
const Swap = chunk(async () => ({ default: (await import("./sorting-grid.tsx")).Swap }));
const AnyOf = chunk(() => import("./any-of.tsx"));
const SetPanel = chunk(async () => ({ default: (await import("./set.tsx")).SetPanel }));

type WithAll<A extends Ask> = InputProps<A> & { all: readonly Ask[] };
type InputOf<K extends AskKind> = (props: WithAll<AskOf<K>>) => React.ReactNode;

/**
 * If there were several targets to choose from, the last one is shown as they were, so that nothing else comes to lie
 * under the finger.
 */
function OneOrAny(p: InputProps<AskOf<"send">> & { aim: AimOf<"any"> }) {
  const places = p.places ?? (p.aim.want.length > 1 ? p.aim.among : []);
  return places.length > 0 ? <AnyOf {...p} places={places} /> : <HitOrMiss {...p} />;
}

/** How a send is entered, by what it is aimed at. The compiler checks that the list is complete. */
const sends: { [K in AimKind]: (props: WithAll<AskOf<"send">>) => React.ReactNode } = {
  any: ({ all: _, ...probe }) =>
    probe.ask.aim.kind === "any" &&
    (probe.ask.spell ? (
      <Letters
        data={probe.data}
        among={probe.ask.aim.among}
        spell={probe.ask.spell}
        tap={(hit) => probe.act({ kind: "send", hit })}
        miss
      />
    ) : (
      <OneOrAny {...probe} aim={probe.ask.aim} />
    )),
  zones: ({ all, ...probe }) =>
    probe.ask.aim.kind === "zones" && (
      <Rest {...probe} zones={Object.keys(probe.ask.aim.worth)} pieces={piecesIn(all)} />
    ),
  cells: ({ all, ...probe }) =>
    probe.ask.aim.kind === "cells" && <Cells {...probe} aim={probe.ask.aim} pieces={piecesIn(all)} />,
  fall: ({ all: _, ...probe }) => probe.ask.aim.kind === "fall" && <Fall {...probe} aim={probe.ask.aim} />,
  keep: () => null,
  chase: ({ all: _, ...probe }) =>
    probe.ask.aim.kind === "chase" && <Passes {...probe} mark={probe.ask.aim.mark} still />,
  receive: ({ all: _, ...probe }) =>
    probe.ask.aim.kind === "receive" && <Passes {...probe} mark={probe.ask.aim.mark} still={false} />,
  jack: ({ all: _, ...probe }) => <Jack {...probe} />,
  near: ({ all, ...probe }) =>
    probe.ask.aim.kind === "near" && (
      <NearSend {...probe} lie={askOf(all, "measure")} past={probe.ask.aim.past !== null} />
    ),
  shuttle: () => null,
  course: () => null,
  skill: () => null,
  rebound: () => null,
  over: () => null,
  bat: ({ all: _, ...probe }) =>
    probe.ask.aim.kind === "bat" && <Bat key={JSON.stringify(probe.ask.aim)} {...probe} aim={probe.ask.aim} />,
  point: ({ all: _, ...probe }) => probe.ask.aim.kind === "point" && <Point {...probe} aim={probe.ask.aim} />,
  goal: ({ all: _, ...probe }) => probe.ask.aim.kind === "goal" && <Goal {...probe} aim={probe.ask.aim} />,
};
/** The input for every kind of ask. Null: it has none of its own. The compiler checks that the list is complete. */
const inputs: { [K in AskKind]: InputOf<K> | null } = {
  send: (withAll) => sends[withAll.ask.aim.kind](withAll),
  count: ({ all: _, ...probe }) => <Count {...probe} />,
  total: ({ all: _, ...p }) => <Total {...p} />,
  task: ({ all: _, ...p }) => (p.ask.spell ? <Written {...p} spell={p.ask.spell} /> : <Task {...p} />),
  choose: ({ all, ...p }) => {
    const { of, options, must } = p.ask;
    const pick = (id: string | null) => p.act({ kind: "choose", of, pick: id });
    if (of === "waiting") return <Call ask={p.ask} pick={pick} name={p.name} />;
    if (p.ask.spell) return <Letters data={p.data} among={options} spell={p.ask.spell} tap={pick} />;
    if (p.ask.does) return <Tasks {...p} />;
    if (must && of === "lift") return <Lift {...p} pieces={piecesIn(all)} />;
    if (must) return <Targets ids={options} data={p.data} pick={pick} keys={!p.mending} />;
    return <Choose {...p} pieces={piecesIn(all)} />;
  },
  arrange: ({ all: _, ...p }) => <Arrange {...p} />,
  mix: ({ all: _, ...p }) => <Mix {...p} />,
  swap: ({ all: _, ...p }) => <Swap {...p} />,
  stand: (withAll) => <Stand {...withAll} />,
  ready: ({ all, ...p }) => {
    const lie = askOf(all, "measure");
    return lie ? <Nearest {...p} ask={lie} /> : <Ready {...p} />;
  },
  carry: (withAll) => <Carry {...withAll} />,
  measure: ({ ask, act }) => ask.moves && <JackMoved act={act} />,
  move: null,
  set: null,
  bell: null,
};

export function Input({ all, ...p }: InputProps & { all: readonly Ask[] }) {
  const input = inputs[p.ask.kind] as InputOf<AskKind> | null;
  return (
    input && <Suspense fallback={<p role="status">{say("play.loading")}</p>}>{input({ ...p, all } as never)}</Suspense>
  );
}

/** True if a kind of ask has an input, so that an earlier event can be entered again. */
export const hasInput = (kind: AskKind): boolean => inputs[kind] !== null;

/** The next easier and the next harder line, of those that may be chosen. Null if none may. */
function linesOf({ fields, now }: AskOf<"set">): { easier: number | undefined; harder: number | undefined } | null {
  const values = fields[LINE_FIELD]?.map(Number).sort((a, b) => a - b);
  if (!values) return null;
  const is = Number(now[LINE_FIELD] ?? 0);
  return { easier: values.find((value) => value > is), harder: values.findLast((value) => value < is) };
}

/** Panels that can replace the inputs for a moment. */
type Panel = "moving" | "choosing" | "calling" | "telling";
type Shown = Omit<InputProps, "ask"> & { nudge?: ReturnType<typeof levelPromptOf> };

/** Sorts out the asks that have a panel or a button of their own. */
function asideOf(asks: readonly Ask[]) {
  const total = asks.find((ask): ask is AskOf<"total"> => ask.kind === "total" && ask.optional === true);
  const rest = asks.find((ask): ask is AskOf<"choose"> => ask.kind === "choose" && ask.of === "rest");
  return {
    move: askOf(asks, "move"),
    open: askOf(asks, "set"),
    told: total,
    rest,
    /** A choice that can be made again. */
    again: asks.find(
      (ask): ask is AskOf<"choose"> =>
        ask.kind === "choose" && ask.must === true && ask.optional === true && ask.options.length > 1,
    ),
    others: asks.filter(
      (ask) =>
        ask.optional &&
        ask !== total &&
        ask !== rest &&
        ask.kind !== "move" &&
        ask.kind !== "set" &&
        // What had to be chosen may be chosen again, unless there is no other option.
        !(ask.kind === "choose" && ask.must),
    ),
  };
}
type Aside = ReturnType<typeof asideOf>;

/** The inputs for everything that is asked now. No game has a screen of its own. */
export function Inputs({
  asks,
  ...p
}: Omit<InputProps, "ask"> & {
  asks: readonly Ask[];
  /** The level rules suggest another line. */
  nudge?: ReturnType<typeof levelPromptOf>;
}) {
  const [panel, show] = useState<Panel | null>(null);
  useEffect(() => {
    // The first input is loading already. The others should be there before they are needed.
    loadChunks();
  }, []);
  const aside = asideOf(asks);
  const { move, open, told, again } = aside;
  const close = () => show(null);
  if (panel === "choosing" && open)
    return (
      <Suspense fallback={<p role="status">{say("play.loading")}</p>}>
        <SetPanel ask={open} data={p.data} act={p.act} close={close} />
      </Suspense>
    );
  if (panel === "calling" && again) return <ChooseAgain {...p} ask={again} close={close} />;
  if (panel === "telling" && told) return <TellTotal {...p} ask={told} close={close} />;
  if (panel === "moving" && move) return <Move ask={move} data={p.data} name={p.name} close={close} act={p.act} />;
  // What comes and goes is placed above what is tapped for every attempt, which stays under the thumb.
  return (
    <>
      {p.nudge?.to === "found" && (
        <p role="status" className="text-center font-semibold">
          {say("play.found")}
        </p>
      )}
      <AsideBar {...p} asks={asks} aside={aside} show={show} />
      {mainAsks(asks).map((ask) => (
        <Input key={`${ask.kind} ${ask.player}`} {...p} ask={ask} all={asks} />
      ))}
    </>
  );
}

/** Lets a player choose again. */
function ChooseAgain({ ask, close, ...p }: Shown & { ask: AskOf<"choose">; close: () => void }) {
  const pick = (id: string | null) => {
    close();
    p.act({ kind: "choose", of: ask.of, pick: id });
  };
  return (
    <Suspense fallback={<p role="status">{say("play.loading")}</p>}>
      {ask.does ? (
        <Tasks {...p} ask={ask} act={(body) => pick(body.pick as string)} />
      ) : (
        <Targets ids={ask.options} data={p.data} pick={pick} />
      )}
      <Back close={close} />
    </Suspense>
  );
}

/** Asks for the total. */
function TellTotal({ ask, close, ...p }: Shown & { ask: AskOf<"total">; close: () => void }) {
  return (
    <Suspense fallback={<p role="status">{say("play.loading")}</p>}>
      <Total
        {...p}
        ask={ask}
        act={(body) => {
          close();
          p.act(body);
        }}
      />
      <Back close={close} />
    </Suspense>
  );
}
const Back = ({ close }: { close: () => void }) => (
  <button type="button" className="btn min-h-11" onClick={close}>
    {say("play.back")}
  </button>
);

/** Buttons for everything except the next attempt. */
function AsideBar({
  asks,
  aside: { move, open, told, rest, again, others },
  show,
  ...p
}: Shown & { asks: readonly Ask[]; aside: Aside; show: (panel: Panel) => void }) {
  const line = open && linesOf(open);
  const onlyLine = line && Object.keys(open.fields).length === 1;
  const button = (text: string, press: () => void) => (
    <button type="button" className="btn min-h-11 short:min-h-9" onClick={press}>
      {text}
    </button>
  );
  if (!(move || open || again || told || rest || others.length > 0)) return null;
  return (
    <div className="grid auto-cols-fr grid-flow-col gap-2.5">
      {move && (
        <button type="button" className="btn min-h-11" onClick={() => show("moving")}>
          {say("play.moved")}
        </button>
      )}
      {open && !onlyLine && button(say("set.change"), () => show("choosing"))}
      {line && onlyLine && (line.easier ?? line.harder) !== undefined && (
        <EasierHarder
          line={line}
          nudge={p.nudge}
          stand={(value) => p.act({ kind: "set", field: LINE_FIELD, value, by: open!.player })}
        />
      )}
      {rest && button(say("play.thatIsAll"), () => p.act({ kind: "choose", of: rest.of, pick: rest.options[0]! }))}
      {told && button(say("play.runTold"), () => show("telling"))}
      {again && button(say("play.callAgain"), () => show("calling"))}
      {others.map((ask) => (
        <Input key={ask.kind} {...p} ask={ask} all={asks} />
      ))}
    </div>
  );
}

/** Offers the next nearer and the next farther line. A move that the level rules ask for stands out. */
const EasierHarder = ({
  line,
  nudge,
  stand,
}: {
  line: NonNullable<ReturnType<typeof linesOf>>;
  nudge: Shown["nudge"];
  stand: (value: number) => void;
}) =>
  (["easier", "harder"] as const).map((way) => {
    const to = line[way];
    const asked = nudge?.to === way ? nudge.row : null;
    return (
      <button
        key={way}
        type="button"
        className={`btn min-h-11 short:min-h-9 ${asked === null ? "" : "border-mustard bg-mustard text-night"}`}
        disabled={to === undefined}
        onClick={() => to !== undefined && stand(to)}
      >
        {asked === null ? say(`play.${way}`) : say(`play.${way}Now`, { row: asked })}
      </button>
    );
  });
