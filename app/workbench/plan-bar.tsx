import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignHorizontalDistributeCenter,
  AlignVerticalDistributeCenter,
  ArrowRightFromLine,
  ChevronDown,
  FlipVertical2,
  type LucideIcon,
  Maximize,
  RotateCcw,
  RotateCw,
  ZoomIn,
  ZoomOut,
} from "lucide-react";
import { Toolbar } from "radix-ui";
import { memo } from "react";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { Menu } from "../ui/menu.tsx";
import { Tip } from "../ui/tip.tsx";
import { arrange, type Together } from "./edit.ts";
import { MAX_ZOOM } from "./scale.ts";
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

/** A button of the bar that shows an icon, with a tip that names its key. */
const Tool = ({
  name,
  tip,
  keys,
  Icon,
  disabled = false,
  press,
}: {
  name: string;
  tip: string;
  keys: string;
  Icon: LucideIcon;
  disabled?: boolean;
  press: () => void;
}) => (
  <Tip words={tip} keys={keys}>
    <Toolbar.Button asChild>
      <Button look="quiet" size="small" className="px-1.5" aria-label={name} disabled={disabled} onClick={press}>
        <Icon size={17} aria-hidden="true" />
      </Button>
    </Toolbar.Button>
  </Tip>
);

/**
 * The bar over the plan: from above or from the side, select all, what can be done with the selected targets, the
 * zoom, what a drag snaps to, and whether the area to keep clear is shown.
 */
export const PlanBar = memo(function PlanBar({
  yard,
  activity,
  who,
  change,
  side,
  setSide,
  zoom,
  least,
  zoomBy,
  refit,
}: {
  yard: Yard;
  activity: Activity;
  who: string;
  change: (next: Activity, key?: string) => void;
  /** Whether the plan is seen from the side. Null: nothing flies, so there is nothing to see from there. */
  side: boolean | null;
  setSide: (on: boolean) => void;
  zoom: number;
  /** The smallest step of the zoom. */
  least: number;
  zoomBy: (steps: 1 | -1) => void;
  refit: () => void;
}) {
  const targets = opened(activity)
    .pegs.filter((peg) => peg.kind === "target")
    .map((peg) => peg.id);
  const several = yard.group.length > 1;
  const chosen = several ? yard.group : targets;
  const all = yard.group.length === targets.length;
  return (
    <Toolbar.Root aria-label="Plan" className="flex flex-wrap items-center gap-x-1 gap-y-1 pb-1.5 text-[0.82rem]">
      {side !== null && (
        <Toolbar.ToggleGroup
          type="single"
          aria-label="Seen from"
          value={side ? "side" : "above"}
          onValueChange={(value) => value && setSide(value === "side")}
          className="mr-1 flex overflow-hidden rounded-sm border-2 border-ink"
        >
          {(["above", "side"] as const).map((value) => (
            <Toolbar.ToggleItem
              key={value}
              value={value}
              className="min-h-7 px-2 font-semibold focus-visible:outline-offset-[-3px] data-[state=on]:bg-ink data-[state=on]:text-page"
            >
              {value === "above" ? "Above" : "Side"}
            </Toolbar.ToggleItem>
          ))}
        </Toolbar.ToggleGroup>
      )}
      {targets.length > 1 && (
        <>
          <Toolbar.Button asChild>
            <Button
              look="quiet"
              size="small"
              aria-pressed={several}
              className="min-w-22 px-2"
              onClick={() => yard.chooseAll(all ? targets.slice(0, 1) : targets)}
            >
              {several ? `${yard.group.length} selected` : "Select all"}
            </Button>
          </Toolbar.Button>
          <Menu
            inToolbar
            label={several ? "Arrange the selected targets" : "Arrange all targets"}
            entries={TOGETHER.map(({ how, name, Icon }) => ({
              label: name,
              icon: <Icon size={16} />,
              apart: how === "turnLeft",
              onSelect: () => change(arrange(activity, chosen, how)),
            }))}
          >
            Arrange <ChevronDown size={15} aria-hidden="true" />
          </Menu>
        </>
      )}
      <span role="group" aria-label="Size of the plan" className="ml-1 flex gap-1">
        <Tool
          name="Smaller plan"
          tip={zoom === 0 && least < 0 ? "The whole court" : "Smaller"}
          keys="-"
          Icon={ZoomOut}
          disabled={zoom <= least}
          press={() => zoomBy(-1)}
        />
        <Tool name="Fit the plan" tip="Fit the game" keys="0" Icon={Maximize} press={refit} />
        <Tool
          name="Larger plan"
          tip="Larger"
          keys="+"
          Icon={ZoomIn}
          disabled={zoom >= MAX_ZOOM}
          press={() => zoomBy(1)}
        />
      </span>
      <label className="ml-auto flex flex-wrap items-center gap-1.5">
        Snap to
        <Select
          className="w-28 py-0.5 text-[0.82rem]"
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
