import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignHorizontalDistributeCenter,
  AlignVerticalDistributeCenter,
  ArrowRightFromLine,
  FlipVertical2,
  type LucideIcon,
  RotateCcw,
  RotateCw,
} from "lucide-react";
import { Toolbar } from "radix-ui";
import { memo } from "react";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { Tip } from "../ui/tip.tsx";
import { arrange, type Together } from "./edit.ts";
import type { Yard } from "./use-yard.ts";

const TOGETHER: readonly { how: Together; name: string; Icon: LucideIcon }[] = [
  { how: "ahead", name: "Straight ahead", Icon: ArrowRightFromLine },
  { how: "sameSide", name: "In a line", Icon: AlignCenterHorizontal },
  { how: "sameDistance", name: "Same distance", Icon: AlignCenterVertical },
  { how: "evenDistances", name: "Spread evenly", Icon: AlignHorizontalDistributeCenter },
  { how: "evenSides", name: "Spread sideways", Icon: AlignVerticalDistributeCenter },
  { how: "turnLeft", name: "Turn left", Icon: RotateCcw },
  { how: "turnRight", name: "Turn right", Icon: RotateCw },
  { how: "mirror", name: "Mirror", Icon: FlipVertical2 },
];

/**
 * The bar over the plan: select all, actions for the selected targets, what a drag snaps to, and whether the area to
 * keep clear is shown.
 */
export const PlanBar = memo(function PlanBar({
  yard,
  activity,
  who,
  change,
}: {
  yard: Yard;
  activity: Activity;
  who: string;
  change: (next: Activity, key?: string) => void;
}) {
  const targets = opened(activity)
    .pegs.filter((peg) => peg.kind === "target")
    .map((peg) => peg.id);
  const several = yard.group.length > 1;
  const chosen = several ? yard.group : targets;
  const all = yard.group.length === targets.length;
  return (
    <Toolbar.Root aria-label="Plan" className="flex flex-wrap items-center gap-x-1 gap-y-1 pb-1.5 text-[0.82rem]">
      {targets.length > 1 && (
        <>
          <Toolbar.Button asChild>
            <Button
              look="quiet"
              size="small"
              aria-pressed={several}
              className="mr-1 min-w-22 px-2"
              onClick={() => yard.chooseAll(all ? targets.slice(0, 1) : targets)}
            >
              {several ? `${yard.group.length} selected` : "Select all"}
            </Button>
          </Toolbar.Button>
          {TOGETHER.map(({ how, name, Icon }) => (
            <Tip key={how} words={`${name}: ${several ? "the selected targets" : "all targets"}`}>
              <Toolbar.Button asChild>
                <Button
                  look="quiet"
                  size="small"
                  className="px-1.5"
                  aria-label={name}
                  onClick={() => change(arrange(activity, chosen, how))}
                >
                  <Icon size={17} aria-hidden="true" />
                </Button>
              </Toolbar.Button>
            </Tip>
          ))}
        </>
      )}
      <label className="ml-auto flex flex-wrap items-center gap-1.5">
        Snap to
        <Select
          className="w-32 py-0.5 text-[0.82rem]"
          value={yard.snap}
          onChange={(event) => yard.setSnap(event.target.value === "steps" ? "steps" : "tens")}
        >
          <option value="tens">10 cm</option>
          <option value="steps">half steps, {who.split(" ")[0]}</option>
        </Select>
      </label>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" checked={yard.clearShown} onChange={(event) => yard.showClear(event.target.checked)} />
        Keep clear
      </label>
    </Toolbar.Root>
  );
});
