import { Trash2 } from "lucide-react";
import { memo } from "react";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { strokesOf } from "#core/yard/draw.ts";
import { type LayoutName, layoutNames } from "#core/yard/layouts/index.ts";
import { layoutNamed } from "#core/yard/layouts/known-layouts.ts";
import { exampleOf, type Laid, laidParts, MAX_SIZE, MIN_SIZE } from "#core/yard/layouts/laid.ts";
import { boundsOf, reachOfLayout } from "#core/yard/parts.ts";
import { label } from "#words/teacher.ts";
import { Button } from "../ui/button.tsx";
import { Fold } from "../ui/group.tsx";
import { Strokes } from "../ui/strokes.tsx";
import { LAYOUT } from "./edit.ts";
import { Choice, NumberField } from "./fields.tsx";

const SMALL = { width: 84, height: 52 };

/** A small picture of a layout's example. */
const Sketch = memo(function Sketch({ name }: { name: LayoutName }) {
  const parts = laidParts({ ...exampleOf(name), along: 0 });
  const { along, across } = boundsOf(parts);
  const k = Math.min(
    (SMALL.width - 16) / Math.max(0.6, along[1] - along[0]),
    (SMALL.height - 14) / Math.max(0.4, across[1] - across[0]),
  );
  const mid = [(along[0] + along[1]) / 2, (across[0] + across[1]) / 2] as const;
  return (
    <svg viewBox={`0 0 ${SMALL.width} ${SMALL.height}`} className="block w-full rounded-sm bg-court" aria-hidden="true">
      <Strokes
        list={strokesOf(parts).filter((stroke) => stroke.kind !== "text")}
        to={(place) => [SMALL.width / 2 + (place.along - mid[0]) * k, SMALL.height / 2 + (place.across - mid[1]) * k]}
        k={k}
      />
    </svg>
  );
});

/** An extra layout beside the game: chosen from pictures, with its own numbers, its place and its direction. */
export function LayoutPanel({
  activity,
  change,
  choose,
}: {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
  choose: (id: string | null) => void;
}) {
  const { layout } = activity;
  const lay = (next: Laid, key: string) => change({ ...activity, layout: next }, key);
  return (
    <Fold title="Layout beside the game" note={layout ? label(`layout.${layout.name}`) : null}>
      {!layout && (
        <>
          <p className="pt-2 text-sm">Set up a course, a grid, goals or bases beside the game.</p>
          <ul className="grid grid-cols-3 gap-1.5 py-2">
            {layoutNames.map((name) => (
              <li key={name}>
                <button
                  type="button"
                  className="w-full rounded-sm border-2 border-hair p-0.5 text-[0.78rem] leading-tight font-semibold hover:border-ink"
                  onClick={() => {
                    change(withLayout(activity, name));
                    choose(LAYOUT);
                  }}
                >
                  <Sketch name={name} />
                  {label(`layout.${name}`)}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {layout && (
        <LaidKnobs key={layout.name} laid={layout} lay={lay} gone={() => change({ ...activity, layout: null })} />
      )}
    </Fold>
  );
}

/** A wall is placed this far behind the last target, metres. */
const BEHIND_ALL = 0.2;
/**
 * Adds the example of a layout to an activity. The planned space grows if the layout does not fit. A layout that
 * depends on a wall is placed behind all targets, where the wall may be.
 */
export function withLayout(activity: Activity, name: LayoutName): Activity {
  const plain = exampleOf(name);
  const hung = laidParts(plain).find((laidPart) => laidPart.kind === "obstacle" && laidPart.base !== undefined);
  const last = reachOfLayout(opened(activity).parts) + BEHIND_ALL;
  const by = hung?.kind === "obstacle" ? Math.max(0, last - hung.along) : 0;
  const layout = { ...plain, along: Math.round((plain.along + by) * 100) / 100 };
  const { along, across } = boundsOf(laidParts(layout));
  const up = (metres: number) => Math.ceil(metres * 10 - 1e-6) / 10;
  const length = Math.max(activity.space.length, up(along[1]));
  const width = Math.max(activity.space.width, up(2 * Math.max(-across[0], across[1])));
  return { ...activity, layout, space: { ...activity.space, length, width } };
}

function LaidKnobs({ laid, lay, gone }: { laid: Laid; lay: (next: Laid, key: string) => void; gone: () => void }) {
  const { fields } = layoutNamed(laid.name);
  const values = laid.values as Record<string, number | string>;
  const set = (name: string, v: number | string) =>
    lay({ ...laid, values: { ...values, [name]: v } as never, moved: {} } as Laid, `layout ${name}`);
  const cm = (metres: number) => Math.round(metres * 100) / 100;
  return (
    <>
      <div className="flex items-center justify-between">
        <p className="font-semibold">{label(`layout.${laid.name}`)}</p>
        <Button look="quiet" size="small" onClick={gone}>
          <Trash2 size={15} aria-hidden="true" /> Remove
        </Button>
      </div>
      {Object.entries(fields).map(([name, value]) =>
        value.kind === "choice" ? (
          <Choice
            key={name}
            name={label(`layout.field.${name}`)}
            options={value.options.map((option) => ({ value: option, label: label(`layout.option.${option}`) }))}
            value={String(values[name])}
            change={(givenValue) => set(name, givenValue)}
          />
        ) : (
          <NumberField
            key={name}
            name={label(`layout.field.${name}`)}
            unit={value.unit === "m" ? "m" : value.unit === "deg" ? "°" : undefined}
            value={Number(values[name])}
            least={value.least}
            most={value.most}
            step={value.step}
            change={(givenValue) => set(name, value.whole ? Math.round(givenValue) : givenValue)}
          />
        ),
      )}
      <NumberField
        name="Begins at"
        unit="m"
        value={cm(laid.along)}
        least={-1}
        most={30}
        step={0.1}
        change={(along) => lay({ ...laid, along }, "layout along")}
      />
      <NumberField
        name="To the right"
        hint="Use a minus sign for the left."
        unit="m"
        value={cm(laid.across)}
        least={-10}
        most={10}
        step={0.1}
        change={(across) => lay({ ...laid, across }, "layout across")}
      />
      <NumberField
        name="Turned"
        unit="°"
        value={Math.round((laid.turn * 180) / Math.PI)}
        least={-180}
        most={180}
        step={15}
        change={(deg) => lay({ ...laid, turn: (deg * Math.PI) / 180 }, "layout turn")}
      />
      <NumberField
        name="Size"
        unit="%"
        value={Math.round(laid.size * 100)}
        least={MIN_SIZE * 100}
        most={MAX_SIZE * 100}
        step={5}
        change={(chance) => lay({ ...laid, size: chance / 100 }, "layout size")}
      />
      {Object.keys(laid.moved).length > 0 && (
        <Button look="quiet" size="small" className="mt-1" onClick={() => lay({ ...laid, moved: {} }, "layout back")}>
          Put them back in their places
        </Button>
      )}
    </>
  );
}
