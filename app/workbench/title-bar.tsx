import { Archive, Copy, Download, EllipsisVertical, ImageDown, Play, Redo2, Undo2 } from "lucide-react";
import { useMemo } from "react";
import type { useSearchParams } from "react-router";
import { label } from "#words/teacher.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { Menu } from "../ui/menu.tsx";
import { Tip } from "../ui/tip.tsx";
import { changeName } from "./change-name.ts";
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
  setSearch,
  send,
}: {
  draft: Draft;
  id: string;
  classes: readonly Group[];
  group: Group | undefined;
  setSearch: ReturnType<typeof useSearchParams>[1];
  send: () => void;
}) {
  const { settled: activity, change, undo, redo, ledger } = draft;
  const undone = useMemo(() => {
    const before = ledger.before();
    return before && changeName(before, activity);
  }, [ledger, activity]);
  const redone = useMemo(() => {
    const after = ledger.after();
    return after && changeName(activity, after);
  }, [ledger, activity]);
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
        <SaveNote draft={draft} />
        <Tip words={undone ? `Undo: ${undone}` : "Nothing to undo"} keys="u">
          <Button look="quiet" size="icon" onClick={undo} disabled={!draft.canUndo} aria-label="Undo">
            <Undo2 size={17} aria-hidden="true" />
          </Button>
        </Tip>
        <Tip words={redone ? `Redo: ${redone}` : "Nothing to redo"} keys="Shift u">
          <Button look="quiet" size="icon" onClick={redo} disabled={!draft.canRedo} aria-label="Redo">
            <Redo2 size={17} aria-hidden="true" />
          </Button>
        </Tip>
        <Menu
          label="More for this activity"
          size="icon"
          entries={[
            { label: "Copy activity", icon: <Copy size={16} />, fields: { intent: "copy" } },
            { label: "Export activity", icon: <Download size={16} />, file: `/activities/${id}/file` },
            { label: "Download plan (SVG)", icon: <ImageDown size={16} />, file: `/activities/${id}/plan.svg` },
            { label: "Archive", icon: <Archive size={16} />, apart: true, fields: { intent: "away" } },
          ]}
        >
          <EllipsisVertical size={17} aria-hidden="true" />
        </Menu>
        <ButtonLink size="small" to={`/activities/${id}/try`}>
          <Play size={16} aria-hidden="true" /> Try it
        </ButtonLink>
        <Button look="main" onClick={send}>
          Send
        </Button>
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
    <Select
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
    </Select>
  </label>
);
