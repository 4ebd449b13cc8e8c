import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { greedySwap, isWhole, maySwap } from "#core/sorting-grid/grid.ts";
import { beginsComplete, type Mixed } from "#core/sorting-grid/mix.ts";
import { itemName, namesOf, say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { Squares } from "../../workers/square.worker.ts";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

function useSquares() {
  const kept = useRef<{ worker: Worker; api: Comlink.Remote<Squares> } | null>(null);
  useEffect(() => () => kept.current?.worker.terminate(), []);
  return {
    open() {
      const worker = new Worker(new URL("../../workers/square.worker.ts", import.meta.url), { type: "module" });
      kept.current?.worker.terminate();
      kept.current = { worker, api: Comlink.wrap<Squares>(worker) };
      return kept.current.api;
    },
    stop: () => {
      kept.current?.worker.terminate();
      kept.current = null;
    },
  };
}

/** A square as it lies on the floor, with the near row at the bottom. Each place is a button. */
function Floor({
  cells,
  n: count,
  names,
  kinds,
  press,
  chosen = null,
  hinted = [],
}: {
  cells: readonly (number | null)[];
  n: number;
  names: readonly string[];
  kinds: readonly string[];
  press?: (at: number) => void;
  chosen?: number | null;
  hinted?: readonly number[];
}) {
  const rows = Array.from({ length: cells.length / count }, (_, r) => r).reverse();
  return (
    <div
      className="mx-auto grid w-full max-w-80 gap-1.5 short:max-w-52 short:gap-1 flat:max-w-36"
      style={{ gridTemplateColumns: `repeat(${count}, 1fr)` }}
      role="group"
      aria-label={say("square.floor")}
      onKeyDown={(event) => {
        const by = { ArrowUp: -count, ArrowDown: count, ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (by === undefined) return;
        const all = [...event.currentTarget.querySelectorAll("button")];
        all[all.indexOf(document.activeElement as HTMLButtonElement) + by]?.focus();
        event.preventDefault();
      }}
    >
      {rows.flatMap((row) =>
        Array.from({ length: count }, (_, c) => {
          const at = row * count + c;
          const kind = cells[at] ?? null;
          const on = chosen === at;
          return (
            <button
              key={at}
              type="button"
              disabled={!press}
              aria-pressed={press ? on : undefined}
              aria-label={say("square.place", {
                row: row + 1,
                column: c + 1,
                what: kind === null ? say("square.empty") : names[kind]!,
              })}
              className={`grid aspect-square min-h-11 place-items-center rounded-sm flat:min-h-8 flat:[&_svg]:size-6 border-[3px] text-night disabled:opacity-100 ${on ? "border-night bg-mustard" : hinted.includes(at) ? "border-dashed border-night bg-mint" : "border-night bg-page"}`}
              onClick={() => press?.(at)}
            >
              {kind === null ? "" : <ItemDrawing item={kinds[kind]!} size={count > 3 ? 30 : 40} />}
            </button>
          );
        }),
      )}
      <p aria-hidden="true" className="col-span-full text-center text-sm text-quiet">
        {say("square.near")}
      </p>
    </div>
  );
}
const useNames = ({ data, ask }: Pick<InputProps<AskOf<"mix" | "swap">>, "data" | "ask">) => {
  const own = namesOf(data.card.activity.kit.own);
  return ask.kinds.map((kind) => itemName(kind, own));
};

/** The mixed square: mixed by the application to the chosen difficulty, or typed in as it lies on the floor. */
export function Mix({ ask, act, data }: InputProps<AskOf<"mix">>) {
  const { n: count, reach, least, most, how } = ask;
  const names = useNames({ data, ask });
  const squares = useSquares();
  const [typed, setTyped] = useState<(number | null)[]>(() => Array<null>(count * count).fill(null));
  const [brush, setBrush] = useState(0);
  const [tried, setTried] = useState<number | null>(null);
  const [found, setFound] = useState<Mixed | null>(null);
  const [wrong, setWrong] = useState("");
  const api = useRef(squares);
  api.current = squares;

  const mix = () => {
    setTried(0);
    const seed = crypto.getRandomValues(new Uint32Array(1))[0]!;
    void api.current
      .open()
      .mix({ n: count, reach, least, most, seed }, Comlink.proxy(setTried))
      .then((mixed) => {
        setFound(mixed);
        setTried(null);
      });
  };
  if (how === "app") {
    if (!found)
      return (
        <div className="grid gap-3">
          <button
            type="button"
            className="min-h-24 rounded-3xl border-4 border-night bg-mint text-2xl font-bold text-night disabled:opacity-70 short:min-h-14"
            disabled={tried !== null}
            onClick={mix}
          >
            {say(tried === null ? "square.mixNow" : "square.mixing", { tried: tried ?? 0 })}
          </button>
          {tried !== null && (
            <button
              type="button"
              className="btn min-h-11"
              onClick={() => {
                squares.stop();
                setTried(null);
              }}
            >
              {say("square.cancel")}
            </button>
          )}
        </div>
      );
    return (
      <div className="grid gap-2.5 short:gap-1.5 flat:grid-cols-2 flat:items-center">
        <p className="text-lg font-bold flat:col-span-2">{say("square.layIt")}</p>
        <div className="flat:row-span-3">
          <Floor cells={found.cells} n={count} names={names} kinds={ask.kinds} />
        </div>
        <p role="status" className="text-center">
          {found.lower === found.upper
            ? say("square.couldBe", { count: found.upper })
            : say("square.between", { lower: found.lower, upper: found.upper })}
        </p>
        <div className="grid grid-cols-2 gap-2.5">
          <button
            type="button"
            className="btn btn-main min-h-14 px-1 text-xl leading-tight short:min-h-10 short:text-base"
            onClick={() => act({ kind: "mix", cells: found.cells, fewest: { lower: found.lower, upper: found.upper } })}
          >
            {say("square.lies")}
          </button>
          <button type="button" className="btn min-h-14 px-1 leading-tight short:min-h-10" onClick={mix}>
            {say("square.another")}
          </button>
        </div>
      </div>
    );
  }
  const cells = typed.every((c) => c !== null) ? (typed as number[]) : null;
  const done = () => {
    if (!cells || !isWhole(cells, count)) return setWrong(say("refused.notWhole", { n: count }));
    if (beginsComplete(cells, count) && how === "opponent") return setWrong(say("square.nearComplete"));
    setWrong("");
    void squares
      .open()
      .fewest(cells, count, reach)
      .then((fewest) => act({ kind: "mix", cells, fewest }));
  };
  return (
    <TypedMix
      names={names}
      count={count}
      typed={typed}
      brush={brush}
      setBrush={setBrush}
      ask={ask}
      setTyped={setTyped}
      wrong={wrong}
      done={done}
    />
  );
}

/**
 * The player taps the two items to swap, one after the other. Which ones are near is a hint. The best move is shown
 * only on request.
 */
export function Swap({ ask, act, data, mending = false }: InputProps<AskOf<"swap">>) {
  const { n: count, reach, cells } = ask;
  const names = useNames({ data, ask });
  const [chosen, choose] = useState<number | null>(null);
  const [hint, setHint] = useState<"kinds" | "move" | null>(null);
  const [wrong, setWrong] = useState("");
  const several = data.card.activity.match.swap === "once";
  const press = (at: number) => {
    setWrong("");
    if (chosen === null || chosen === at) return choose(chosen === at ? null : at);
    if (!maySwap(chosen, at, count, reach))
      return setWrong(say(maySwap(chosen, at, count, "line") ? "refused.notNext" : "refused.notInLine"));
    const [first, second] = [Math.min(chosen, at), Math.max(chosen, at)];
    choose(null);
    setHint(null);
    act({ kind: "swap", a: first, b: second, ...(several && { by: ask.player }) });
  };
  const counts = names.map((_, k) => cells.slice(0, count).filter((cell) => cell === k).length);
  const pair = hint === "move" ? greedySwap(cells, count, reach) : null;
  return (
    <div className="grid gap-2.5">
      {wrong && (
        <p role="alert" className="problem">
          {wrong}
        </p>
      )}
      {hint === "kinds" && (
        <p role="status" className="text-center">
          {say("square.hint", {
            list: names.flatMap((name, k) => (counts[k]! > 0 ? [`${name} ${counts[k]}`] : [])).join(", "),
          })}
        </p>
      )}
      <Floor
        cells={cells}
        n={count}
        names={names}
        kinds={ask.kinds}
        press={press}
        chosen={chosen}
        hinted={pair ?? []}
      />
      {!mending && <Keys of="places" />}
      {!mending && (
        <button
          type="button"
          className="btn min-h-11"
          onClick={() => {
            setWrong("");
            setHint(hint === "kinds" ? "move" : "kinds");
          }}
          disabled={hint === "move"}
        >
          {say(hint === "kinds" ? "square.showMove" : "square.askHint")}
        </button>
      )}
    </div>
  );
}

/** Lets a family enter the grid place by place, as it lies on the floor. */
const TypedMix = ({
  names,
  count,
  typed,
  brush,
  setBrush,
  ask,
  setTyped,
  wrong,
  done,
}: {
  names: string[];
  count: InputProps<AskOf<"mix">>["ask"]["n"];
  typed: (number | null)[];
  brush: number;
  setBrush: (value: number) => void;
  ask: InputProps<AskOf<"mix">>["ask"];
  setTyped: (change: (typed: (number | null)[]) => (number | null)[]) => void;
  wrong: string;
  done: () => void;
}) => (
  <div className="grid gap-2.5">
    <p className="text-lg font-bold">{say("square.typeIt")}</p>
    <div role="radiogroup" aria-label={say("square.kind")} className="flex flex-wrap justify-center gap-1.5">
      {names.map((name, k) => {
        const left = count - typed.filter((c) => c === k).length;
        return (
          <button
            key={name}
            type="button"
            role="radio"
            aria-checked={brush === k}
            className={`grid justify-items-center rounded-md border-2 px-2 py-1 ${brush === k ? "border-night bg-mustard text-night" : "border-hair"}`}
            onClick={() => setBrush(k)}
          >
            <ItemDrawing item={ask.kinds[k]!} size={30} />
            <span className="text-sm">
              {name}: {left}
            </span>
          </button>
        );
      })}
    </div>
    <Floor
      cells={typed}
      n={count}
      names={names}
      kinds={ask.kinds}
      press={(at) => setTyped((all) => all.map((c, i) => (i === at ? (c === brush ? null : brush) : c)))}
    />
    {wrong && (
      <p role="alert" className="problem">
        {wrong}
      </p>
    )}
    <button type="button" className="btn btn-main min-h-14 text-2xl short:min-h-10" onClick={done}>
      {say("square.lies")}
    </button>
  </div>
);
