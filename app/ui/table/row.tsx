import { ChevronRight, EllipsisVertical } from "lucide-react";
import { memo, type ReactNode, useDeferredValue, useLayoutEffect, useRef } from "react";
import { Link } from "react-router";
import { classes } from "../classes.ts";
import { Menu, type MenuEntry } from "../menu.tsx";
import type { ChosenStore } from "./chosen-store.ts";
import type { Column } from "./columns.ts";

interface Props<R> {
  id: string;
  row: R;
  index: number;
  measure: ((element: Element | null) => void) | undefined;
  columns: readonly Column<R>[];
  rowName: (row: R) => string;
  /** Null: rows of this table cannot be chosen. */
  chosen: ChosenStore | null;
  /** The form that a tick belongs to while no script runs. */
  form: string | undefined;
  to: ((row: R) => string) | undefined;
  menu: ((row: R) => readonly MenuEntry[]) | undefined;
  detail: ((row: R) => ReactNode) | undefined;
  opened: boolean;
  toggle: (id: string) => void;
  width: number;
  /** True for the one row that Tab reaches. */
  reach: boolean;
}

/** The tick box of a row. Box and row follow the choice past React, so that choosing all rows answers at once. */
function ChooseBox({ id, name, store, reach }: { id: string; name: string; store: ChosenStore; reach: boolean }) {
  const box = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    const follow = () => {
      const chosen = store.all().has(id);
      if (box.current && box.current.checked !== chosen) box.current.checked = chosen;
      box.current?.closest("tr")?.toggleAttribute("data-chosen", chosen);
    };
    follow();
    return store.subscribe(follow);
  }, [store, id]);
  return (
    <input
      ref={box}
      type="checkbox"
      data-choose
      tabIndex={reach ? 0 : -1}
      aria-label={`Choose ${name}`}
      onChange={(event) => store.choose([id], event.target.checked)}
    />
  );
}

/** A row of a table, and what it opens below itself. It is drawn again only if something of its own changes. */
export const Row = memo(function Row<R>(props: Props<R>) {
  const { id, row, index, columns, chosen, to, menu, detail, opened } = props;
  const name = props.rowName(row);
  const entries = menu?.(row) ?? [];
  const detailId = `${id}-detail`;
  // The arrow turns at once, and what is opened is drawn after it.
  const shown = useDeferredValue(opened);
  return (
    <>
      <tr
        ref={props.measure}
        data-index={index}
        data-row={index}
        tabIndex={props.reach ? 0 : -1}
        aria-label={name}
        aria-rowindex={index + 2}
      >
        {chosen && (
          <td className="table-choose">
            {props.form ? (
              <input
                type="checkbox"
                data-choose
                aria-label={`Choose ${name}`}
                form={props.form}
                name="chosen"
                value={id}
              />
            ) : (
              <ChooseBox id={id} name={name} store={chosen} reach={props.reach} />
            )}
          </td>
        )}
        {columns.map((column, i) =>
          i === 0 ? (
            <th key={column.id} scope="row" className={classes("table-first", column.className)}>
              <span className="flex items-center gap-1.5">
                {detail && (
                  <button
                    type="button"
                    data-open
                    className="scripted grid size-6 shrink-0 place-items-center rounded-sm hover:bg-ink/10"
                    aria-expanded={opened}
                    aria-controls={opened ? detailId : undefined}
                    aria-label={`${opened ? "Close" : "Open"} ${name}`}
                    onClick={() => props.toggle(id)}
                  >
                    <ChevronRight size={16} aria-hidden="true" className={opened ? "rotate-90" : ""} />
                  </button>
                )}
                {to ? (
                  <Link
                    to={to(row)}
                    data-open={detail ? undefined : ""}
                    className="inline-block min-h-6 hover:underline"
                  >
                    {column.cell(row)}
                  </Link>
                ) : (
                  column.cell(row)
                )}
              </span>
            </th>
          ) : (
            <td key={column.id} className={classes(column.figures && "figures", column.className)}>
              {column.cell(row)}
            </td>
          ),
        )}
        {menu && (
          <td className="w-10 text-right print:hidden">
            {entries.length > 0 && (
              <Menu label={`Actions for ${name}`} entries={entries} look="bare" size="icon">
                <EllipsisVertical size={17} aria-hidden="true" />
              </Menu>
            )}
          </td>
        )}
      </tr>
      {detail && opened && shown && (
        <tr id={detailId}>
          <td colSpan={props.width} className="table-detail">
            {detail(row)}
          </td>
        </tr>
      )}
    </>
  );
}) as <R>(props: Props<R>) => ReactNode;
