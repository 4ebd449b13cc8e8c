import { Minus } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { MOST_PLAYERS } from "#core/contract/contract.ts";
import type { Problem } from "#core/formats/activity.ts";
import type { HomeAnswers, HomeSpace } from "#core/records/home.ts";
import { SLOPES, SPACE_KINDS, WINDS } from "#core/records/home.ts";
import {
  CEILINGS,
  ceilingWord,
  cornersText,
  fromSteps,
  SHAPES,
  type Shape,
  SURVEY_PARTS,
  type SurveyPart,
  shapeOf,
  standsText,
  toSteps,
  USUAL_SPACE,
} from "#core/records/home-fields.ts";
import { FLOORS } from "#core/things/floors.ts";
import { type Item, MOST_OF_ONE, ROOMS } from "#core/things/item.ts";
import { ell, rectangle } from "#core/yard/shapes.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, itemName, namesOf, say } from "#words/say.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { SpaceSketch } from "./space-sketch.tsx";

addWords(enHome);

/** A refusal that is about one corner or one line says which. */
function toldOf(p: Problem): string {
  const [, list, n] = /(outline|obstacles|floors)\.(\d+)/.exec(p.field) ?? [];
  if (!list) return p.message;
  return say(list === "outline" ? "survey.cornerAt" : "survey.standsAt", { number: Number(n) + 1, message: p.message });
}

/** After so long without a tap what was tapped is saved, milliseconds. */
const PAUSE = 700;
/** A server that was away is asked again after so long, milliseconds. */
const AGAIN = 4000;

export interface SurveyProps {
  part: SurveyPart;
  answers: HomeAnswers;
  support: string;
  /** Whose it is, where the link does not say. */
  name?: string;
  items: readonly Item[];
  /** Where a part is: the same page with another `part`. */
  to: (part: SurveyPart | "done") => string;
  /** Keeps what this device could not send yet under this name. */
  keepAs: string;
  problems: readonly Problem[];
  /** What was typed and not taken, by field. */
  typed: Readonly<Record<string, string>> | null;
}

/** A form that saves itself while it is tapped; without a script it is a plain form that saves with its button. */
export function SurveyForm(props: SurveyProps) {
  const { part, to, keepAs, problems } = props;
  const form = useRef<HTMLFormElement>(null);
  const fetcher = useFetcher<{ ok: boolean; problems: Problem[]; unsent?: boolean }>();
  const navigate = useNavigate();
  const [ready, setReady] = useState(false);
  const [kept, setKept] = useState<Record<string, string> | null>(null);
  const [failed, setFailed] = useState(false);
  const key = `yard-survey-${keepAs}-${part}`;
  useEffect(() => {
    setReady(true);
    const left = localStorage.getItem(key);
    if (left) setKept(JSON.parse(left) as Record<string, string>);
  }, [key]);

  const at = SURVEY_PARTS.indexOf(part);
  const next = SURVEY_PARTS[at + 1] ?? "done";
  /** The button was pressed: the next part opens once this one is kept. */
  const goOn = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const { submit } = fetcher;
  const save = useCallback(() => {
    if (!form.current) return;
    const fields = Object.fromEntries(new FormData(form.current)) as Record<string, string>;
    localStorage.setItem(key, JSON.stringify(fields));
    if (!navigator.onLine) {
      setFailed(true);
      return;
    }
    setFailed(false);
    void submit({ ...fields, quietly: "yes" }, { method: "post" }).catch(() => setFailed(true));
  }, [key, submit]);
  const later = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(save, PAUSE);
  }, [save]);
  useEffect(() => {
    addEventListener("online", save);
    return () => {
      removeEventListener("online", save);
      if (timer.current) {
        clearTimeout(timer.current);
        save();
      }
    };
  }, [save]);
  useEffect(() => {
    if (fetcher.state !== "idle" || !fetcher.data) return;
    if (fetcher.data.ok) {
      localStorage.removeItem(key);
      if (goOn.current) void navigate(to(next));
    }
    goOn.current = false;
    if (fetcher.data.unsent) timer.current = setTimeout(save, AGAIN);
  }, [save, fetcher.state, fetcher.data, key, navigate, to, next]);
  // What was left here unsent goes out once the form shows it.
  useEffect(() => {
    if (kept) later();
  }, [kept, later]);

  const told = [...problems, ...(fetcher.data && !fetcher.data.ok ? fetcher.data.problems : [])];
  const typed = kept ?? props.typed;
  return (
    <>
      <nav aria-label={say("survey.title")} className="mb-4">
        <ol className="grid grid-cols-4 gap-1 text-center text-sm">
          {[...SURVEY_PARTS, "done" as const].map((p, i) => (
            <li key={p}>
              <a
                href={to(p)}
                aria-current={p === part ? "step" : undefined}
                className={`block border-t-4 pt-1.5 pb-1 no-underline ${p === part ? "border-mustard font-bold" : i < at ? "border-teal" : "border-hair"}`}
              >
                {say(`survey.part.${p}`)}
              </a>
            </li>
          ))}
        </ol>
      </nav>
      {told.length > 0 && (
        <ul role="alert" className="note problem mb-3">
          {[...new Set(told.map(toldOf))].map((m) => (
            <li key={m}>{m}</li>
          ))}
        </ul>
      )}
      <form
        ref={form}
        method="post"
        key={`${part} ${kept ? "kept" : ""}`}
        onChange={later}
        onSubmit={(e) => {
          if (!ready) return;
          e.preventDefault();
          if (timer.current) clearTimeout(timer.current);
          timer.current = null;
          const fields = Object.fromEntries(new FormData(e.currentTarget)) as Record<string, string>;
          localStorage.setItem(key, JSON.stringify(fields));
          goOn.current = true;
          void submit({ ...fields, quietly: "yes" }, { method: "post" }).catch(() => setFailed(true));
        }}
      >
        <input type="hidden" name="part" value={part} />
        {part === "things" && <Things {...props} typed={typed} ready={ready} changed={later} />}
        {part === "space" && <Space {...props} typed={typed} ready={ready} />}
        {part === "people" && <People {...props} typed={typed} />}
        <p
          role="status"
          data-saved={fetcher.state === "idle" && fetcher.data?.ok ? "yes" : "no"}
          className="mt-4 min-h-6 text-sm text-quiet"
        >
          {failed || fetcher.data?.unsent
            ? say("survey.unsaved")
            : fetcher.state !== "idle"
              ? say("survey.saving")
              : fetcher.data?.ok
                ? say("survey.saved")
                : ""}
        </p>
        <button type="submit" className="btn btn-main mt-1 min-h-14 w-full text-xl">
          {say(next === "done" ? "survey.finish" : "survey.save")}
        </button>
        <p className="mt-3 text-center">
          <a href={to(next)} className="underline">
            {say("survey.skip")}
          </a>
        </p>
      </form>
    </>
  );
}

type PartProps = SurveyProps & { ready?: boolean; changed?: () => void };

/** By room; a tap adds one. */
function Things({ answers, items, typed, ready, changed }: PartProps) {
  const names = useMemo(() => namesOf(items), [items]);
  const begin = () => {
    const out: Record<string, string> = {};
    for (const [id, n] of Object.entries(answers.kit ?? {})) out[id] = String(n);
    for (const [k, v] of Object.entries(typed ?? {})) if (k.startsWith("kit.")) out[k.slice(4)] = v;
    return out;
  };
  const [counts, setCounts] = useState<Record<string, string>>(begin);
  const set = (id: string, n: number) => {
    setCounts((c) => ({ ...c, [id]: String(Math.min(MOST_OF_ONE, Math.max(0, n))) }));
    changed?.();
  };
  // What most homes have comes first, so that two minutes are enough.
  const asked = items.filter((i) => !i.made && !i.always).sort((a, b) => b.homes - a.homes);
  return (
    <>
      <h1 className="text-2xl">{say("survey.things")}</h1>
      <p className="mb-2 text-quiet">{say("survey.thingsHint")}</p>
      {ROOMS.filter((r) => r !== "made").map((room) => (
        <section key={room} className="mb-4">
          <h2 className="mb-1.5 text-lg">{say(`room.${room}`)}</h2>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-2">
            {asked
              .filter((i) => i.room === room)
              .map((i) => {
                const name = itemName(i.id, names);
                const n = Number(counts[i.id] ?? 0) || 0;
                return (
                  <li key={i.id} className="relative">
                    {ready ? (
                      <>
                        <input type="hidden" name={`kit.${i.id}`} value={counts[i.id] ?? ""} />
                        <button
                          type="button"
                          aria-label={
                            n > 0 ? say("survey.moreOf", { item: name, count: n }) : say("survey.more", { item: name })
                          }
                          className={`grid min-h-25 w-full justify-items-center gap-0.5 rounded-md border-2 p-1.5 ${n > 0 ? "border-teal bg-mint/30" : "border-hair bg-raised"}`}
                          onClick={() => set(i.id, n + 1)}
                        >
                          <ItemDrawing item={i.id} size={46} />
                          <span className="text-sm leading-tight">{name}</span>
                        </button>
                        {n > 0 && (
                          <span
                            aria-hidden="true"
                            className="pointer-events-none absolute top-1 right-1 grid min-w-7 place-items-center rounded-full bg-ink px-1.5 text-sm font-bold text-page"
                          >
                            {n}
                          </span>
                        )}
                        {n > 0 && (
                          <button
                            type="button"
                            aria-label={say("survey.less", { item: name })}
                            className="absolute top-0 left-0 grid size-11 place-items-center"
                            onClick={() => set(i.id, n - 1)}
                          >
                            <span className="grid size-7 place-items-center rounded-full border-2 border-ink bg-page">
                              <Minus size={15} aria-hidden="true" />
                            </span>
                          </button>
                        )}
                      </>
                    ) : (
                      <label className="grid min-h-25 justify-items-center gap-0.5 rounded-md border-2 border-hair bg-raised p-1.5 text-center">
                        <ItemDrawing item={i.id} size={40} />
                        <span className="text-sm leading-tight">{name}</span>
                        <input
                          name={`kit.${i.id}`}
                          inputMode="numeric"
                          className="w-14 text-center"
                          defaultValue={counts[i.id] ?? ""}
                        />
                      </label>
                    )}
                  </li>
                );
              })}
          </ul>
        </section>
      ))}
    </>
  );
}

const pick =
  "grid min-h-16 cursor-pointer place-items-center rounded-md border-2 border-hair bg-raised p-2 text-center font-semibold has-checked:border-ink has-checked:bg-mustard has-checked:text-night has-focus-visible:outline-3";

/** A few shapes, sized in a grown-up's steps. */
function Space({ answers, typed, ready, changed }: PartProps) {
  const was = answers.space;
  const [kind, setKind] = useState<HomeSpace["kind"] | "">((typed?.kind as HomeSpace["kind"]) ?? was?.kind ?? "");
  const like = was && was.kind === kind ? was : kind ? { kind, ...USUAL_SPACE[kind] } : null;
  const begun = shapeOf(was);
  const [shape, setShape] = useState<Shape>((typed?.shape as Shape) ?? begun.shape);
  const [cut, setCut] = useState({
    long: typed?.cutLong ?? figure(begun.cutLong),
    wide: typed?.cutWide ?? figure(begun.cutWide),
  });
  const [corners, setCorners] = useState(typed?.corners ?? cornersText(was?.outline ?? []));
  const [stands, setStands] = useState(typed?.stands ?? standsText(was ?? {}));
  const [size, setSize] = useState({ long: typed?.longSteps, wide: typed?.wideSteps });
  const told = (set: (text: string) => void) => (text: string) => {
    set(text);
    changed?.();
  };
  const steps = (text: string | undefined, metres: number | undefined) => {
    const n = Number((text ?? (metres === undefined ? "4" : String(toSteps(metres)))).replace(",", "."));
    return Number.isFinite(n) && n > 0 ? n : 4;
  };
  const [long, wide] = [steps(size.long, like?.length), steps(size.wide, like?.width)];
  const part = (text: string) => Math.max(0, Number(text.replace(",", ".")) || 0);
  const outline =
    shape === "ell"
      ? ell(long, wide, Math.min(long, part(cut.long)), Math.min(wide, part(cut.wide)))
      : rectangle(long, wide);
  return (
    <div className="grid gap-5">
      <fieldset>
        <legend className="mb-2 text-2xl font-bold font-head">{say("survey.space")}</legend>
        <div className="grid grid-cols-2 gap-2">
          {SPACE_KINDS.map((k) => (
            <label key={k} className={pick}>
              <input
                type="radio"
                name="kind"
                value={k}
                className="sr-only"
                defaultChecked={kind === k}
                onChange={() => setKind(k)}
              />
              <SpaceShape kind={k} />
              {say(`survey.space.${k}`)}
            </label>
          ))}
        </div>
      </fieldset>
      <OneOf name="shape" options={SHAPES} is={shape} choose={(x) => setShape(x as Shape)} />
      {(shape !== "own" || !ready) && (
        <div key={kind} className="grid grid-cols-2 gap-3">
          <Steps
            name="longSteps"
            title={say("survey.long")}
            metres={like?.length ?? null}
            typed={size.long}
            told={(t) => setSize({ ...size, long: t })}
          />
          <Steps
            name="wideSteps"
            title={say("survey.wide")}
            metres={like?.width ?? null}
            typed={size.wide}
            told={(t) => setSize({ ...size, wide: t })}
          />
        </div>
      )}
      {(shape === "ell" || !ready) && (
        <div className="grid grid-cols-2 gap-3">
          <Steps
            name="cutLong"
            title={say("survey.cutLong")}
            metres={null}
            typed={cut.long}
            told={(t) => setCut({ ...cut, long: t })}
          />
          <Steps
            name="cutWide"
            title={say("survey.cutWide")}
            metres={null}
            typed={cut.wide}
            told={(t) => setCut({ ...cut, wide: t })}
          />
        </div>
      )}
      {ready && kind && (
        <SpaceSketch
          key={shape}
          outline={outline}
          own={shape === "own"}
          corners={corners}
          setCorners={(text) => {
            setCorners(text);
            // Two corners are no space yet: nothing to save, and nothing to find fault with.
            if (text.trim().split("\n").length > 2) changed?.();
          }}
          stands={stands}
          setStands={told(setStands)}
        />
      )}
      <details open={!ready || undefined}>
        <summary className="min-h-11 py-2 font-semibold">{say("survey.numbers")}</summary>
        {(shape === "own" || !ready) && (
          <label className="field py-1">
            <span>{say("survey.corners")}</span>
            <textarea name="corners" rows={5} value={corners} onChange={(e) => setCorners(e.target.value)} />
          </label>
        )}
        <label className="field py-1">
          <span>{say("survey.stands")}</span>
          <textarea name="stands" rows={4} value={stands} onChange={(e) => setStands(e.target.value)} />
          <span className="hint">{say("survey.standsHint")}</span>
        </label>
      </details>
      <OneOf key={`floor ${kind}`} name="floor" options={FLOORS} words="floor" is={typed?.floor ?? like?.floor} />
      <label key={`in ${kind}`} className="flex min-h-12 items-center gap-3 text-lg">
        <input type="hidden" name="indoorsAsked" value={kind ? "yes" : ""} />
        <input
          type="checkbox"
          name="indoors"
          value="yes"
          defaultChecked={typed ? typed.indoors === "yes" : (like?.indoors ?? false)}
        />
        {say("survey.indoors")}
      </label>
      <OneOf
        name="ceiling"
        options={Object.keys(CEILINGS)}
        columns={2}
        is={typed?.ceiling ?? ceilingWord(was?.ceiling)}
      />
      {!(like?.indoors ?? true) && (
        <>
          <OneOf name="slope" options={SLOPES} is={typed?.slope ?? was?.slope ?? "level"} />
          <OneOf name="wind" options={WINDS} is={typed?.wind ?? was?.wind ?? "still"} />
        </>
      )}
    </div>
  );
}

/** One of a few words, as radio buttons to tap. `words`: where their names stand in the catalogue. */
function OneOf({
  name,
  options,
  is,
  words = `survey.${name}`,
  columns = 3,
  choose,
}: {
  name: string;
  options: readonly string[];
  is: string | undefined;
  words?: string;
  columns?: 2 | 3;
  choose?: (option: string) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1.5 text-lg font-bold">{say(`survey.${name}`)}</legend>
      <div className={`grid gap-2 ${columns === 2 ? "grid-cols-2" : "grid-cols-3"}`}>
        {options.map((o) => (
          <label key={o} className={`${pick} min-h-12`}>
            <input
              type="radio"
              name={name}
              value={o}
              className="sr-only"
              defaultChecked={is === o}
              onChange={() => choose?.(o)}
            />
            {say(`${words}.${o}`)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

const figure = (n: number) => (n === 0 ? "" : String(n));

function Steps({
  name,
  title,
  metres,
  typed,
  told,
}: {
  name: string;
  title: string;
  metres: number | null;
  typed?: string;
  told?: (text: string) => void;
}) {
  const [text, setText] = useState(typed ?? (metres === null ? "" : String(toSteps(metres))));
  const n = Number(text.replace(",", "."));
  return (
    <label className="field min-w-0">
      <span className="text-lg font-bold">{title}</span>
      <input
        name={name}
        inputMode="decimal"
        className="w-full min-w-0 text-xl"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          told?.(e.target.value);
        }}
      />
      <span className="hint">{say("survey.steps")}</span>
      {text !== "" && Number.isFinite(n) && n > 0 && (
        <span className="hint">{say("survey.metres", { metres: fromSteps(n) })}</span>
      )}
    </label>
  );
}

function SpaceShape({ kind }: { kind: HomeSpace["kind"] }) {
  const { length, width, indoors } = USUAL_SPACE[kind];
  const k = 8;
  return (
    <svg viewBox="0 0 72 44" width="72" height="44" aria-hidden="true">
      <rect
        x={36 - (length * k) / 2}
        y={22 - (width * k) / 2}
        width={length * k}
        height={width * k}
        fill="none"
        stroke="currentColor"
        strokeWidth={indoors ? 3 : 2}
        strokeDasharray={indoors ? undefined : "5 3"}
      />
    </svg>
  );
}

function People({ answers, support, name, typed }: PartProps) {
  const is = (field: string, was: boolean) => (typed ? typed[field] === "yes" : was);
  return (
    <div className="grid gap-5">
      {name !== undefined && (
        <label className="field">
          <span className="text-lg font-bold">{say("survey.whose")}</span>
          <input name="name" maxLength={30} defaultValue={typed?.name ?? name} autoComplete="off" />
          <span className="hint">{say("survey.name")}</span>
        </label>
      )}
      <fieldset>
        <legend className="mb-1 text-2xl font-bold font-head">{say("survey.people")}</legend>
        <p className="mb-2 text-quiet">{say("survey.peopleHint")}</p>
        <div className="grid grid-cols-6 gap-2">
          {Array.from({ length: MOST_PLAYERS }, (_, i) => i + 1).map((n) => (
            <label key={n} className={`${pick} text-2xl`}>
              <input
                type="radio"
                name="players"
                value={n}
                className="sr-only"
                defaultChecked={(typed?.players ?? String(answers.players ?? "")) === String(n)}
              />
              {n}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-lg font-bold">{say("survey.know")}</legend>
        <label className="flex min-h-12 items-center gap-3 text-lg">
          <input type="checkbox" name="quiet" value="yes" defaultChecked={is("quiet", answers.quiet)} />
          {say("survey.quiet")}
        </label>
        <label className="flex min-h-12 items-center gap-3 text-lg">
          <input type="checkbox" name="noBalls" value="yes" defaultChecked={is("noBalls", answers.noBallsIndoors)} />
          {say("survey.noBalls")}
        </label>
        <label className="field">
          <span className="text-lg">{say("survey.support")}</span>
          <textarea name="support" rows={2} maxLength={300} defaultValue={typed?.support ?? support} />
          <span className="hint">{say("survey.supportHint")}</span>
        </label>
      </fieldset>
    </div>
  );
}

/** What was said, in a few lines. */
export function SurveySaid({ answers }: { answers: HomeAnswers }) {
  const { space } = answers;
  const lines = [
    answers.kit ? say("survey.kinds", { count: Object.keys(answers.kit).length }) : say("survey.notSaid"),
    space
      ? say("survey.spaceSaid", {
          kind: say(`survey.space.${space.kind}`),
          length: space.length,
          width: space.width,
          floor: say(`floor.${space.floor}`),
        })
      : say("survey.notSaid"),
    answers.players ? String(answers.players) : say("survey.notSaid"),
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-lg">
      {SURVEY_PARTS.map((p, i) => (
        <div key={p} className="contents">
          <dt className="text-quiet">{say(`survey.part.${p}`)}</dt>
          <dd>{lines[i]}</dd>
        </div>
      ))}
    </dl>
  );
}
