import { memo, useMemo, useRef } from "react";
import type { Spread } from "#core/actions/spread.ts";
import type { Activity } from "#core/formats/activity.ts";
import { strokesOf, writtenOn } from "#core/yard/draw.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";
import { targetName } from "#words/say.ts";
import { drawnSize, Strokes } from "../ui/strokes.tsx";
import type { Snap } from "./edit.ts";
import { Backdrop, BEHIND_LAST, ClearSpace, Defs, SightLines } from "./plan-backdrop.tsx";
import { DETAIL_KEY, detailLines, labelsOf } from "./plan-labels.ts";
import { TargetMark, WidthGrip } from "./plan-target.tsx";
import { LEAST, type PlanScale } from "./scale.ts";

/** How wide the invisible grip on a line is, in pixels. */
const LINE_GRIP = 16;

interface Props {
  space: Activity["space"];
  parts: readonly Part[];
  scale: PlanScale;
  chosen: string | null;
  choose: (id: string) => void;
  focusOn: (id: string) => void;
  /** How the attempts of the child shown scatter. Null if nothing is sent. */
  spread: Spread | null;
  /** Puts a target somewhere else: metres from the throwing spot and to the right of the middle. */
  place: (id: string, metres: number, across: number, gesture: string) => void;
  /** The ids of targets that clash with something. */
  wrong: readonly string[];
  /** The other targets that move together with the selected one, and how to add or remove one. */
  group: readonly string[];
  toggle: (id: string) => void;
  /** Gives a target another width, metres. */
  widen: (id: string, width: number, gesture: string) => void;
  /** What a drag snaps to, and the step of the child shown, metres. */
  snap: Snap;
  step: number;
  /** How far a swing reaches around the player, and how far away others must stay, metres. Null if not shown. */
  clear: { swing: number; away: number } | null;
  behind: Activity["behind"];
}

/**
 * The yard from above, to scale: the start line on the left, targets on the right, where the attempts of the child
 * shown land, and the run-out.
 */
export const Plan = memo(function Plan({
  space,
  parts,
  scale: planScale,
  chosen,
  choose,
  focusOn,
  spread,
  place,
  wrong,
  group,
  toggle,
  widen,
  snap,
  step,
  clear,
  behind,
}: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const top = planScale.y(-space.width / 2);
  const bottom = planScale.y(space.width / 2);
  const runOn = partsOf(parts, "runOn")[0];
  const targets = partsOf(parts, "target");
  const held = targets.find((target) => target.id === chosen);
  const zones = partsOf(parts, "zone");
  const lines = partsOf(parts, "line").filter((line) => line.role === "start");
  const from = lines.find((line) => line.id === chosen) ?? lines[0];
  const fromId = from?.id;
  // Targets have handles and labels of their own.
  const strokes = useMemo(() => {
    const at = partsOf(parts, "line").filter((eachLine) => eachLine.role === "start");
    const line = at.findIndex((eachLine) => eachLine.id === fromId);
    const written = (part: Part) => {
      if (part.kind !== "line" || part.role !== "start") return writtenOn(part);
      if (part.id !== fromId) return "";
      return planScale.reversed ? `line ${line + 1}` : "start";
    };
    return strokesOf(parts, written).filter(
      (stroke) => !(stroke.kind === "item" && stroke.aimed) && !(stroke.kind === "text" && stroke.of === "target"),
    );
  }, [parts, fromId, planScale.reversed]);
  const aim =
    targets.find((target) => target.id === chosen || target.group === chosen) ??
    (planScale.reversed ? targets[0] : null);
  const zone = zones.find((eachZone) => `b${eachZone.id.slice(1)}` === chosen) ?? null;
  const aimed = aim
    ? { along: aim.along, across: aim.across }
    : zone
      ? { along: (zone.near + zone.far) / 2, across: 0 }
      : null;
  const distance = aimed && from ? aimed.along - from.along : 0;
  const farthest = Math.max(...targets.map((target) => target.along), ...zones.map((eachZone) => eachZone.far));
  const nameOf = (target: (typeof targets)[number], i: number) =>
    target.group ? target.label : planScale.reversed ? targetName(target) : `${i + 1} ${targetName(target)}`;
  const { placed } = labelsOf({
    targets,
    chosen,
    scale: planScale,
    reversed: planScale.reversed,
    nameOf,
    from: from ?? null,
    wall: behind && behind !== "open" ? planScale.x(farthest + BEHIND_LAST) : null,
  });
  const detailPlace = placed.get(DETAIL_KEY);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${planScale.width} ${planScale.height}`}
      className="own-layer block h-full w-full"
      role="group"
      aria-label="Plan of the yard, to scale"
    >
      <Defs />
      <g>
        <Backdrop space={space} runOn={runOn} behind={behind} scale={planScale} farthest={farthest} />
        {clear && from && (
          <ClearSpace clear={clear} from={from} targets={targets} scale={planScale} top={top} bottom={bottom} />
        )}
        <Strokes
          list={strokes}
          to={(givenPlace) => [planScale.x(givenPlace.along), planScale.y(givenPlace.across)]}
          k={planScale.k}
          text={14}
          lit={(id) => id === chosen || id === from?.id || id === zone?.id}
        />
        <Scatter aimed={aimed} spread={spread} distance={distance} planScale={planScale} />
        {from && (
          <SightLines
            from={from}
            targets={targets}
            chosen={chosen}
            to={planScale.reversed || zone ? aimed : null}
            scale={planScale}
          />
        )}
        {planScale.reversed &&
          lines.map((line) => (
            <path
              key={line.id}
              d={`M${planScale.x(line.along)} ${planScale.y(-line.width / 2)}V${planScale.y(line.width / 2)}`}
              stroke="transparent"
              strokeWidth={LINE_GRIP}
              onClick={() => choose(line.id)}
              className="cursor-pointer"
            />
          ))}
        {from && (
          <g transform={`translate(${planScale.x(from.along) - 24} ${planScale.y(0)})`}>
            <ellipse rx="8" ry="18" fill="none" stroke="var(--color-chalk)" strokeWidth="2.5" />
            <circle r="7.5" fill="var(--color-chalk)" />
          </g>
        )}
        {targets.map((target, i) => (
          <TargetMark
            key={target.id}
            id={target.id}
            item={target.item}
            sign={target.sign}
            name={nameOf(target, i)}
            label={placed.get(target.id)}
            detail={
              target.id === chosen && detailPlace
                ? { place: detailPlace, lines: detailLines(target, planScale.reversed) }
                : null
            }
            x={planScale.x(target.along)}
            y={planScale.y(target.across)}
            size={drawnSize(target.width, { k: planScale.k, least: LEAST })}
            foot={planScale.height}
            chosen={target.id === chosen}
            grouped={group.includes(target.id)}
            choose={choose}
            focusOn={focusOn}
            toggle={toggle}
            wide={target.width}
            snap={snap}
            step={step}
            place={place}
            scale={planScale}
            svg={svg}
            distance={target.along}
            across={target.across}
            wrong={wrong.includes(target.id)}
          />
        ))}
        {held && <WidthGrip key={held.id} target={held} widen={widen} scale={planScale} svg={svg} />}
      </g>
    </svg>
  );
});

/** Shades where the attempts of the child shown usually end (two standard deviations). */
const Scatter = ({
  aimed,
  spread,
  distance,
  planScale,
}: Pick<Props, "spread"> & {
  aimed: { along: number; across: number } | null;
  distance: number;
  planScale: Props["scale"];
}) =>
  aimed &&
  spread &&
  distance > 0 && (
    <ellipse
      cx={planScale.x(aimed.along)}
      cy={planScale.y(aimed.across)}
      rx={2 * spread.range * distance * planScale.k}
      ry={2 * spread.lateral * distance * planScale.k}
      fill="url(#scatter)"
    />
  );
