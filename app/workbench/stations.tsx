import { Plus, Trash2 } from "lucide-react";
import { nanoid } from "nanoid";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { ACTIONS, actionFacts } from "#core/actions/actions.ts";
import { BANDS, type Band, bandOf, cuesFor, mistakesOf, watchFor } from "#core/aim/cue-bank.ts";
import { starterQuestions, starters } from "#core/aim/starters.ts";
import { type Knob, MODES, type Mode } from "#core/contract/contract.ts";
import { setTo } from "#core/contract/range.ts";
import { inTwoHomes } from "#core/contract/two-homes.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { flies, sentIn } from "#core/forecast/for-activity.ts";
import { type Activity, BEHIND, canSetOut, type Problem } from "#core/formats/activity.ts";
import { withoutLost } from "#core/formats/change.ts";
import { opened, withParams } from "#core/formats/opened.ts";
import { COUNTED } from "#core/measures/count.ts";
import { FLOORS } from "#core/things/floors.ts";
import type { Item } from "#core/things/item.ts";
import { WALL_GAP } from "#core/yard/off-wall.ts";
import { itemName, namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { Problems } from "../ui/problems.tsx";
import { Compared } from "./compared.tsx";
import { arrangeAs } from "./edit.ts";
import { ExerciseFields } from "./exercise-fields.tsx";
import { FairHere } from "./fair-here.tsx";
import { FamilyRange } from "./family-range.tsx";
import { useSchool } from "./items.tsx";
import { Choice, Knobs, NumberField, TextField, Toggle } from "./knobs.tsx";
import { LayoutPanel } from "./layout-panel.tsx";
import { QuestionAnswers } from "./question-answers.tsx";
import { RuleSentences } from "./rule-sentences.tsx";
import { PointsSuggested, RuleWarnings } from "./rule-warnings.tsx";
import { SampleGame } from "./sample-game.tsx";

export const STATIONS = ["aim", "cues", "kit", "yard", "score", "players", "levels", "send"] as const;
export type Station = (typeof STATIONS)[number];
export const stationName: Record<Station, string> = {
  aim: "Aim",
  cues: "Cues",
  kit: "Kit",
  yard: "Yard",
  score: "Score",
  players: "Players",
  levels: "Levels",
  send: "Send",
};

/** The station's answer in one line, so that the column reads as the plan of the lesson. */
export function answerOf(s: Station, a: Activity): string {
  const { pegs, summary } = opened(a);
  const many = pegs.reduce((n, p) => n + (p.many ?? 1), 0);
  const far = Math.max(...pegs.map((p) => p.distance));
  const near = Math.min(...pegs.map((p) => p.distance));
  switch (s) {
    case "aim":
      return a.aim.outcome || `${label(`action.${a.aim.action}`)}, no outcome yet`;
    case "cues":
      return `${a.cues.length} cues, ${a.criteria.length} criteria`;
    case "kit":
      return `${itemName(a.kit.send, namesOf(a.kit.own))}, ${itemName(a.kit.marker, namesOf(a.kit.own))} for lines`;
    case "yard":
      return pegs.length === 0
        ? `${a.space.length} × ${a.space.width} m`
        : `${many} ${tell(`pegs.${pegs[0]!.kind}`, { count: many })}, ${near === far ? "" : `${near}–`}${far} m`;
    case "score":
      return sayPhrase(summary, {}, attemptWordsForTeacher(a.aim.action));
    case "players":
      return `${a.players.least === a.players.most ? a.players.least : `${a.players.least}–${a.players.most}`}, ${a.players.modes.map((m) => label(`mode.${m}`).replace(/ \(.*/, "")).join(", ")}`;
    case "levels":
      return a.levels
        ? `${a.levels.list.length} levels, ${Math.round(100 * a.levels.low)}–${Math.round(100 * a.levels.high)}% ${a.levels.of === "end" ? "finish" : "hits"}`
        : "Everyone plays the game as designed";
    case "send":
      return a.minutes === 1 ? "About 1 minute" : `About ${a.minutes} minutes`;
  }
}

export interface PanelProps {
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
  chosen: string | null;
  choose: (id: string | null) => void;
  /** The middle child of the class that is shown. */
  middle: Who;
  /** Its youngest, middle and oldest; only some stations ask. */
  people?: readonly Who[];
}

/** As many other skills may stand in. */
const MAX_ALSO = 3;

export function AimPanel({ activity: a, change }: PanelProps) {
  const able = opened(a).pattern.actions;
  const { list } = useSchool();
  const s = starters[a.aim.action];
  const offered = s.outcomes.filter((o) => o !== a.aim.outcome);
  return (
    <>
      <label className="field py-2">
        <span>Action</span>
        <select
          value={a.aim.action}
          onChange={(e) => {
            const action = e.target.value as Activity["aim"]["action"];
            const travel = actionFacts[action].travel;
            const serving = (i: Item) => i.uses.includes("send") && i.moves.includes(travel);
            const fits = list.some((i) => i.id === a.kit.send && serving(i));
            change({
              ...a,
              aim: { ...a.aim, action, also: a.aim.also?.filter((x) => x !== action) },
              kit: { ...a.kit, send: fits ? a.kit.send : list.find(serving)!.id },
            });
          }}
        >
          {ACTIONS.filter(able).map((x) => (
            <option key={x} value={x}>
              {label(`action.${x}`)}
            </option>
          ))}
        </select>
      </label>
      <details className="py-1">
        <summary className="cursor-pointer text-sm">
          Use another action where this one does not work
          {a.aim.also?.length ? `: ${a.aim.also.map((x) => label(`action.${x}`).toLowerCase()).join(", ")}` : ""}
        </summary>
        <fieldset className="grid gap-1 py-1 text-sm">
          <legend className="text-quiet">
            Up to three, in the order you tick them. If you tick none, homes without room use a rolled T-shirt.
          </legend>
          {ACTIONS.filter((x) => x !== a.aim.action && able(x)).map((x) => {
            const on = a.aim.also ?? [];
            return (
              <label key={x} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={on.includes(x)}
                  disabled={!on.includes(x) && on.length >= MAX_ALSO}
                  onChange={(e) => {
                    const also = e.target.checked ? [...on, x] : on.filter((y) => y !== x);
                    change({ ...a, aim: { ...a.aim, also: also.length > 0 ? also : undefined } });
                  }}
                />
                {label(`action.${x}`)}
              </label>
            );
          })}
        </fieldset>
      </details>
      <TextField
        name="Outcome"
        hint="what the child will be able to do"
        rows={2}
        most={200}
        value={a.aim.outcome}
        change={(outcome) => change({ ...a, aim: { ...a.aim, outcome } }, "outcome")}
      />
      {offered.length > 0 && (
        <Offers title="Ready-made outcomes">
          {offered.map((o) => (
            <button
              key={o}
              type="button"
              className="btn btn-quiet btn-small h-auto justify-start text-left"
              onClick={() => change({ ...a, aim: { ...a.aim, outcome: o } })}
            >
              {o}
            </button>
          ))}
        </Offers>
      )}
      <TextField
        name="Standards"
        hint="your own, separated by commas"
        most={200}
        value={a.aim.standards.join(", ")}
        change={(t) =>
          change(
            {
              ...a,
              aim: {
                ...a.aim,
                standards: t
                  .split(",")
                  .map((x) => x.trimStart())
                  .filter((x, i, all) => x.trim() !== "" || i === all.length - 1)
                  .map((x) => x.slice(0, 60))
                  .filter((x) => x !== ""),
              },
            },
            "standards",
          )
        }
      />
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          name="Ages from"
          value={a.ages.from}
          least={4}
          most={15}
          step={1}
          change={(from) => change({ ...a, ages: { from, to: Math.max(from, a.ages.to) } }, "ages")}
        />
        <NumberField
          name="to"
          value={a.ages.to}
          least={4}
          most={15}
          step={1}
          change={(to) => change({ ...a, ages: { to, from: Math.min(to, a.ages.from) } }, "ages")}
        />
      </div>
    </>
  );
}

function Offers({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <details className="row-line py-1.5">
      <summary className="text-sm font-semibold text-teal">{title}</summary>
      <div className="grid gap-1 py-1.5">{children}</div>
    </details>
  );
}

type Entries = Activity["cues"];
function EntryList({
  title,
  most,
  list,
  offers,
  set,
}: {
  title: string;
  most: number;
  list: Entries;
  offers: readonly string[];
  set: (list: Entries, key?: string) => void;
}) {
  const free = offers.filter((o) => !list.some((x) => x.text === o));
  const add = (text: string) => set([...list, { id: nanoid(8), text }]);
  return (
    <section className="mb-4">
      <h3 className="text-base">{title}</h3>
      <ol className="grid gap-1 py-1">
        {list.map((x, i) => (
          <li key={x.id} className="flex items-center gap-1">
            <span className="w-5 text-right text-sm text-quiet">{i + 1}</span>
            <input
              aria-label={`${title} ${i + 1}`}
              className="min-w-0 grow text-sm"
              maxLength={160}
              value={x.text}
              onChange={(e) =>
                set(
                  list.map((y) => (y.id === x.id ? { ...y, text: e.target.value } : y)),
                  `entry ${x.id}`,
                )
              }
            />
            <button
              type="button"
              className="grid size-8 place-items-center"
              aria-label={`Remove ${x.text}`}
              onClick={() => set(list.filter((y) => y.id !== x.id))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ol>
      {list.length < most && (
        <>
          <button type="button" className="btn btn-quiet btn-small" onClick={() => add("New")}>
            <Plus size={15} aria-hidden="true" /> Add your own
          </button>
          {free.length > 0 && (
            <Offers title="Suggestions">
              {free.map((o) => (
                <button
                  key={o}
                  type="button"
                  className="btn btn-quiet btn-small h-auto justify-start text-left"
                  onClick={() => add(o)}
                >
                  {o}
                </button>
              ))}
            </Offers>
          )}
        </>
      )}
    </section>
  );
}

export function CuesPanel({ activity: a, problems, change, middle }: PanelProps) {
  const s = starters[a.aim.action];
  const [band, setBand] = useState<Band>(bandOf((a.ages.from + a.ages.to) / 2));
  const mistakes = mistakesOf(a.aim.action);
  const watch = watchFor(a.aim.action);
  const taken = new Set(a.cues.map((c) => c.text));
  const addCue = (text: string) => {
    const id = [1, 2, 3, 4, 5, 6].map((n) => `c${n}`).find((x) => !a.cues.some((c) => c.id === x));
    if (id) change({ ...a, cues: [...a.cues, { id, text }] });
  };
  return (
    <>
      <p className="mb-2 text-sm text-quiet">Left and right swap on a left-hander's card.</p>
      <div role="group" aria-label="Cues for" className="mb-1 flex flex-wrap items-center gap-1.5 text-sm">
        <span aria-hidden="true" className="text-quiet">
          Suggested cues for
        </span>
        {BANDS.map((b) => (
          <button
            key={b}
            type="button"
            aria-pressed={b === band}
            className={`rounded-md border-2 px-2 py-0.5 font-semibold ${b === band ? "border-ink bg-mustard text-night" : "border-hair"}`}
            onClick={() => setBand(b)}
          >
            {label(`band.${b}`)}
          </button>
        ))}
      </div>
      <EntryList
        title="Cues"
        most={6}
        list={a.cues}
        offers={cuesFor(a.aim.action, band)}
        set={(cues, key) => change({ ...a, cues }, key)}
      />
      <section aria-label="Common mistakes" className="mb-3">
        <h3 className="text-base">Common mistakes</h3>
        <ul>
          {mistakes.map(([mistake, cue]) => (
            <li key={mistake} className="row-line grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 py-1 text-sm">
              <span>
                <span className="block">{mistake}</span>
                <span className="block text-quiet">{cue}</span>
              </span>
              <button
                type="button"
                className="btn btn-quiet btn-small"
                disabled={taken.has(cue) || a.cues.length >= 6}
                aria-label={`Use the cue: ${cue}`}
                onClick={() => addCue(cue)}
              >
                Use
              </button>
            </li>
          ))}
        </ul>
      </section>
      <EntryList
        title="Success criteria"
        most={6}
        list={a.criteria}
        offers={s.criteria}
        set={(criteria, key) => change({ ...a, criteria }, key)}
      />
      <section aria-label="What a grown-up can watch for" className="mb-2">
        <h3 className="text-base">A grown-up can watch for</h3>
        {[0, 1].map((i) => (
          <TextField
            key={i}
            name={`Watch for ${i + 1}`}
            hint={i === 0 ? "shown on the card and the sheet; optional" : undefined}
            most={100}
            value={a.watch?.[i] ?? ""}
            change={(t) => {
              const list = [0, 1].map((k) => (k === i ? t : (a.watch?.[k] ?? "")));
              change({ ...a, watch: list.filter((x) => x !== "") }, `watch ${i}`);
            }}
          />
        ))}
        {(a.watch ?? []).length === 0 && (
          <button type="button" className="btn btn-quiet btn-small" onClick={() => change({ ...a, watch: [...watch] })}>
            Use the two for this action
          </button>
        )}
      </section>
      <TextField
        name="Quick question"
        hint="optional"
        most={200}
        value={a.question}
        change={(question) => change({ ...a, question }, "question")}
      />
      <QuestionAnswers activity={a} change={change} />
      <Problems list={problems.filter((p) => p.field === "question" || p.field.startsWith("answers"))} />
      <ExerciseFields activity={a} change={change} middle={middle} />
      {[0, 1].map((i) => (
        <TextField
          key={i}
          name={`Reflection ${i + 1}`}
          most={160}
          value={a.reflection[i] ?? ""}
          change={(t) =>
            change(
              {
                ...a,
                reflection: [0, 1]
                  .map((k) => (k === i ? t : (a.reflection[k] ?? "")))
                  .filter((x, k) => x !== "" || k < 1)
                  .slice(0, 2),
              },
              `reflection ${i}`,
            )
          }
        />
      ))}
      {a.reflection.every((r) => r === "") && (
        <button
          type="button"
          className="btn btn-quiet btn-small"
          onClick={() => change({ ...a, reflection: [...starterQuestions] })}
        >
          Use two suggested questions
        </button>
      )}
    </>
  );
}

/** Whether the child itself sets the targets out, and where. */
function SetOutFields({ activity: a, problems, change }: Pick<PanelProps, "activity" | "problems" | "change">) {
  const { setOut } = a;
  const at = opened(a).pegs.map((p) => p.distance);
  const metres = (m: number) => Math.round(m * 20) / 20;
  const usual = {
    near: Math.max(0.3, metres(Math.min(...at) - 0.4)),
    far: Math.min(a.space.length, metres(Math.max(...at) + 0.4)),
    width: Math.min(a.space.width, 2),
    farther: false,
  };
  const size = (name: string, field: "near" | "far" | "width", most: number) =>
    setOut && (
      <NumberField
        name={name}
        value={setOut[field]}
        least={0.3}
        most={most}
        step={0.05}
        unit="m"
        problem={problems.find((p) => p.field === `setOut.${field}`)?.message}
        change={(v) => change({ ...a, setOut: { ...setOut, [field]: v } }, `setOut ${field}`)}
      />
    );
  return (
    <>
      <Toggle
        name="The child sets out the targets"
        hint="within an area of this size; only goes set out alike are compared"
        value={setOut !== null && setOut !== undefined}
        change={(on) => change({ ...a, setOut: on ? usual : null })}
      />
      {setOut && (
        <>
          {size("Nearest allowed", "near", a.space.length)}
          {size("Farthest allowed", "far", a.space.length)}
          {size("Width of the area", "width", a.space.width)}
          <Toggle
            name="Bigger numbers must stand farther away"
            value={setOut.farther}
            change={(farther) => change({ ...a, setOut: { ...setOut, farther } })}
          />
        </>
      )}
    </>
  );
}

/** Layouts whose places the game's own targets can take. */
const ARRANGED = ["row", "scattered", "around", "pins"] as const;

export function YardPanel({ activity: a, problems, change, chosen, choose, middle }: PanelProps) {
  const { id } = useParams();
  const o = opened(a);
  const { pegs } = o;
  const peg = pegs.find((x) => x.id === chosen);
  const longer = o.add();
  const advice = o.pattern.advice?.(a.pattern.params, sentIn(a).width) ?? [];
  const less = peg && o.remove(peg.id);
  const told = problems.filter((x) =>
    ["pattern.params.peg", "space", "layout", "off", "ramp"].some((f) => x.field.startsWith(f)),
  );
  return (
    <>
      {told.map((x) => (
        <p key={x.message} role="alert" className="note problem mb-2">
          {x.message}
        </p>
      ))}
      {peg && (
        <section className="mb-3">
          <div className="flex items-center justify-between">
            <h3 className="text-lg">
              {peg.kind === "line"
                ? `Line ${pegs.indexOf(peg) + 1}`
                : `${peg.many ? `${peg.many} ×` : pegs.indexOf(peg) + 1} ${peg.label || itemName(peg.item ?? "")}`}
            </h3>
            <button
              type="button"
              className="btn btn-quiet btn-small"
              disabled={!less}
              onClick={() => {
                if (!less) return;
                choose(null);
                change(less);
              }}
            >
              <Trash2 size={15} aria-hidden="true" /> Remove
            </button>
          </div>
          <Fields key={peg.id} list={o.pegKnobs(peg.id)} activity={a} problems={problems} change={change} />
        </section>
      )}
      {pegs.length > 1 && pegs[0]!.kind === "target" && (
        <label className="row-line mb-2 flex items-center justify-between gap-3 py-2 text-[0.92rem]">
          Arrange the targets
          <select
            value=""
            onChange={(e) => e.target.value && change(arrangeAs(a, e.target.value as (typeof ARRANGED)[number]))}
          >
            <option value="">as they are</option>
            {ARRANGED.map((x) => (
              <option key={x} value={x}>
                {label(`layout.${x}`)}
              </option>
            ))}
          </select>
        </label>
      )}
      {advice.map((x) => (
        <p key={x.key} className="mb-2 text-sm text-quiet">
          {tell(x.key, x.params)}
        </p>
      ))}
      {id && o.parts.some((x) => x.kind === "target" && x.sign !== undefined) && (
        <p className="mb-2 text-sm">
          <Link to={`/activities/${id}/cards`} className="underline">
            Print the cards to cut out
          </Link>
        </p>
      )}
      {!peg && <p className="mb-2 text-sm text-quiet">Choose a marker on the tape, or an item on the plan.</p>}
      <button
        type="button"
        className="btn btn-quiet btn-small mb-2"
        disabled={!longer}
        onClick={() => longer && change(longer)}
      >
        <Plus size={15} aria-hidden="true" /> {pegs[0]?.kind === "line" ? "Add line" : "Add target"}
      </button>
      <Fields list={o.knobs().filter((k) => k.station === "yard")} activity={a} problems={problems} change={change} />
      {o
        .knobs()
        .map(
          (k) =>
            k.kind === "choice" && k.compared && <Compared key={k.path.join(".")} activity={a} knob={k} who={middle} />,
        )}
      {(canSetOut(a) || a.setOut) && <SetOutFields activity={a} problems={problems} change={change} />}
      <LayoutPanel activity={a} change={change} choose={choose} />
      <h3 className="mt-3 text-base">How distances are given, and what is behind</h3>
      <Choice
        name="Distances on the card in"
        hint="a step is each child's own"
        options={COUNTED.map((c) => ({ value: c, label: label(`counted.${c}`) }))}
        value={a.counted ?? "steps"}
        change={(counted) => change({ ...a, counted })}
      />
      <Choice
        name="Behind the targets"
        options={BEHIND.map((b) => ({ value: b, label: label(`behind.${b}`) }))}
        value={a.behind ?? "open"}
        change={(behind) => change({ ...a, behind })}
      />
      <Choice
        name="It must first touch"
        hint="once; an object that hardly bounces will not come up again"
        options={[
          { value: "straight", label: "nothing" },
          ...(flies(a) || a.off === "floor" || a.off === "table"
            ? [
                { value: "floor", label: "the floor" },
                { value: "table", label: "a table" },
              ]
            : []),
          { value: "wall", label: "the wall behind them" },
        ]}
        value={a.off ?? "straight"}
        change={(first) => {
          const { off: was, wall: gap, ...rest } = a;
          if (first === "straight") change(rest);
          else if (first === "wall") change({ ...rest, off: "wall", wall: gap ?? WALL_GAP });
          else change({ ...rest, off: first as "floor" | "table" });
        }}
      />
      {a.off === "wall" && (
        <NumberField
          name="Wall behind the farthest target, at"
          unit="m"
          value={a.wall ?? WALL_GAP}
          least={0.2}
          most={5}
          step={0.1}
          problem={problems.find((x) => x.field === "wall")?.message}
          change={(wall) => change({ ...a, wall }, "wall")}
        />
      )}
      {(a.aim.action === "underarmRoll" || a.ramp) && (
        <>
          <Choice
            name="How it starts"
            options={[
              { value: "hand", label: "by hand" },
              { value: "behind", label: "down a ramp, standing behind it" },
              { value: "beside", label: "down a ramp, standing beside it" },
            ]}
            value={a.ramp?.stand ?? "hand"}
            change={(how) => {
              const { ramp: was, ...rest } = a;
              change(
                how === "hand"
                  ? rest
                  : { ...rest, ramp: { height: was?.height ?? 0.5, stand: how as "behind" | "beside" } },
              );
            }}
          />
          {a.ramp && (
            <NumberField
              name="Height of the ramp"
              unit="m"
              value={a.ramp.height}
              least={0.05}
              most={0.8}
              step={0.05}
              change={(height) => change({ ...a, ramp: { ...a.ramp!, height } }, "ramp")}
            />
          )}
        </>
      )}
      <h3 className="mt-3 text-base">Space to plan for</h3>
      <NumberField
        name="Length"
        unit="m"
        value={a.space.length}
        least={0.5}
        most={60}
        step={0.1}
        change={(length) => change({ ...a, space: { ...a.space, length } }, "length")}
      />
      <NumberField
        name="Width"
        unit="m"
        value={a.space.width}
        least={0.5}
        most={60}
        step={0.1}
        change={(width) => change({ ...a, space: { ...a.space, width } }, "width")}
      />
      <label className="row-line flex items-center justify-between py-2 text-[0.92rem]">
        Floor
        <select
          value={a.space.floor}
          onChange={(e) => change({ ...a, space: { ...a.space, floor: e.target.value as Activity["space"]["floor"] } })}
        >
          {FLOORS.map((f) => (
            <option key={f} value={f}>
              {label(`floor.${f}`)}
            </option>
          ))}
        </select>
      </label>
      <Toggle
        name="Indoors"
        value={a.space.indoors}
        change={(indoors) => change({ ...a, space: { ...a.space, indoors } })}
      />
    </>
  );
}

/** What can be set, in the parameters or in the match around them. */
function Fields({
  list,
  activity: a,
  problems,
  change,
}: {
  list: readonly Knob[];
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
}) {
  return (
    <>
      <Knobs
        list={list.filter((k) => k.of !== "match")}
        params={a.pattern.params}
        problems={problems}
        change={(params, key) => change(withoutLost(withParams(a, params)), key)}
      />
      <Knobs
        list={list.filter((k) => k.of === "match")}
        params={a.match}
        problems={problems}
        change={(match, key) => change(withoutLost({ ...a, match: match as Activity["match"] }), key)}
      />
    </>
  );
}

export function ScorePanel({ activity: a, problems, change, middle, people }: PanelProps) {
  const list = opened(a)
    .knobs()
    .filter((k) => k.station === "score");
  const three = useMemo(
    () => (people?.length === 3 ? ([people[0]!, people[1]!, people[2]!] as const) : null),
    [people],
  );
  return (
    <>
      <SampleGame activity={a} who={middle} />
      {three && <RuleWarnings activity={a} people={three} change={change} />}
      <RuleSentences
        action={a.aim.action}
        list={list}
        valueAt={(k) => setTo(k, { params: a.pattern.params, match: a.match })}
        one={(k) => <Fields list={[k]} activity={a} problems={problems} change={change} />}
      />
      <h3 className="text-base">All settings</h3>
      <Fields list={list} activity={a} problems={problems} change={change} />
      <PointsSuggested activity={a} who={middle} change={change} />
    </>
  );
}

export function PlayersPanel({ activity: a, problems, change, middle }: PanelProps) {
  const o = opened(a);
  const { modes: able } = o.pattern;
  const turn = (m: Mode) => {
    const modes = MODES.filter((x) => (x === m ? !a.players.modes.includes(m) : a.players.modes.includes(x)));
    if (modes.length > 0) change({ ...a, players: { ...a.players, modes } });
  };
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          name="From"
          value={a.players.least}
          least={1}
          most={6}
          step={1}
          change={(least) =>
            change({ ...a, players: { ...a.players, least, most: Math.max(least, a.players.most) } }, "players")
          }
        />
        <NumberField
          name="to"
          value={a.players.most}
          least={1}
          most={6}
          step={1}
          change={(most) =>
            change({ ...a, players: { ...a.players, most, least: Math.min(most, a.players.least) } }, "players")
          }
        />
      </div>
      <fieldset className="row-line py-2">
        <legend className="text-[0.92rem]">Ways to play the family may choose</legend>
        {able.map((m) => (
          <label key={m} className="flex items-center gap-2 py-1">
            <input type="checkbox" checked={a.players.modes.includes(m)} onChange={() => turn(m)} />
            {label(`mode.${m}`)}
          </label>
        ))}
        {(a.players.call || inTwoHomes(o.pattern, { params: a.pattern.params, match: a.match }, true)) && (
          <label className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              checked={a.players.call}
              onChange={() => change({ ...a, players: { ...a.players, call: !a.players.call } })}
            />
            {label("players.call")}
          </label>
        )}
      </fieldset>
      <Fields
        list={o.knobs().filter((k) => k.station === "players")}
        activity={a}
        problems={problems}
        change={change}
      />
      {a.players.modes.includes("against") && a.players.most > 1 && (
        <FairHere activity={a} middle={middle} change={change} />
      )}
      <FamilyRange activity={a} change={change} />
    </>
  );
}
