import * as Comlink from "comlink";
import { useEffect, useMemo, useRef, useState } from "react";
import { fieldOf, setTo } from "#core/contract/range.ts";
import { type Activity, HELPERS, LOW_POSTURES, MAX_LEVELS } from "#core/formats/activity.ts";
import { amountsOf } from "#core/levels/amounts.ts";
import { sendsUntil, settles, USUAL_TURNS } from "#core/levels/ladder.ts";
import {
  aimedAt,
  allAlike,
  CORRIDOR,
  gradesOf,
  LEVEL_KNOBS,
  type Level,
  type LevelKnob,
  type LevelSetting,
  offered,
  otherActions,
  proposeLevels,
  rateAt,
  settable,
  USUAL_KNOBS,
  USUAL_LEVELS,
  wouldDiffer,
} from "#core/levels/levels.ts";
import { paces } from "#core/measures/step.ts";
import { namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { knobName } from "../ui/knob-name.ts";
import { levelTexts } from "../ui/level-text.ts";
import { Options } from "../ui/options.tsx";
import { Problems } from "../ui/problems.tsx";
import { useBeside } from "../ui/use-beside.ts";
import type { LevelsWorker } from "../workers/levels.worker.ts";
import { useAttemptWords } from "./attempt-words.ts";
import { useSchool, withOwn } from "./items.tsx";
import { NumberField, TextField } from "./knobs.tsx";
import type { PanelProps } from "./stations.ts";
import { useEnds } from "./use-forecast.ts";

const levelsWorker = () => new Worker(new URL("../workers/levels.worker.ts", import.meta.url), { type: "module" });

/** What of an activity decides how often its end is reached. */
const PLAYED = ["pattern", "match", "aim", "kit", "space", "setOut", "between"] as const;

/** Levels of difficulty: a corridor, how many, what may be turned; each with the chances of youngest, middle and oldest. */
export function LevelsPanel({ activity, problems, change, middle, people = [middle] }: PanelProps) {
  const attempt = useAttemptWords();
  const { list } = useSchool();
  const names = namesOf(list);
  const [knobs, setKnobs] = useState<readonly LevelKnob[]>(USUAL_KNOBS);
  const [count, setCount] = useState(activity.levels?.list.length ?? USUAL_LEVELS);
  const [low, setLow] = useState(100 * (activity.levels?.low ?? CORRIDOR.low));
  const [high, setHigh] = useState(100 * (activity.levels?.high ?? CORRIDOR.high));
  const { things, targets } = offered(activity, list);
  const more = settable(activity);
  const actions = otherActions(activity);
  const game = { params: activity.pattern.params, match: activity.match };
  const aimed = aimedAt(activity) !== null;
  const fits: Record<LevelKnob, boolean> = {
    line: true,
    target: aimed,
    hand: true,
    posture: true,
    thing: true,
    action: actions.length > 0,
    game: gradesOf(activity).length > 1,
    bounce: more.some((eachSettable) => eachSettable.path[eachSettable.path.length - 1] === "bounce"),
  };
  const { step } = paces(middle.age === "adult" ? 18 : middle.age);
  const levels = activity.levels;
  const texts = levels ? levelTexts(activity, levels.list, step, names) : [];
  const sends = useMemo(
    () =>
      levels && levels.of !== "end"
        ? levels.list.map((setting) => people.map((who) => rateAt(activity, setting, who)))
        : [],
    [activity, levels, people],
  );
  const ends = useEnds(activity, people);
  const rates = levels?.of === "end" ? (ends ?? []) : sends;
  const amounts = amountsOf(activity);
  const [by, setBy] = useState(
    levels?.of === "end" ? (levels.list.flatMap((setting) => setting.settings)[0]?.field ?? "") : "",
  );
  const [looked, setLooked] = useState(0);
  const [failing, setFailing] = useState<"nothing" | "meanwhile" | "fewer" | "fewerHits" | "noneDiffer" | null>(null);
  const [lets, setLets] = useState<LevelKnob | null>(null);
  const latest = useRef(activity);
  useEffect(() => {
    latest.current = activity;
  });
  const amount = useBeside<LevelsWorker>(levelsWorker);
  const byEnd = amounts.some((eachAmount) => fieldOf(eachAmount) === by);
  const put = (on: Activity, next: NonNullable<Activity["levels"]>, key?: string) =>
    change(withOwn({ ...on, levels: next }, list), key);
  const set = (i: number, s: Partial<LevelSetting>, key?: string) =>
    put(
      activity,
      { ...levels!, list: levels!.list.map((setting, k) => (k === i ? { ...setting, ...s } : setting)) },
      key,
    );
  function propose() {
    const corridor = { low: low / 100, high: high / 100 };
    setFailing(null);
    if (!byEnd) {
      const plain = { ...activity, levels: null };
      const may = { corridor, count, knobs, things, targets };
      const made = proposeLevels(plain, middle, may);
      if (made.length > 1) {
        if (made.length < count) setFailing("fewerHits");
        return take(made);
      }
      // Levels that cannot differ are not offered; what would let them differ is.
      setLets(wouldDiffer(plain, middle, may));
      return setFailing("noneDiffer");
    }
    setLooked(0);
    amount.ask(
      (remote) =>
        remote.propose(activity, middle, by, { corridor, count }, Comlink.proxy(setLooked)) as Promise<Level[]>,
      (made) => {
        // Whatever else was changed while it was worked out stays; of a game that was changed it says nothing.
        if (PLAYED.some((key) => latest.current[key] !== activity[key])) setFailing("meanwhile");
        else if (made.length === 0) setFailing("nothing");
        else {
          if (made.length < count) setFailing("fewer");
          take(made, "end", latest.current);
        }
      },
    );
  }
  function take(made: readonly Level[], of?: "end", on: Activity = activity) {
    const { up = 2, down = 1, stop } = on.levels ?? {};
    put(on, {
      ...(of && { of }),
      low: low / 100,
      high: high / 100,
      list: made.map((level) => level.setting),
      up,
      down,
      ...(stop !== undefined && { stop }),
    });
  }
  const none = rates.some((rate) => rate.some((x) => x === null));
  const wide = low >= high;
  const off = levels
    ? Math.max(
        ...rates.map((rate) => {
          const at = rate[Math.min(1, rate.length - 1)];
          return at === null || at === undefined ? 0 : Math.max(levels.low - at, at - levels.high);
        }),
      )
    : 0;
  const { of, up = 1, down = 1, stop = USUAL_TURNS } = levels ?? {};
  // Begun where most of the time is spent.
  const settled = useMemo(() => {
    if (none || of === "end" || rates.length === 0) return null;
    const middle = rates.map((eachRate) => eachRate[Math.min(1, eachRate.length - 1)] ?? 0);
    const { rate, shares } = settles(middle, up, down);
    const at = shares.indexOf(Math.max(...shares));
    return { rate, at, until: stop === null ? null : sendsUntil(middle, up, down, at, stop) };
  }, [rates, none, of, up, down, stop]);
  const whole = (givenCount: number) => Math.round(100 * givenCount);
  const thingsOf = (id: string | null, all: readonly string[]) =>
    [...new Set([...(id ? [id] : []), ...all])].map((text) => ({
      id: text,
      name: names[text] ?? sayPhrase({ key: `item.${text}` }),
    }));
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          name={byEnd ? "Finishes, from" : "Hits, from"}
          unit="%"
          value={Math.round(low)}
          least={5}
          most={95}
          step={5}
          change={setLow}
        />
        <NumberField name="to" unit="%" value={Math.round(high)} least={5} most={95} step={5} change={setHigh} />
      </div>
      <NumberField name="Number of levels" value={count} least={3} most={MAX_LEVELS} step={1} change={setCount} />
      <fieldset className="row-line py-2">
        <legend className="text-[0.92rem]">What may change, easiest to set up first</legend>
        {LEVEL_KNOBS.filter((levelKnob) => fits[levelKnob]).map((levelKnob) => (
          <label key={levelKnob} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              checked={knobs.includes(levelKnob)}
              onChange={() =>
                setKnobs(
                  LEVEL_KNOBS.filter((text) =>
                    text === levelKnob ? !knobs.includes(levelKnob) : knobs.includes(text),
                  ),
                )
              }
            />
            {label(`levelKnob.${levelKnob}`)}
          </label>
        ))}
      </fieldset>
      {amounts.length > 0 && (
        <label className="field row-line py-2">
          <span>
            Or change one number, <span className="hint">so that this many in 100 typical children finish</span>
          </span>
          <select
            value={byEnd ? by : ""}
            onChange={(event) => {
              setBy(event.target.value);
              setFailing(null);
            }}
          >
            <option value="">no, use hits</option>
            <Options
              of={amounts.map((eachAmount) => ({ id: fieldOf(eachAmount), name: knobName(eachAmount, more, attempt) }))}
            />
          </select>
        </label>
      )}
      {wide && (
        <p role="alert" className="problem">
          The first number must be lower than the second.
        </p>
      )}
      {knobs.length === 0 && !byEnd && (
        <p role="alert" className="problem">
          Tick at least one change.
        </p>
      )}
      <p className="flex gap-2 py-2">
        <button
          type="button"
          className="btn btn-main btn-small"
          disabled={wide || (knobs.length === 0 && !byEnd) || amount.state === "working"}
          onClick={propose}
        >
          {levels ? "Suggest again" : "Suggest levels"}
        </button>
        {amount.state === "working" && (
          <button type="button" className="btn btn-small" onClick={amount.stop}>
            Stop
          </button>
        )}
        {levels && (
          <button
            type="button"
            className="btn btn-quiet btn-small"
            onClick={() => change({ ...activity, levels: null })}
          >
            Remove levels
          </button>
        )}
      </p>
      <div role="status" className="text-sm">
        {amount.state === "working" && tell("level.looking", { values: looked })}
        {amount.state === "failed" && tell("level.failed")}
        {failing === "noneDiffer" ? (
          <p className="note">
            {tell("level.noneDiffer", { knob: lets ? label(`levelKnob.${lets}`) : "", lets: lets ? "yes" : "no" })}
            {lets && (
              <button
                type="button"
                className="btn btn-small mt-1 block"
                onClick={() => {
                  setKnobs(LEVEL_KNOBS.filter((levelKnob) => levelKnob === lets || knobs.includes(levelKnob)));
                  setFailing(null);
                }}
              >
                {tell("level.allow", { knob: label(`levelKnob.${lets}`) })}
              </button>
            )}
          </p>
        ) : (
          failing && tell(`level.${failing}`)
        )}
      </div>
      <Problems list={problems.filter((problem) => problem.field.startsWith("levels"))} />
      {levels && (
        <>
          <ol className="grid gap-1" aria-label="Levels, easiest first">
            {levels.list.map((setting, i) => (
              <li key={i} className="row-line grid gap-1 py-2">
                <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                  <strong>{tell("level.number", { number: i + 1 })}</strong>
                  <span className="text-sm">{texts[i]}</span>
                </p>
                <p className="flex gap-3 text-sm" data-level-rates>
                  {levels.of === "end" && <span className="text-quiet">finish</span>}
                  {people.map((who, k) => {
                    const r = rates[i]?.[k];
                    const inside = r !== null && r !== undefined && r >= levels.low - 0.005 && r <= levels.high + 0.005;
                    return (
                      <span key={k} className={inside ? "font-bold text-teal" : "text-quiet"}>
                        {who.age}: {r === null || r === undefined ? "–" : `${whole(r)}%`}
                      </span>
                    );
                  })}
                </p>
                <details>
                  <summary className="cursor-pointer text-sm text-quiet">Edit level</summary>
                  <NumberField
                    name="Line: metres farther (below 0: nearer)"
                    unit="m"
                    value={setting.line}
                    least={-10}
                    most={10}
                    step={0.1}
                    change={(line) => set(i, { line }, `level ${i}`)}
                  />
                  <div className="grid grid-cols-2 gap-2 py-1">
                    <Pick
                      name={tell("level.sends", { number: i + 1 })}
                      is={setting.thing}
                      none="the same object"
                      of={thingsOf(setting.thing, things)}
                      put={(thing) => set(i, { thing })}
                    />
                    {aimed && (
                      <Pick
                        name={tell("level.aims", { number: i + 1 })}
                        is={setting.target}
                        none="the same target"
                        of={thingsOf(setting.target, targets)}
                        put={(target) => set(i, { target })}
                      />
                    )}
                    <Pick
                      name={tell("level.hands", { number: i + 1 })}
                      is={setting.hand}
                      none="usual hand"
                      of={[{ id: "other", name: "other hand" }]}
                      put={(hand) => set(i, { hand: hand === "other" ? "other" : null })}
                    />
                    <Pick
                      name={tell("level.postures", { number: i + 1 })}
                      is={setting.posture}
                      none="as designed"
                      of={LOW_POSTURES.map((id) => ({ id, name: tell("level.posture", { posture: id }) }))}
                      put={(posture) =>
                        set(i, { posture: LOW_POSTURES.find((lowPosture) => lowPosture === posture) ?? null })
                      }
                    />
                    <Pick
                      name={tell("level.helpers", { number: i + 1 })}
                      is={setting.helper ?? null}
                      none="no helper"
                      of={HELPERS.map((id) => ({ id, name: tell("level.helper", { helper: id }) }))}
                      put={(helper) => set(i, { helper: HELPERS.find((hash) => hash === helper) })}
                    />
                    {(actions.length > 0 || setting.action) && (
                      <Pick
                        name={tell("level.actions", { number: i + 1 })}
                        is={setting.action}
                        none="the same action"
                        of={actions.map((id) => ({ id, name: label(`action.${id}`) }))}
                        put={(action) =>
                          set(i, { action: actions.find((eachAction) => eachAction === action) ?? null })
                        }
                      />
                    )}
                    {more.length > 0 && (
                      <Pick
                        name={tell("level.also", { number: i + 1 })}
                        is={null}
                        none="choose a field …"
                        of={more.map((eachSettable) => ({
                          id: fieldOf(eachSettable),
                          name: knobName(eachSettable, more, attempt),
                        }))}
                        put={(field) => {
                          const k = more.find((eachSettable) => fieldOf(eachSettable) === field);
                          const now = k && setTo(k, game);
                          if (!k || (typeof now !== "number" && typeof now !== "boolean" && typeof now !== "string"))
                            return;
                          const value = typeof now === "boolean" ? !now : now;
                          const others = setting.settings.filter((eachSetting) => eachSetting.field !== field);
                          set(i, { settings: [...others, { field: fieldOf(k), value }] });
                        }}
                      />
                    )}
                  </div>
                  {setting.settings.map((eachSetting) => {
                    const k = more.find((eachSettable) => fieldOf(eachSettable) === eachSetting.field);
                    const put = (value: number | boolean | string) =>
                      set(
                        i,
                        {
                          settings: setting.settings.map((y) => (y.field === eachSetting.field ? { ...y, value } : y)),
                        },
                        `level ${i} ${eachSetting.field}`,
                      );
                    return (
                      <div key={eachSetting.field} className="flex items-end gap-2">
                        <div className="flex-1">
                          {k?.kind === "number" && typeof eachSetting.value === "number" ? (
                            <NumberField
                              name={knobName(k, more, attempt)}
                              value={eachSetting.value}
                              least={k.least}
                              most={k.most}
                              step={k.step}
                              change={put}
                            />
                          ) : typeof eachSetting.value === "string" ? (
                            <TextField
                              name={k ? knobName(k, more, attempt) : eachSetting.field}
                              rows={2}
                              most={k?.kind === "text" ? k.most : 400}
                              value={eachSetting.value}
                              change={put}
                            />
                          ) : (
                            <label className="flex items-center justify-between gap-3 py-1 text-[0.92rem]">
                              {k ? knobName(k, more, attempt) : eachSetting.field}
                              <input
                                type="checkbox"
                                checked={eachSetting.value === true}
                                onChange={() => put(eachSetting.value !== true)}
                              />
                            </label>
                          )}
                        </div>
                        <button
                          type="button"
                          className="btn btn-quiet btn-small"
                          onClick={() => set(i, { settings: setting.settings.filter((y) => y !== eachSetting) })}
                        >
                          Reset
                        </button>
                      </div>
                    );
                  })}
                </details>
              </li>
            ))}
          </ol>
          {off > 0.05 && <p className="note mt-2">{tell("level.off", { points: whole(off) })}</p>}
          {allAlike(levels.list) && <p className="note mt-2">{tell("level.alike")}</p>}
          {none && <p className="note mt-2">{tell("level.none", attempt)}</p>}
          {levels.of === "end" && <p className="mt-2 text-sm text-quiet">{tell("level.byEnd")}</p>}
          <div>
            <NumberField
              name="Offer “Harder” after this many hits in a row"
              value={levels.up}
              least={1}
              most={5}
              step={1}
              change={(up) => put(activity, { ...levels, up })}
            />
            <NumberField
              name="Offer “Easier” after this many misses in a row"
              value={levels.down}
              least={1}
              most={5}
              step={1}
              change={(down) => put(activity, { ...levels, down })}
            />
            <NumberField
              name="Stop asking after this many turns"
              hint="a turn is a change from harder to easier, or back; 0 means never stop"
              value={stop ?? 0}
              least={0}
              most={12}
              step={1}
              change={(givenCount) => put(activity, { ...levels, stop: givenCount === 0 ? null : givenCount })}
            />
          </div>
          {settled && (
            <p className="text-sm text-quiet">
              {tell("level.settles", {
                rate: whole(settled.rate),
                level: settled.at + 1,
              })}{" "}
              {stop !== null &&
                (settled.until === null
                  ? tell("level.untilNever")
                  : tell("level.until", { sends: Math.round(settled.until), ...attempt }))}
            </p>
          )}
          <p className="mt-2 text-sm text-quiet">{tell("level.each")}</p>
        </>
      )}
    </>
  );
}

/** One choice of a level; the first one is: as drawn. */
function Pick({
  name,
  is,
  none,
  of,
  put,
}: {
  name: string;
  is: string | null;
  none: string;
  of: readonly { id: string; name: string }[];
  put: (id: string | null) => void;
}) {
  return (
    <select
      aria-label={name}
      className="w-full py-0.5 text-sm"
      value={is ?? ""}
      onChange={(event) => put(event.target.value === "" ? null : event.target.value)}
    >
      <option value="">{none}</option>
      <Options of={of} />
    </select>
  );
}
