import { Plus, Trash2 } from "lucide-react";
import { nanoid } from "nanoid";
import type { Knob } from "#core/contract/contract.ts";
import type { Activity, Problem } from "#core/formats/activity.ts";
import { withoutLost } from "#core/formats/change.ts";
import { withParams } from "#core/formats/opened.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { Fold, Group } from "../ui/group.tsx";
import { Sortable } from "../ui/sortable.tsx";
import { Knobs } from "./knobs.tsx";
import { isChanged, usualOf, usualValue } from "./usual.ts";

/** Ready-made words to take with a press. */
export const Offers = ({
  title,
  offers,
  take,
}: {
  title: string;
  offers: readonly string[];
  take: (words: string) => void;
}) => (
  <details className="row-line py-1.5">
    <summary className="text-sm font-semibold text-teal">{title}</summary>
    <div className="grid gap-1 py-1.5">
      {offers.map((offer) => (
        <Button
          key={offer}
          look="quiet"
          size="small"
          className="h-auto justify-start text-left"
          onClick={() => take(offer)}
        >
          {offer}
        </Button>
      ))}
    </div>
  </details>
);

type Entries = Activity["cues"];

export function EntryList({
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
  const free = offers.filter((offer) => !list.some((criterion) => criterion.text === offer));
  const add = (text: string) => set([...list, { id: nanoid(8), text }]);
  return (
    <Group title={title}>
      <Sortable
        list={list}
        nameOf={({ text }) => text}
        move={(moved) => set(moved)}
        row={({ id, text }, i) => (
          <>
            <span className="w-4 text-right text-sm text-quiet">{i + 1}</span>
            <input
              aria-label={`${title} ${i + 1}`}
              className="min-w-0 grow text-sm"
              maxLength={160}
              value={text}
              onChange={(event) =>
                set(
                  list.map((each) => (each.id === id ? { ...each, text: event.target.value } : each)),
                  `entry ${id}`,
                )
              }
            />
            <Button
              look="bare"
              size="icon"
              aria-label={`Remove ${text}`}
              onClick={() => set(list.filter((each) => each.id !== id))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </Button>
          </>
        )}
      />
      {list.length < most && (
        <>
          <Button look="quiet" size="small" onClick={() => add("New")}>
            <Plus size={15} aria-hidden="true" /> Add your own
          </Button>
          {free.length > 0 && <Offers title="Suggestions" offers={free} take={add} />}
        </>
      )}
    </Group>
  );
}

/** The fields for settings of the parameters, or of the match around them. */
export function Fields({ list, activity, problems, change }: FieldsProps) {
  const usual = usualOf(activity.pattern.name);
  const usualFor = (knob: Knob) => usualValue(knob, usual);
  return (
    <>
      <Knobs
        list={list.filter((knob) => knob.of !== "match")}
        params={activity.pattern.params}
        problems={problems}
        usual={usualFor}
        change={(params, key) => change(withoutLost(withParams(activity, params)), key)}
      />
      <Knobs
        list={list.filter((knob) => knob.of === "match")}
        params={activity.match}
        problems={problems}
        usual={usualFor}
        change={(match, key) => change(withoutLost({ ...activity, match: match as Activity["match"] }), key)}
      />
    </>
  );
}

interface FieldsProps {
  list: readonly Knob[];
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
}

/** The note of a folded group: how many of what is in it are so. Null for none. */
export const countedText = (count: number, so: "added" | "changed" | "written"): string | null =>
  count === 0 ? null : `${count} ${so}`;

/** How many of these settings are not as the game comes, in words. */
export function changedText(list: readonly Knob[], activity: Activity): string | null {
  return countedText(list.filter((knob) => isChanged(knob, activity)).length, "changed");
}

/** The place of a setting in a list of rounds, stages or tasks. Null: it belongs to the whole game. */
const partOf = (knob: Knob): { list: string; n: number } | null => {
  const at = knob.path.findIndex((key) => typeof key === "number");
  return at < 1 ? null : { list: String(knob.path[at - 1]), n: Number(knob.path[at]) + 1 };
};

/** The settings of a station in groups: under `title` those of the game, then each round, the length, and the rest folded. */
export function GroupedFields({ title, list, ...props }: FieldsProps & { title: string }) {
  const main = list.filter((knob) => !knob.group && !partOf(knob));
  const parts = list.filter((knob) => !knob.group && partOf(knob));
  const numbers = [...new Set(parts.map((knob) => partOf(knob)!.n))];
  const length = list.filter((knob) => knob.group === "length");
  const fine = list.filter((knob) => knob.group === "fine");
  return (
    <>
      {main.length > 0 && (
        <Group title={title}>
          <Fields list={main} {...props} />
        </Group>
      )}
      {numbers.map((n) => {
        const own = parts.filter((knob) => partOf(knob)!.n === n);
        return (
          <Fold
            key={n}
            title={tell(`group.${partOf(own[0]!)!.list}`, { n })}
            note={changedText(own, props.activity)}
            open={n === 1}
          >
            <Fields list={own} {...props} />
          </Fold>
        );
      })}
      {length.length > 0 && (
        <Group title="Length">
          <Fields list={length} {...props} />
        </Group>
      )}
      {fine.length > 0 && (
        <Fold title="Seldom changed" note={changedText(fine, props.activity)}>
          <Fields list={fine} {...props} />
        </Fold>
      )}
    </>
  );
}
