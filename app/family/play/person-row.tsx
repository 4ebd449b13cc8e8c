import { MIN_COURT } from "#core/contract/contract.ts";
import { say } from "#words/say.ts";
import { LineStepper } from "./own-line.tsx";
import type { Person } from "./people.ts";

const TENTHS = Array.from({ length: 11 - 10 * MIN_COURT }, (_, i) => 10 - i);
const STEP_BUTTON = "btn min-h-11 min-w-11 border-chalk/60 px-0 text-xl text-chalk";
const Box = ({ text, is, turn }: { text: string; is: boolean; turn: () => void }) => (
  <label className="flex min-h-11 items-center gap-2 text-base">
    <input type="checkbox" className="size-6" checked={is} onChange={turn} />
    {text}
  </label>
);

/**
 * The settings of one player: only helping (never the child whose card it is), the other hand, a line of their own,
 * and a head start. `most` is the largest head start; null if points are not counted.
 */
export function PersonRow({
  name,
  first,
  is,
  most,
  line,
  targets,
  guards,
  change,
}: {
  name: string;
  first: boolean;
  is: Person;
  most: number | null;
  /**
   * The distances that may be chosen, in metres nearer, and the length of a step. Null if nothing is sent from a
   * line.
   */
  line: { values: readonly number[]; step: number } | null;
  /** True if there is a target that could be wider. */
  targets: boolean;
  /** True if each side guards a court or a goal of its own. */
  guards: boolean;
  change: (person: Person) => void;
}) {
  const head = (count: number) => change({ ...is, head: Math.max(0, Math.min(most ?? 0, count)) });
  return (
    <fieldset className="flex flex-wrap items-center gap-x-5 border-t border-chalk/25 py-1">
      <legend className="sr-only">{name}</legend>
      <span aria-hidden="true" className="w-24 truncate font-semibold">
        {name}
      </span>
      {!first && <Box text={say("who.helps")} is={is.helps} turn={() => change({ ...is, helps: !is.helps })} />}
      {!is.helps && <Box text={say("who.otherHand")} is={is.other} turn={() => change({ ...is, other: !is.other })} />}
      {!is.helps && <Box text={say("who.kneels")} is={is.kneels} turn={() => change({ ...is, kneels: !is.kneels })} />}
      {!is.helps && targets && (
        <Box text={say("who.wide")} is={is.wide} turn={() => change({ ...is, wide: !is.wide })} />
      )}
      {!is.helps && guards && (
        <label className="flex items-center gap-2 text-base">
          <span aria-hidden="true">{say("who.court")}</span>
          <select
            className="text-ink"
            aria-label={say("who.courtOf", { name })}
            value={is.court}
            onChange={(event) => change({ ...is, court: Number(event.target.value) })}
          >
            {TENTHS.map((tenth) => (
              <option key={tenth} value={tenth}>
                {say("who.tenths", { n: tenth })}
              </option>
            ))}
          </select>
        </label>
      )}
      {!is.helps && line && (
        <span className="flex items-center gap-2 text-base">
          {say("who.line")}
          <LineStepper
            what={say("who.lineOf", { name })}
            value={is.nearer}
            values={line.values}
            step={line.step}
            set={(nearer) => change({ ...is, nearer })}
          />
        </span>
      )}
      {!is.helps && most !== null && (
        <span className="flex items-center gap-2 text-base">
          {say("who.head")}
          <button
            type="button"
            className={STEP_BUTTON}
            aria-label={say("who.headLess", { name })}
            onClick={() => head(is.head - 1)}
          >
            −
          </button>
          <output className="w-6 text-center font-bold" aria-live="polite">
            {is.head}
          </output>
          <button
            type="button"
            className={STEP_BUTTON}
            aria-label={say("who.headMore", { name })}
            onClick={() => head(is.head + 1)}
          >
            +
          </button>
        </span>
      )}
    </fieldset>
  );
}
