import { useState } from "react";
import { FLOORS } from "#core/items/floors.ts";
import type { HomeSpace } from "#core/records/home.ts";
import {
  CEILINGS,
  ceilingWord,
  cornersText,
  fromSteps,
  SHAPES,
  type Shape,
  shapeOf,
  standsText,
  toSteps,
  USUAL_SPACE,
} from "#core/records/home-fields.ts";
import { SLOPES, SPACE_KINDS, WINDS } from "#core/records/home-limits.ts";
import { ell, rectangle } from "#core/yard/shapes.ts";
import { say } from "#words/say.ts";
import { OneOf, pick } from "./one-of.tsx";
import { SpaceSketch } from "./space-sketch.tsx";
import type { PartProps } from "./survey-part.ts";

/** The space of a home: a few shapes to choose from, measured in a grown-up's steps. */
export function Space({ answers, typed, ready, changed }: PartProps) {
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
  const noting = (set: (text: string) => void) => (text: string) => {
    set(text);
    changed?.();
  };
  const steps = (text: string | undefined, metres: number | undefined) => {
    const count = Number((text ?? (metres === undefined ? "4" : String(toSteps(metres)))).replace(",", "."));
    return Number.isFinite(count) && count > 0 ? count : 4;
  };
  const [long, wide] = [steps(size.long, like?.length), steps(size.wide, like?.width)];
  const part = (text: string) => Math.max(0, Number(text.replace(",", ".")) || 0);
  const outline =
    shape === "ell"
      ? ell(long, wide, Math.min(long, part(cut.long)), Math.min(wide, part(cut.wide)))
      : rectangle(long, wide);
  return (
    <div className="grid gap-5">
      <WhichSpace kind={kind} setKind={setKind} />
      <OneOf name="shape" options={SHAPES} is={shape} choose={(text) => setShape(text as Shape)} />
      {(shape !== "own" || !ready) && <LongAndWide key={kind} like={like} size={size} setSize={setSize} />}
      {(shape === "ell" || !ready) && <CutOut cut={cut} setCut={setCut} />}
      {ready && kind && (
        <SpaceSketch
          key={shape}
          outline={outline}
          own={shape === "own"}
          corners={corners}
          setCorners={(text) => {
            setCorners(text);
            // Two corners do not make a space yet, so there is nothing to save or to check.
            if (text.trim().split("\n").length > 2) changed?.();
          }}
          stands={stands}
          setStands={noting(setStands)}
        />
      )}
      <details open={!ready || undefined}>
        <summary className="min-h-11 py-2 font-semibold">{say("survey.numbers")}</summary>
        {(shape === "own" || !ready) && (
          <label className="field py-1">
            <span>{say("survey.corners")}</span>
            <textarea name="corners" rows={5} value={corners} onChange={(event) => setCorners(event.target.value)} />
          </label>
        )}
        <label className="field py-1">
          <span>{say("survey.stands")}</span>
          <textarea name="stands" rows={4} value={stands} onChange={(event) => setStands(event.target.value)} />
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

const figure = (count: number) => (count === 0 ? "" : String(count));

function Steps({
  name,
  title,
  metres,
  typed,
  changed: told,
}: {
  name: string;
  title: string;
  metres: number | null;
  typed?: string;
  changed?: (text: string) => void;
}) {
  const [text, setText] = useState(typed ?? (metres === null ? "" : String(toSteps(metres))));
  const count = Number(text.replace(",", "."));
  return (
    <label className="field min-w-0">
      <span className="text-lg font-bold">{title}</span>
      <input
        name={name}
        inputMode="decimal"
        className="w-full min-w-0 text-xl"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          told?.(event.target.value);
        }}
      />
      <span className="hint">{say("survey.steps")}</span>
      {text !== "" && Number.isFinite(count) && count > 0 && (
        <span className="hint">{say("survey.metres", { metres: fromSteps(count) })}</span>
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

/** Asks what kind of space it is. */
const WhichSpace = ({
  kind,
  setKind,
}: {
  kind: "" | "room" | "corridor" | "garden" | "yard";
  setKind: (next: "" | "room" | "corridor" | "garden" | "yard") => void;
}) => (
  <fieldset>
    <legend className="mb-2 text-2xl font-bold font-head">{say("survey.space")}</legend>
    <div className="grid grid-cols-2 gap-2">
      {SPACE_KINDS.map((spaceKind) => (
        <label key={spaceKind} className={pick}>
          <input
            type="radio"
            name="kind"
            value={spaceKind}
            className="sr-only"
            defaultChecked={kind === spaceKind}
            onChange={() => setKind(spaceKind)}
          />
          <SpaceShape kind={spaceKind} />
          {say(`survey.space.${spaceKind}`)}
        </label>
      ))}
    </div>
  </fieldset>
);

/** Asks for length and width in steps. */
const LongAndWide = ({
  like,
  size,
  setSize,
}: {
  like: HomeSpace | null;
  size: { long: string | undefined; wide: string | undefined };
  setSize: (next: { long: string | undefined; wide: string | undefined }) => void;
}) => (
  <div className="grid grid-cols-2 gap-3">
    <Steps
      name="longSteps"
      title={say("survey.long")}
      metres={like?.length ?? null}
      typed={size.long}
      changed={(text) => setSize({ ...size, long: text })}
    />
    <Steps
      name="wideSteps"
      title={say("survey.wide")}
      metres={like?.width ?? null}
      typed={size.wide}
      changed={(text) => setSize({ ...size, wide: text })}
    />
  </div>
);

/** Asks for the corner that is missing from an L-shaped room. */
const CutOut = ({
  cut,
  setCut,
}: {
  cut: { long: string; wide: string };
  setCut: (next: { long: string; wide: string }) => void;
}) => (
  <div className="grid grid-cols-2 gap-3">
    <Steps
      name="cutLong"
      title={say("survey.cutLong")}
      metres={null}
      typed={cut.long}
      changed={(text) => setCut({ ...cut, long: text })}
    />
    <Steps
      name="cutWide"
      title={say("survey.cutWide")}
      metres={null}
      typed={cut.wide}
      changed={(text) => setCut({ ...cut, wide: text })}
    />
  </div>
);
