import { useMemo, useState } from "react";
import { actionFacts } from "#core/actions/actions.ts";
import { type Activity, MOST_LEVELS } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { settles } from "#core/levels/ladder.ts";
import {
  allAlike,
  atLevel,
  CORRIDOR,
  LEVEL_KNOBS,
  type LevelKnob,
  type LevelSetting,
  levelWords,
  proposeLevels,
  rateIn,
  USUAL_LEVELS,
} from "#core/levels/levels.ts";
import { paces } from "#core/measures/step.ts";
import { namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { Problems } from "../ui/problems.tsx";
import { useSchool, withOwn } from "./items.tsx";
import { NumberField } from "./knobs.tsx";
import type { PanelProps } from "./stations.tsx";

/** Of the school's list the things that most homes have are tried first, so many. */
const MOST_OFFERED = 8;

/** Levels of difficulty: a corridor, how many, what may be turned; each with the chances of youngest, middle and oldest. */
export function LevelsPanel({ activity: a, problems, change, middle, people = [middle] }: PanelProps) {
  const { list } = useSchool();
  const names = namesOf(list);
  const [knobs, setKnobs] = useState<readonly LevelKnob[]>(LEVEL_KNOBS);
  const [count, setCount] = useState(a.levels?.list.length ?? USUAL_LEVELS);
  const [low, setLow] = useState(100 * (a.levels?.low ?? CORRIDOR.low));
  const [high, setHigh] = useState(100 * (a.levels?.high ?? CORRIDOR.high));
  const { travel } = actionFacts[a.aim.action];
  const common = (ids: typeof list) => [...ids].sort((x, y) => y.homes - x.homes).map((i) => i.id);
  const things = common(list.filter((i) => i.uses.includes("send") && i.moves.includes(travel)));
  const targets = common(list.filter((i) => i.uses.includes("target")));
  const aimed = opened(a).pegs.some((p) => p.kind === "target" && p.item);
  const { step } = paces(middle.age === "adult" ? 18 : middle.age);
  const levels = a.levels;
  const rates = useMemo(
    () => (levels ? levels.list.map((s) => people.map((who) => rateIn(atLevel(a, s), who))) : []),
    [a, levels, people],
  );
  const put = (next: NonNullable<Activity["levels"]>, key?: string) =>
    change(withOwn({ ...a, levels: next }, list), key);
  const set = (i: number, s: Partial<LevelSetting>, key?: string) =>
    put({ ...levels!, list: levels!.list.map((x, k) => (k === i ? { ...x, ...s } : x)) }, key);
  function propose() {
    const made = proposeLevels({ ...a, levels: null }, middle, {
      corridor: { low: low / 100, high: high / 100 },
      count,
      knobs,
      things: things.slice(0, MOST_OFFERED),
      targets: targets.slice(0, MOST_OFFERED),
    });
    put({
      low: low / 100,
      high: high / 100,
      list: made.map((l) => l.setting),
      up: levels?.up ?? 2,
      down: levels?.down ?? 1,
    });
  }
  const none = rates.some((r) => r.some((x) => x === null));
  const wide = low >= high;
  const off = levels
    ? Math.max(
        ...rates.map((r) => {
          const at = r[Math.min(1, r.length - 1)];
          return at === null || at === undefined ? 0 : Math.max(levels.low - at, at - levels.high);
        }),
      )
    : 0;
  const middleRates = rates.map((r) => r[Math.min(1, r.length - 1)] ?? 0);
  const settled = levels && !none && levels.list.length > 0 ? settles(middleRates, levels.up, levels.down) : null;
  const whole = (n: number) => Math.round(100 * n);
  const thingOf = (id: string | null, all: readonly string[], name: string, pick: (id: string | null) => void) => (
    <select
      aria-label={name}
      className="w-full py-0.5 text-sm"
      value={id ?? ""}
      onChange={(e) => pick(e.target.value || null)}
    >
      <option value="">as drawn</option>
      {[...new Set([...(id ? [id] : []), ...all])].map((x) => (
        <option key={x} value={x}>
          {names[x] ?? sayPhrase({ key: `item.${x}` })}
        </option>
      ))}
    </select>
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField name="Hits from" unit="%" value={Math.round(low)} least={5} most={95} step={5} change={setLow} />
        <NumberField name="to" unit="%" value={Math.round(high)} least={5} most={95} step={5} change={setHigh} />
      </div>
      <NumberField name="Levels" value={count} least={3} most={MOST_LEVELS} step={1} change={setCount} />
      <fieldset className="row-line py-2">
        <legend className="text-[0.92rem]">What may be turned, cheapest first</legend>
        {LEVEL_KNOBS.filter((k) => k !== "target" || aimed).map((k) => (
          <label key={k} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              checked={knobs.includes(k)}
              onChange={() => setKnobs(LEVEL_KNOBS.filter((x) => (x === k ? !knobs.includes(k) : knobs.includes(x))))}
            />
            {label(`levelKnob.${k}`)}
          </label>
        ))}
      </fieldset>
      {wide && (
        <p role="alert" className="problem">
          The first share must be lower than the second.
        </p>
      )}
      {knobs.length === 0 && (
        <p role="alert" className="problem">
          Tick at least one thing that may be turned.
        </p>
      )}
      <p className="flex gap-2 py-2">
        <button
          type="button"
          className="btn btn-main btn-small"
          disabled={wide || knobs.length === 0}
          onClick={propose}
        >
          {levels ? "Propose anew" : "Propose levels"}
        </button>
        {levels && (
          <button type="button" className="btn btn-quiet btn-small" onClick={() => change({ ...a, levels: null })}>
            No levels
          </button>
        )}
      </p>
      <Problems list={problems.filter((p) => p.field.startsWith("levels"))} />
      {levels && (
        <>
          <ol className="grid gap-1" aria-label="Levels, the easiest first">
            {levels.list.map((s, i) => (
              <li key={i} className="row-line grid gap-1 py-2">
                <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                  <strong>{tell("level.number", { number: i + 1 })}</strong>
                  <span className="text-sm">
                    {levelWords(s, step)
                      .map((p) => sayPhrase(p, names))
                      .join(", ")}
                  </span>
                </p>
                <p className="flex gap-3 text-sm" data-level-rates>
                  {people.map((who, k) => {
                    const r = rates[i]?.[k];
                    const inside = r !== null && r !== undefined && r >= levels.low - 0.005 && r <= levels.high + 0.005;
                    return (
                      <span key={k} className={inside ? "font-bold text-teal" : "text-quiet"}>
                        {who.age}: {r === null || r === undefined ? "–" : `${whole(r)} %`}
                      </span>
                    );
                  })}
                </p>
                <details>
                  <summary className="cursor-pointer text-sm text-quiet">Change it</summary>
                  <NumberField
                    name="Farther, nearer below 0"
                    unit="m"
                    value={s.line}
                    least={-10}
                    most={10}
                    step={0.1}
                    change={(line) => set(i, { line }, `level ${i}`)}
                  />
                  <div className="grid grid-cols-2 gap-2 py-1">
                    {thingOf(s.thing, things, tell("level.sends", { number: i + 1 }), (id) => set(i, { thing: id }))}
                    {aimed &&
                      thingOf(s.target, targets, tell("level.aims", { number: i + 1 }), (id) => set(i, { target: id }))}
                  </div>
                </details>
              </li>
            ))}
          </ol>
          {off > 0.05 && <p className="note mt-2">{tell("level.off", { points: whole(off) })}</p>}
          {allAlike(levels.list) && <p className="note mt-2">{tell("level.alike")}</p>}
          {none && <p className="note mt-2">{tell("level.none")}</p>}
          <div className="grid grid-cols-2 gap-x-3">
            <NumberField
              name="Up after hits in a row"
              value={levels.up}
              least={1}
              most={5}
              step={1}
              change={(up) => put({ ...levels, up })}
            />
            <NumberField
              name="Down after misses"
              value={levels.down}
              least={1}
              most={5}
              step={1}
              change={(down) => put({ ...levels, down })}
            />
          </div>
          {settled && (
            <p className="text-sm text-quiet">
              {tell("level.settles", {
                rate: whole(settled.rate),
                level: settled.shares.indexOf(Math.max(...settled.shares)) + 1,
              })}
            </p>
          )}
          <p className="mt-2 text-sm text-quiet">{tell("level.each")}</p>
        </>
      )}
    </>
  );
}
