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
import { Button } from "../ui/button.tsx";
import { Fold, Group } from "../ui/group.tsx";
import { problemText } from "../ui/problem-text.ts";
import { Compared } from "./compared.tsx";
import { arrangeAs } from "./edit.ts";
import { Choice, ListField, NumberField, Toggle } from "./fields.tsx";
import { LayoutPanel } from "./layout-panel.tsx";
import { countedText, Fields, GroupedFields } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";
import { usualOf } from "./usual.ts";

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
    <Fold title="Set out by the child" note={setOut ? "on" : null}>
      <Toggle
        name="The child sets out the targets"
        hint="Within an area of this size. Only goes set out alike are compared."
        usual={false}
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
    </Fold>
  );
}

/** Layouts in whose places the game's own targets can be put. */
const ARRANGED = ["row", "scattered", "around", "pins"] as const;

export function YardPanel({ activity, problems, change, chosen, choose, middle }: PanelProps) {
  const { id } = useParams();
  const game = opened(activity);
  const { pegs } = game;
  const knobs = game.knobs();
  const lines = pegs[0]?.kind === "line";
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
      <Group title={lines ? "Lines" : "Targets"}>
        {!peg && <p className="py-2 text-sm text-quiet">Choose a marker on the tape, or an item on the plan.</p>}
        {peg && <PegFields {...edits} peg={peg} choose={choose} />}
        <div className="flex flex-wrap items-center gap-2 py-2">
          <Button look="quiet" size="small" disabled={!longer} onClick={() => longer && change(longer)}>
            <Plus size={15} aria-hidden="true" /> {lines ? "Add line" : "Add target"}
          </Button>
          {id && game.parts.some((part) => part.kind === "target" && part.sign !== undefined) && (
            <Link to={`/activities/${id}/cards`} className="text-sm underline">
              Print the cards to cut out
            </Link>
          )}
        </div>
        <Arrange {...edits} />
        {advice.map((phrase) => (
          <p key={phrase.key} className="py-1 text-sm text-quiet">
            {tell(phrase.key, phrase.params)}
          </p>
        ))}
      </Group>
      <GroupedFields
        title="This game"
        list={knobs.filter((knob) => knob.station === "yard")}
        activity={activity}
        problems={problems}
        change={change}
      />
      {knobs.map(
        (knob) =>
          knob.kind === "choice" &&
          knob.compared && <Compared key={knob.path.join(".")} activity={activity} knob={knob} who={middle} />,
      )}
      <SpaceFields {...edits} />
      <Behind {...edits} />
      {(canSetOut(activity) || activity.setOut) && (
        <SetOutFields activity={activity} problems={problems} change={change} />
      )}
      <LayoutPanel activity={activity} change={change} choose={choose} />
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
        <h4 className="text-lg">
          {peg.kind === "line"
            ? `Line ${at + 1}`
            : `${peg.many ? `${peg.many} ×` : at + 1} ${peg.label || itemName(peg.item ?? "")}`}
        </h4>
        <Button
          look="quiet"
          size="small"
          disabled={!less}
          onClick={() => {
            if (!less) return;
            choose(null);
            change(less);
          }}
        >
          <Trash2 size={15} aria-hidden="true" /> Remove
        </Button>
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
    <ListField
      name="Arrange the targets"
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
    </ListField>
  );
}

/** Sets the unit of distances on the card, what is behind the targets, and what the object must touch first. */
const Behind = ({ activity, problems, change }: Edits) => (
  <Fold
    title="Distances, walls and ramps"
    note={countedText(
      [
        (activity.counted ?? "steps") !== "steps",
        (activity.behind ?? "open") !== "open",
        activity.off !== undefined,
        activity.ramp !== undefined,
      ].filter(Boolean).length,
      "changed",
    )}
  >
    <Choice
      name="Distances on the card in"
      hint="A step is each child's own."
      usual="steps"
      options={COUNTED.map((text) => ({ value: text, label: label(`counted.${text}`) }))}
      value={activity.counted ?? "steps"}
      change={(counted) => change({ ...activity, counted })}
    />
    <Choice
      name="Behind the targets"
      usual="open"
      options={BEHIND.map((text) => ({ value: text, label: label(`behind.${text}`) }))}
      value={activity.behind ?? "open"}
      change={(behind) => change({ ...activity, behind })}
    />
    <Choice
      name="It must first touch"
      hint="Once. An object that hardly bounces will not come up again."
      usual="straight"
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
    <StartsHow activity={activity} change={change} />
  </Fold>
);

/** Sets whether the child rolls by hand or down a ramp. */
function StartsHow({ activity, change }: Pick<Edits, "activity" | "change">) {
  if (activity.aim.action !== "underarmRoll" && !activity.ramp) return null;
  return (
    <>
      <Choice
        name="How it starts"
        usual="hand"
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
  const usual = usualOf(activity.pattern.name).activity.space;
  const put = (next: Partial<Activity["space"]>, key?: string) =>
    change({ ...activity, space: { ...space, ...next } }, key);
  return (
    <Group title="Space to plan for">
      <NumberField
        name="Length"
        unit="m"
        value={space.length}
        usual={usual.length}
        least={0.5}
        most={60}
        step={0.1}
        change={(length) => put({ length }, "length")}
      />
      <NumberField
        name="Width"
        unit="m"
        value={space.width}
        usual={usual.width}
        least={0.5}
        most={60}
        step={0.1}
        change={(width) => put({ width }, "width")}
      />
      <ListField
        name="Floor"
        value={space.floor}
        onChange={(event) => put({ floor: event.target.value as Activity["space"]["floor"] })}
      >
        {FLOORS.map((floor) => (
          <option key={floor} value={floor}>
            {label(`floor.${floor}`)}
          </option>
        ))}
      </ListField>
      <Toggle name="Indoors" value={space.indoors} usual={usual.indoors} change={(indoors) => put({ indoors })} />
    </Group>
  );
}
