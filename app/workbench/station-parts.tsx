import { Plus, Trash2 } from "lucide-react";
import { nanoid } from "nanoid";
import type { Knob } from "#core/contract/contract.ts";
import type { Activity, Problem } from "#core/formats/activity.ts";
import { withoutLost } from "#core/formats/change.ts";
import { withParams } from "#core/formats/opened.ts";
import { Knobs } from "./knobs.tsx";

export function Offers({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <details className="row-line py-1.5">
      <summary className="text-sm font-semibold text-teal">{title}</summary>
      <div className="grid gap-1 py-1.5">{children}</div>
    </details>
  );
}

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
    <section className="mb-4">
      <h3 className="text-base">{title}</h3>
      <ol className="grid gap-1 py-1">
        {list.map((criterion, i) => (
          <li key={criterion.id} className="flex items-center gap-1">
            <span className="w-5 text-right text-sm text-quiet">{i + 1}</span>
            <input
              aria-label={`${title} ${i + 1}`}
              className="min-w-0 grow text-sm"
              maxLength={160}
              value={criterion.text}
              onChange={(event) =>
                set(
                  list.map((eachCriterion) =>
                    eachCriterion.id === criterion.id ? { ...eachCriterion, text: event.target.value } : eachCriterion,
                  ),
                  `entry ${criterion.id}`,
                )
              }
            />
            <button
              type="button"
              className="grid size-8 place-items-center"
              aria-label={`Remove ${criterion.text}`}
              onClick={() => set(list.filter((eachCriterion) => eachCriterion.id !== criterion.id))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ol>
      {list.length < most && (
        <>
          <button type="button" className="btn btn-quiet btn-small" onClick={() => add("New")}>
            <Plus size={15} aria-hidden="true" /> Add your own
          </button>
          {free.length > 0 && (
            <Offers title="Suggestions">
              {free.map((option) => (
                <button
                  key={option}
                  type="button"
                  className="btn btn-quiet btn-small h-auto justify-start text-left"
                  onClick={() => add(option)}
                >
                  {option}
                </button>
              ))}
            </Offers>
          )}
        </>
      )}
    </section>
  );
}

/** The fields for settings of the parameters, or of the match around them. */
export function Fields({
  list,
  activity,
  problems,
  change,
}: {
  list: readonly Knob[];
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
}) {
  return (
    <>
      <Knobs
        list={list.filter((knob) => knob.of !== "match")}
        params={activity.pattern.params}
        problems={problems}
        change={(params, key) => change(withoutLost(withParams(activity, params)), key)}
      />
      <Knobs
        list={list.filter((knob) => knob.of === "match")}
        params={activity.match}
        problems={problems}
        change={(match, key) => change(withoutLost({ ...activity, match: match as Activity["match"] }), key)}
      />
    </>
  );
}
