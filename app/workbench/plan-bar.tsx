import type { Activity } from "#core/formats/activity.ts";
import type { Peg } from "#core/patterns/contract.ts";
import { arrange, type Together } from "./edit.ts";
import type { Yard } from "./use-yard.ts";

const TOGETHER: readonly { how: Together; name: string }[] = [
  { how: "ahead", name: "Straight ahead" },
  { how: "sameDistance", name: "Same distance" },
  { how: "sameSide", name: "In one line" },
  { how: "evenDistances", name: "Spread evenly" },
  { how: "evenSides", name: "Spread sideways" },
  { how: "turnLeft", name: "Turn left" },
  { how: "turnRight", name: "Turn right" },
  { how: "mirror", name: "Mirror" },
];

/** Under the plan: choosing all, what to do with those chosen, what a drag snaps to, and whether keep-clear is shown. */
export function PlanBar({
  yard,
  activity: a,
  pegs,
  who,
  change,
}: {
  yard: Yard;
  activity: Activity;
  pegs: readonly Peg[];
  who: string;
  change: (next: Activity, key?: string) => void;
}) {
  const targets = pegs.filter((p) => p.kind === "target").map((p) => p.id);
  const chosen = yard.group.length > 1 ? yard.group : targets;
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 gap-y-1 pt-2 text-[0.82rem]">
      {targets.length > 1 && (
        <>
          <button
            type="button"
            aria-pressed={yard.group.length === targets.length}
            className="btn btn-quiet btn-small"
            onClick={() => yard.chooseAll(yard.group.length === targets.length ? targets.slice(0, 1) : targets)}
          >
            {yard.group.length > 1 ? `${yard.group.length} chosen` : "Choose all"}
          </button>
          {TOGETHER.map(({ how, name }) => (
            <button
              key={how}
              type="button"
              className="btn btn-quiet btn-small"
              title={yard.group.length > 1 ? "The chosen targets" : "All targets"}
              onClick={() => change(arrange(a, chosen, how))}
            >
              {name}
            </button>
          ))}
        </>
      )}
      <label className="ml-auto flex items-center gap-1.5">
        Snap to
        <select
          className="py-0.5 text-[0.82rem]"
          value={yard.snap}
          onChange={(e) => yard.setSnap(e.target.value === "steps" ? "steps" : "tens")}
        >
          <option value="tens">10 cm</option>
          <option value="steps">half steps of {who.split(",")[0]}</option>
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" checked={yard.clearShown} onChange={(e) => yard.showClear(e.target.checked)} />
        Keep clear
      </label>
    </div>
  );
}
