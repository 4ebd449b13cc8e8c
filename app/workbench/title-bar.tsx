import { Copy, Download, Play, Redo2, Undo2 } from "lucide-react";
import { Form, Link, type useSearchParams } from "react-router";
import { label } from "#words/teacher.ts";
import type { Draft } from "./draft.ts";
import { SaveNote } from "./saving.tsx";

interface Group {
  id: string;
  name: string;
  children: readonly unknown[];
}
/**
 * The title of the activity, the class it is shown for, whether it is saved, and the actions for the whole activity.
 */
export function TitleBar({
  draft,
  id,
  classes,
  group,
  zone,
  setSearch,
  send,
}: {
  draft: Draft;
  id: string;
  classes: readonly Group[];
  group: Group | undefined;
  zone: string;
  setSearch: ReturnType<typeof useSearchParams>[1];
  send: () => void;
}) {
  const { settled: activity, change, undo, redo } = draft;
  return (
    // One row on a wide screen, two on a narrow one, whatever the length of the title and of the note about saving,
    // so that nothing under the pointer moves.
    <div className="flex items-center gap-x-3 gap-y-2 px-6 pt-2 pb-1.5 max-[1240px]:flex-wrap">
      <h1 className="sr-only">{activity.title}</h1>
      <input
        aria-label="Title"
        title={activity.title}
        className="min-w-40 shrink text-ellipsis border-transparent bg-transparent px-1 font-head text-[1.65rem] leading-tight font-bold hover:border-hair max-[1240px]:max-w-full"
        style={{ width: `${Math.min(28, Math.max(8, activity.title.length * 0.62))}em`, fontSize: "1.65rem" }}
        value={activity.title}
        maxLength={60}
        onChange={(event) => change({ ...activity, title: event.target.value }, "title")}
      />
      <span className="tag shrink-0">{label(`pattern.${activity.pattern.name}`)}</span>
      <span className="tag shrink-0">
        ages {activity.ages.from}–{activity.ages.to}
      </span>
      <ClassField group={group} setSearch={setSearch} classes={classes} />
      <div className="ml-auto flex shrink-0 items-center justify-end gap-2 max-[1240px]:w-full max-[1240px]:flex-wrap">
        <SaveNote draft={draft} zone={zone} />
        <button
          type="button"
          className="btn btn-quiet btn-small px-2"
          onClick={undo}
          disabled={!draft.canUndo}
          aria-label="Undo"
          title="Undo (u)"
        >
          <Undo2 size={17} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-quiet btn-small px-2"
          onClick={redo}
          disabled={!draft.canRedo}
          aria-label="Redo"
          title="Redo (Shift u)"
        >
          <Redo2 size={17} aria-hidden="true" />
        </button>
        <Form method="post">
          <button
            type="submit"
            name="intent"
            value="copy"
            className="btn btn-quiet btn-small px-2"
            aria-label="Copy activity"
            title="Copy activity"
          >
            <Copy size={17} aria-hidden="true" />
          </button>
        </Form>
        <a
          className="btn btn-quiet btn-small px-2"
          href={`/activities/${id}/file`}
          aria-label="Export activity"
          title="Export activity"
          download
        >
          <Download size={17} aria-hidden="true" />
        </a>
        <Link className="btn btn-small no-underline" to={`/activities/${id}/try`}>
          <Play size={16} aria-hidden="true" /> Try it
        </Link>
        <button type="button" className="btn btn-main" onClick={send}>
          Send
        </button>
      </div>
    </div>
  );
}

/** Chooses the class that the activity is designed for. */
const ClassField = ({
  group,
  setSearch,
  classes,
}: {
  group: Group | undefined;
  setSearch: ReturnType<typeof useSearchParams>[1];
  classes: readonly Group[];
}) => (
  <label className="flex min-w-36 items-center gap-2 text-sm">
    <span className="shrink-0 text-quiet">shown for</span>
    <select
      className="max-w-60 min-w-0 py-0.5 text-sm font-semibold"
      value={group?.id}
      onChange={(event) =>
        setSearch(
          (old) => {
            old.set("class", event.target.value);
            return old;
          },
          { replace: true, preventScrollReset: true },
        )
      }
    >
      {classes.map((eachGroup) => (
        <option key={eachGroup.id} value={eachGroup.id}>
          {eachGroup.name}, {eachGroup.children.length} children
        </option>
      ))}
    </select>
  </label>
);
