import { useState } from "react";
import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { mayBeOut } from "#core/asks/forced.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";

/** Buttons side by side, of which one is chosen. */
function OneOf({
  name,
  options,
  value,
  choose,
}: {
  name: string;
  options: readonly (readonly [value: number | "out", text: string])[];
  value: number | "out";
  choose: (v: number | "out") => void;
}) {
  return (
    <fieldset>
      <legend className="mb-0.5 font-semibold">{name}</legend>
      <div className="flex flex-wrap gap-1.5 *:grow">
        {options.map(([v, text]) => (
          <label
            key={String(v)}
            className="grid min-h-11 min-w-12 cursor-pointer place-items-center rounded-md border-2 border-hair px-2 text-center font-semibold has-checked:border-ink has-checked:bg-mustard has-checked:text-night has-focus-visible:outline-3 short:min-h-9"
          >
            <input type="radio" name={name} className="sr-only" checked={value === v} onChange={() => choose(v)} />
            {text}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/**
 * What happened after a ball was put into play: the base that each runner reached, a catch, or a miss. Runs are
 * counted.
 */
export function Bat({ ask, aim, act, name }: InputProps<AskOf<"send">> & { aim: AimOf<"bat"> }) {
  const { runners, names, home, outs } = aim;
  const [to, setTo] = useState<readonly (number | "out")[]>(() => [...runners, 0]);
  const byBall = outs.includes("tagged") || outs.includes("first");
  // Nobody can tag an invisible runner.
  const may = (i: number) => mayBeOut(runners, i, byBall && names[i] === null ? ["first"] : outs);
  const text = (base: number) => (base === home ? say("bat.home") : say("bat.base", { base }));
  const from = (i: number) => runners[i] ?? 0;
  const options = (i: number) => {
    const first = from(i);
    return [
      [first, first === 0 ? say("bat.none") : say("bat.stays")] as const,
      ...Array.from({ length: home - first }, (_, k) => [first + k + 1, text(first + k + 1)] as const),
      ...(may(i) ? [["out", say("bat.out")] as const] : []),
    ];
  };
  const tell = () => {
    // Somebody who is out counts as having stayed on their base.
    const reached = to.map((v, i) => (v === "out" ? from(i) : v));
    const out = to.flatMap((v, i) => (v === "out" ? [i] : []));
    // The next ball may begin in the same state as this one.
    setTo([...runners, 0]);
    act({ kind: "run", reached, ...(out.length > 0 && { out }) });
  };
  const choose = (i: number) => (v: number | "out") => setTo((all) => all.map((x, k) => (k === i ? v : x)));
  return (
    <div className="grid gap-2.5">
      <div className={`grid gap-2.5 ${outs.includes("caught") ? "grid-cols-2" : ""}`}>
        <button type="button" className="btn min-h-11 short:min-h-9" onClick={() => act({ kind: "run", missed: true })}>
          {say("bat.missed")}
        </button>
        {outs.includes("caught") && (
          <button
            type="button"
            className="btn min-h-11 short:min-h-9"
            onClick={() => act({ kind: "run", caught: true })}
          >
            {say("bat.caught")}
          </button>
        )}
      </div>
      <p className="text-sm text-quiet">{say("bat.who")}</p>
      <OneOf
        name={say("bat.batter", { name: name(ask.player) })}
        options={options(runners.length)}
        value={to[runners.length]!}
        choose={choose(runners.length)}
      />
      {runners.map((base, i) => {
        const who = names[i];
        if (who === null || who === undefined)
          return (
            <div key={`${base} ${i + 1}`}>
              <p className="font-semibold">{say("bat.invisible", { base })}</p>
              {may(i) ? (
                <OneOf
                  name={say("bat.moves")}
                  options={[
                    [base, say("bat.moves")],
                    ["out", say("bat.out")],
                  ]}
                  value={to[i]!}
                  choose={choose(i)}
                />
              ) : (
                <p className="text-sm text-quiet">{say("bat.moves")}</p>
              )}
            </div>
          );
        return (
          <OneOf
            key={`${base} ${i + 1}`}
            name={say("bat.runner", { name: name(who), base })}
            options={options(i)}
            value={to[i]!}
            choose={choose(i)}
          />
        );
      })}
      <button type="button" className="btn btn-main min-h-14 text-2xl short:min-h-10" onClick={tell}>
        {say("bat.done")}
      </button>
    </div>
  );
}

/** Calls an invisible runner for somebody who is on a base and has to bat. */
export function Call({
  ask,
  pick,
  name,
}: {
  ask: AskOf<"choose">;
  pick: (id: string) => void;
  name: (player: number) => string;
}) {
  const whoIs = (id: string) => {
    const who = ask.who?.[ask.options.indexOf(id)];
    return who === undefined ? "" : name(who);
  };
  return (
    <>
      {ask.options.map((id) => (
        <button key={id} type="button" className="btn min-h-11 short:min-h-9" onClick={() => pick(id)}>
          {say("bat.call", { name: whoIs(id) })}
        </button>
      ))}
    </>
  );
}
