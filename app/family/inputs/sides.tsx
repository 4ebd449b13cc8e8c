import { useEffect, useRef, useState } from "react";
import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { say, sayList } from "#words/say.ts";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

type Props<K extends "point" | "goal"> = InputProps<AskOf<"send">> & { aim: AimOf<K> };
/** The reasons for winning a point, in the order of their buttons. */
const REASONS = ["out", "net", "bounces", "missed", "serve"] as const;

/** One big button for each side, in the order of their names. The keys 1 and 2 do the same. */
function SideButtons({
  people,
  name,
  text,
  take,
  mending,
}: {
  people: readonly (readonly number[])[];
  name: (player: number) => string;
  text: (who: string) => string;
  take: (side: number) => void;
  mending: boolean;
}) {
  const now = useRef(take);
  now.current = take;
  useEffect(() => {
    if (mending) return;
    const pressed = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey || event.altKey || event.repeat)
        return;
      const side = ["1", "2"].indexOf(event.key);
      if (side < 0) return;
      now.current(side);
      event.preventDefault();
    };
    addEventListener("keydown", pressed);
    return () => removeEventListener("keydown", pressed);
  }, [mending]);
  return (
    <div className="grid grid-cols-2 gap-2.5">
      {people.map((side, i) => (
        <button
          key={side.join()}
          type="button"
          className={`grid min-h-28 content-center justify-items-center rounded-3xl border-4 border-night px-2 text-night active:scale-[0.99] short:min-h-16 ${i === 0 ? "bg-mustard" : "bg-mint"}`}
          onClick={() => take(i)}
        >
          <span className="text-xl leading-tight font-bold">{text(sayList(side.map(name)))}</span>
        </button>
      ))}
    </div>
  );
}
const Small = ({ children, press, on }: { children: React.ReactNode; press: () => void; on?: boolean }) => (
  <button
    type="button"
    aria-pressed={on}
    className={`btn min-h-11 px-2 leading-tight short:min-h-9 ${on ? "border-ink bg-mustard text-night" : ""}`}
    onClick={press}
  >
    {children}
  </button>
);

/**
 * Who won the rally and, where it is recorded, why or after how many touches; a let; a fault, if a second serve is
 * left.
 */
export function Point({ aim, act, name, mending = false }: Props<"point">) {
  const [why, setWhy] = useState<string | null>(null);
  const [touches, setTouches] = useState("");
  const take = (side: number) => {
    const count = Number(touches);
    act({
      kind: "point",
      side,
      ...(why !== null && { why }),
      ...(touches.trim() !== "" && Number.isInteger(count) && count >= 0 && count <= 500 && { n: count }),
    });
    setWhy(null);
    setTouches("");
  };
  return (
    <div className="grid gap-2.5">
      {aim.told === "why" && (
        <fieldset className="flex flex-wrap gap-1.5">
          <legend className="text-sm">{say("point.why")}</legend>
          {REASONS.map((reason) => (
            <Small key={reason} on={why === reason} press={() => setWhy(why === reason ? null : reason)}>
              {say(`point.why.${reason}`)}
            </Small>
          ))}
        </fieldset>
      )}
      {aim.told === "touches" && (
        <label className="flex items-center gap-3 text-lg">
          {say("point.touches")}
          <input
            inputMode="numeric"
            className="w-24"
            value={touches}
            onChange={(event) => setTouches(event.target.value.replace(/\D/g, "").slice(0, 3))}
          />
        </label>
      )}
      <SideButtons
        people={aim.people}
        name={name}
        text={(who) => say("point.for", { who })}
        take={take}
        mending={mending}
      />
      {!mending && <Keys of="sides" />}
      <div className={`grid gap-2.5 ${aim.again ? "grid-cols-2" : ""}`}>
        {aim.again && (
          <Small press={() => act({ kind: "point", side: null, why: "fault" })}>{say("point.fault")}</Small>
        )}
        <Small press={() => act({ kind: "point", side: null, why: "let" })}>{say("point.let")}</Small>
      </div>
    </div>
  );
}

/** A goal for a side; out of play or a foul, and by whom; or the result of a free shot. */
export function Goal({ aim, act, name, mending = false }: Props<"goal">) {
  /** What is being reported (out of play, or a kind of foul) while the player chooses who did it. */
  const [what, tell] = useState<string | null>(null);
  const stop = (why: string, side: number | null) => {
    tell(null);
    act({ kind: "point", side: null, why, ...(side !== null && { by: aim.people[side]![0]! }) });
  };
  const { shot } = aim;
  if (shot !== null)
    return (
      <div className="grid grid-cols-2 gap-2.5">
        <button
          type="button"
          className="min-h-28 rounded-3xl border-4 border-night bg-mustard text-2xl font-bold text-night short:min-h-16"
          onClick={() => act({ kind: "point", side: shot })}
        >
          {say("goal.in")}
        </button>
        <button
          type="button"
          className="min-h-28 rounded-3xl border-4 border-night bg-mint text-2xl font-bold text-night short:min-h-16"
          onClick={() => act({ kind: "point", side: null, why: "missed" })}
        >
          {say("goal.missed")}
        </button>
      </div>
    );
  if (what !== null)
    return (
      <div className="grid gap-2.5">
        <p className="text-lg font-bold">{say(what === "out" ? "goal.whoOut" : "goal.whoFoul")}</p>
        <SideButtons people={aim.people} name={name} text={(who) => who} take={(side) => stop(what, side)} mending />
        <Small press={() => tell(null)}>{say("play.back")}</Small>
      </div>
    );
  return (
    <div className="grid gap-2.5">
      <SideButtons
        people={aim.people}
        name={name}
        text={(who) => say("goal.for", { who })}
        take={(side) => act({ kind: "point", side })}
        mending={mending}
      />
      {!mending && <Keys of="sides" />}
      <div className="flex flex-wrap gap-1.5 *:grow">
        <Small press={() => (aim.out === "other" ? tell("out") : stop("out", null))}>{say("goal.out")}</Small>
        {aim.fouls.map((foul) => (
          <Small key={foul} press={() => tell(foul)}>
            {say(`goal.foul.${foul}`)}
          </Small>
        ))}
      </div>
    </div>
  );
}
