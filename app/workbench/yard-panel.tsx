import { Plus, Trash2 } from "lucide-react";
import { Link, useParams } from "react-router";
import type { Peg } from "#core/contract/contract.ts";
import { flies, sentIn } from "#core/forecast/for-activity.ts";
import { type Activity, BEHIND, canSetOut } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { FLOORS } from "#core/items/floors.ts";
import { COUNTED } from "#core/measures/count.ts";
import { WALL_GAP } from "#core/yard/off-wall.ts";
import { itemName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { problemText } from "../ui/problem-text.ts";
import { Compared } from "./compared.tsx";
import { arrangeAs } from "./edit.ts";
import { Choice, NumberField, Toggle } from "./knobs.tsx";
import { LayoutPanel } from "./layout-panel.tsx";
import { Fields } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";

type Edits = Pick<PanelProps, "activity" | "problems" | "change">;

/** Whether the child sets the targets out, and where. */
function SetOutFields({ activity, problems, change }: Edits) {
  const { setOut } = activity;
  const at = opened(activity).pegs.map((peg) => peg.distance);
  const metres = (givenMetres: number) => Math.round(givenMetres * 20) / 20;
  const usual = {
    near: Math.max(0.3, metres(Math.min(...at) - 0.4)),
    far: Math.min(activity.space.length, metres(Math.max(...at) + 0.4)),
    width: Math.min(activity.space.width, 2),
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
        problem={problems.find((problem) => problem.field === `setOut.${field}`)?.message}
        change={(value) => change({ ...activity, setOut: { ...setOut, [field]: value } }, `setOut ${field}`)}
      />
    );
  return (
    <>
      <Toggle
        name="The child sets out the targets"
        hint="within an area of this size; only goes set out alike are compared"
        value={setOut !== null && setOut !== undefined}
        change={(on) => change({ ...activity, setOut: on ? usual : null })}
      />
      {setOut && (
        <>
          {size("Nearest allowed", "near", activity.space.length)}
          {size("Farthest allowed", "far", activity.space.length)}
          {size("Width of the area", "width", activity.space.width)}
          <Toggle
            name="Bigger numbers must stand farther away"
            value={setOut.farther}
            change={(farther) => change({ ...activity, setOut: { ...setOut, farther } })}
          />
        </>
      )}
    </>
  );
}

/** Layouts in whose places the game's own targets can be put. */
const ARRANGED = ["row", "scattered", "around", "pins"] as const;

export function YardPanel({ activity, problems, change, chosen, choose, middle }: PanelProps) {
  const { id } = useParams();
  const game = opened(activity);
  const { pegs } = game;
  const edits = { activity, problems, change };
  const peg = pegs.find((eachPeg) => eachPeg.id === chosen);
  const longer = game.add();
  const advice = game.pattern.advice?.(activity.pattern.params, sentIn(activity).width) ?? [];
  const shown = problems.filter((problem) =>
    ["pattern.params.peg", "space", "layout", "off", "ramp"].some((field) => problem.field.startsWith(field)),
  );
  return (
    <>
      {shown.map((problem) => (
        <p key={problem.message} role="alert" className="note problem mb-2">
          {problemText(problem.message)}
        </p>
      ))}
      {peg && <PegFields {...edits} peg={peg} choose={choose} />}
      <Arrange {...edits} />
      {advice.map((phrase) => (
        <p key={phrase.key} className="mb-2 text-sm text-quiet">
          {tell(phrase.key, phrase.params)}
        </p>
      ))}
      {id && game.parts.some((part) => part.kind === "target" && part.sign !== undefined) && (
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
      <Fields
        list={game.knobs().filter((knob) => knob.station === "yard")}
        activity={activity}
        problems={problems}
        change={change}
      />
      {game
        .knobs()
        .map(
          (knob) =>
            knob.kind === "choice" &&
            knob.compared && <Compared key={knob.path.join(".")} activity={activity} knob={knob} who={middle} />,
        )}
      {(canSetOut(activity) || activity.setOut) && (
        <SetOutFields activity={activity} problems={problems} change={change} />
      )}
      <LayoutPanel activity={activity} change={change} choose={choose} />
      <Behind {...edits} />
      <StartsHow {...edits} />
      <SpaceFields {...edits} />
    </>
  );
}

/** Edits or removes one marker. */
function PegFields({ activity, problems, change, peg, choose }: Edits & { peg: Peg } & Pick<PanelProps, "choose">) {
  const game = opened(activity);
  const { pegs } = game;
  const at = pegs.findIndex((other) => other.id === peg.id);
  const less = game.remove(peg.id);
  return (
    <section className="mb-3">
      <div className="flex items-center justify-between">
        <h3 className="text-lg">
          {peg.kind === "line"
            ? `Line ${at + 1}`
            : `${peg.many ? `${peg.many} ×` : at + 1} ${peg.label || itemName(peg.item ?? "")}`}
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
      <Fields key={peg.id} list={game.pegKnobs(peg.id)} activity={activity} problems={problems} change={change} />
    </section>
  );
}

/** Rearranges all targets into one of the ready-made layouts. */
function Arrange({ activity, change }: Edits) {
  const { pegs } = opened(activity);
  if (pegs.length < 2 || pegs[0]!.kind !== "target") return null;
  return (
    <label className="row-line mb-2 flex items-center justify-between gap-3 py-2 text-[0.92rem]">
      Arrange the targets
      <select
        value=""
        onChange={(event) =>
          event.target.value && change(arrangeAs(activity, event.target.value as (typeof ARRANGED)[number]))
        }
      >
        <option value="">as they are</option>
        {ARRANGED.map((text) => (
          <option key={text} value={text}>
            {label(`layout.${text}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Sets the unit of distances on the card, what is behind the targets, and what the object must touch first. */
const Behind = ({ activity, problems, change }: Edits) => (
  <>
    <h3 className="mt-3 text-base">How distances are given, and what is behind</h3>
    <Choice
      name="Distances on the card in"
      hint="a step is each child's own"
      options={COUNTED.map((text) => ({ value: text, label: label(`counted.${text}`) }))}
      value={activity.counted ?? "steps"}
      change={(counted) => change({ ...activity, counted })}
    />
    <Choice
      name="Behind the targets"
      options={BEHIND.map((text) => ({ value: text, label: label(`behind.${text}`) }))}
      value={activity.behind ?? "open"}
      change={(behind) => change({ ...activity, behind })}
    />
    <Choice
      name="It must first touch"
      hint="once; an object that hardly bounces will not come up again"
      options={[
        { value: "straight", label: "nothing" },
        ...(flies(activity) || activity.off === "floor" || activity.off === "table"
          ? [
              { value: "floor", label: "the floor" },
              { value: "table", label: "a table" },
            ]
          : []),
        { value: "wall", label: "the wall behind them" },
      ]}
      value={activity.off ?? "straight"}
      change={(first) => {
        const { off: was, wall: gap, ...rest } = activity;
        if (first === "straight") change(rest);
        else if (first === "wall") change({ ...rest, off: "wall", wall: gap ?? WALL_GAP });
        else change({ ...rest, off: first as "floor" | "table" });
      }}
    />
    {activity.off === "wall" && (
      <NumberField
        name="Wall behind the farthest target, at"
        unit="m"
        value={activity.wall ?? WALL_GAP}
        least={0.2}
        most={5}
        step={0.1}
        problem={problems.find((problem) => problem.field === "wall")?.message}
        change={(wall) => change({ ...activity, wall }, "wall")}
      />
    )}
  </>
);

/** Sets whether the child rolls by hand or down a ramp. */
function StartsHow({ activity, change }: Edits) {
  if (activity.aim.action !== "underarmRoll" && !activity.ramp) return null;
  return (
    <>
      <Choice
        name="How it starts"
        options={[
          { value: "hand", label: "by hand" },
          { value: "behind", label: "down a ramp, standing behind it" },
          { value: "beside", label: "down a ramp, standing beside it" },
        ]}
        value={activity.ramp?.stand ?? "hand"}
        change={(how) => {
          const { ramp: was, ...rest } = activity;
          change(
            how === "hand"
              ? rest
              : { ...rest, ramp: { height: was?.height ?? 0.5, stand: how as "behind" | "beside" } },
          );
        }}
      />
      {activity.ramp && (
        <NumberField
          name="Height of the ramp"
          unit="m"
          value={activity.ramp.height}
          least={0.05}
          most={0.8}
          step={0.05}
          change={(height) => change({ ...activity, ramp: { ...activity.ramp!, height } }, "ramp")}
        />
      )}
    </>
  );
}

/** Sets the space that the activity is designed for. */
function SpaceFields({ activity, change }: Edits) {
  const { space } = activity;
  const put = (next: Partial<Activity["space"]>, key?: string) =>
    change({ ...activity, space: { ...space, ...next } }, key);
  return (
    <>
      <h3 className="mt-3 text-base">Space to plan for</h3>
      <NumberField
        name="Length"
        unit="m"
        value={space.length}
        least={0.5}
        most={60}
        step={0.1}
        change={(length) => put({ length }, "length")}
      />
      <NumberField
        name="Width"
        unit="m"
        value={space.width}
        least={0.5}
        most={60}
        step={0.1}
        change={(width) => put({ width }, "width")}
      />
      <label className="row-line flex items-center justify-between py-2 text-[0.92rem]">
        Floor
        <select
          value={space.floor}
          onChange={(event) => put({ floor: event.target.value as Activity["space"]["floor"] })}
        >
          {FLOORS.map((floor) => (
            <option key={floor} value={floor}>
              {label(`floor.${floor}`)}
            </option>
          ))}
        </select>
      </label>
      <Toggle name="Indoors" value={space.indoors} change={(indoors) => put({ indoors })} />
    </>
  );
}
