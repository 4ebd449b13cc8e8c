import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp, ChevronsUpDown } from "lucide-react";
import {
  memo,
  type ReactNode,
  useCallback,
  useDeferredValue,
  useEffect,
  useId,
  useMemo,
  useRef,
  useState,
} from "react";
import { Link, useSearchParams } from "react-router";
import { classes } from "../classes.ts";
import type { MenuEntry } from "../menu.tsx";
import { useHydrated } from "../use-hydrated.ts";
import { type ChosenAction, ChosenBar } from "./chosen-bar.tsx";
import { type ChosenStore, useChosen, useChosenStore } from "./chosen-store.ts";
import { addressOf, type Column, compare, type Filter, keeps, sortAfter, type View } from "./columns.ts";
import { ALL_DRAWN, fromIn } from "./long-list.ts";
import { Row } from "./row.tsx";
import { TableBar } from "./table-bar.tsx";
import { useRowKeys } from "./use-row-keys.ts";
import { useShownColumns } from "./use-shown-columns.ts";
import { useView } from "./use-view.ts";
import { useWindow } from "./use-window.ts";

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
});

interface Props<R> {
  /** Names the table, for people who hear it, and for what this device remembers of it. */
  name: string;
  rows: readonly R[];
  /** The id of a row. It never changes with the order. */
  rowId: (row: R) => string;
  /** What a row is called: `Ada K.` */
  rowName: (row: R) => string;
  columns: readonly Column<R>[];
  filters?: readonly Filter<R>[];
  /** The text that the search field looks in. Without it there is no search field. */
  text?: (row: R) => string;
  /** The page that Enter on a row opens. */
  to?: (row: R) => string;
  /** What Enter on a row opens below it. */
  detail?: (row: R) => ReactNode;
  menu?: (row: R) => readonly MenuEntry[];
  /** What can be done with all chosen rows. */
  actions?: readonly ChosenAction[];
  /** The noun of the rows: `child`, `children`. */
  noun: readonly [string, string];
  /** What is said, and offered, when there is nothing at all. */
  empty: ReactNode;
  /** Extra controls beside the search field. */
  extra?: ReactNode;
}

/** The text of a row where there is no search field. */
const everything = () => "";
const none: readonly never[] = [];

/**
 * A table of the teacher's: sorted by any column, filtered and searched, all kept in the address; with a choice of
 * columns, rows to choose and act on together, and a menu for each row. The arrow keys move from row to row and Enter
 * opens one. Sorting and filtering work before the script loads, by links and a form.
 */
export function DataTable<R>(props: Props<R>) {
  const { name, rows, columns, filters = none, text = everything, actions = none, noun } = props;
  const [view, setView] = useView(filters as readonly Filter<never>[]);
  const [shown, show] = useShownColumns(name, columns);
  // What was pressed or typed is shown at once; the rows follow, and a further press does not wait for them.
  const settled = useDeferredValue(view);
  const store = useChosenStore(rows, props.rowId);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const hydrated = useHydrated();
  const formId = useId();
  const defs = useMemo(
    () =>
      columns.map((column, i) => ({
        id: column.id,
        accessorFn: (row: R) => column.sort?.(row) ?? undefined,
        enableSorting: column.sort !== undefined,
        enableGlobalFilter: i === 0,
        sortUndefined: "last" as const,
        sortFn: (
          one: { getValue: (id: string) => unknown },
          other: { getValue: (id: string) => unknown },
          id: string,
        ) => compare(one.getValue(id) as string, other.getValue(id) as string),
      })),
    [columns],
  );
  const sorting = useMemo(() => {
    const id = settled.sort.replace(/^-/, "");
    const known = columns.some((column) => column.id === id && column.sort);
    return known ? [{ id, desc: settled.sort.startsWith("-") }] : [];
  }, [settled.sort, columns]);
  const table = useTable({
    features,
    columns: defs as never,
    data: rows as never,
    getRowId: props.rowId as never,
    getColumnCanGlobalFilter: () => true,
    globalFilterFn: ((row: { original: R }, _: string, wanted: View) =>
      keeps(row.original, wanted, { filters, text })) as never,
    state: { sorting, globalFilter: settled, columnVisibility: shown },
  });
  const list = table.getRowModel().rows as unknown as readonly { id: string; original: R }[];
  const drawn = useMemo(() => columns.filter(({ id }) => shown[id]), [columns, shown]);
  const box = useRef<HTMLDivElement>(null);
  const span = useWindow(box, list);
  const { at: reachOf, ...rowKeys } = useRowKeys(box);
  const toggleOpen = useCallback(
    (id: string) => setOpened((was) => new Set(was.has(id) ? [...was].filter((each) => each !== id) : [...was, id])),
    [],
  );
  const width = drawn.length + (actions.length > 0 ? 1 : 0) + (props.menu ? 1 : 0);
  if (rows.length === 0) return <>{props.empty}</>;
  return (
    <section aria-label={name} className="data-table">
      <TableBar
        name={name}
        rows={rows}
        find={view.find}
        chosen={view.filters}
        setView={setView}
        filters={filters}
        searched={props.text !== undefined}
        columns={columns}
        shown={shown}
        show={show}
        count={list.length}
        noun={noun}
        extra={props.extra}
      />
      <div ref={box} className="table-box" {...rowKeys}>
        <table className="w-full text-left text-[0.95rem]" aria-rowcount={list.length + 1}>
          <caption className="sr-only">{name}</caption>
          <thead>
            <tr>
              {actions.length > 0 && (
                <th className="table-choose">
                  <ChooseAll list={list} store={store} noun={noun} />
                </th>
              )}
              {drawn.map((column, i) => (
                <Head
                  key={column.id}
                  column={column}
                  own={view.sort.replace(/^-/, "") === column.id ? view.sort : ""}
                  find={view.find}
                  chosen={view.filters}
                  setView={setView}
                  first={i === 0}
                />
              ))}
              {props.menu && (
                <th>
                  <span className="sr-only">Actions</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {span.before > 0 && <Space height={span.before} width={width} />}
            {list.slice(span.from, span.to).map((row, i) => (
              <Row
                key={row.id}
                id={row.id}
                row={row.original}
                index={span.from + i}
                measure={span.measure}
                columns={drawn}
                rowName={props.rowName}
                chosen={actions.length > 0 ? store : null}
                form={hydrated ? undefined : formId}
                to={props.to}
                menu={props.menu}
                detail={props.detail}
                opened={opened.has(row.id)}
                toggle={toggleOpen}
                width={width}
                reach={span.from + i === reachOf(list.length)}
              />
            ))}
            {span.after > 0 && <Space height={span.after} width={width} />}
          </tbody>
        </table>
        {list.length === 0 && (
          <p className="py-5 text-quiet">
            No {noun[1]} match.{" "}
            <Link
              to={addressOf(new URLSearchParams(), { sort: view.sort, find: "", filters: {} })}
              preventScrollReset
              replace
              className="underline"
              onClick={() => setView({ find: "", filters: {} })}
            >
              Show all {rows.length}
            </Link>
          </p>
        )}
      </div>
      {list.length > ALL_DRAWN && <PlainPages total={list.length} noun={noun} />}
      {actions.length > 0 && <ChosenBar id={formId} store={store} scripted={hydrated} actions={actions} noun={noun} />}
    </section>
  );
}

function ChooseAll({
  list,
  store,
  noun,
}: {
  list: readonly { id: string }[];
  store: ChosenStore;
  noun: readonly [string, string];
}) {
  const chosen = useChosen(store);
  const box = useRef<HTMLInputElement>(null);
  const count = list.filter(({ id }) => chosen.has(id)).length;
  const all = list.length > 0 && count === list.length;
  useEffect(() => {
    if (box.current) box.current.indeterminate = count > 0 && !all;
  }, [count, all]);
  return (
    <input
      ref={box}
      type="checkbox"
      className="scripted align-middle"
      aria-label={`Choose all ${noun[1]} shown`}
      checked={all}
      onChange={() =>
        store.choose(
          list.map(({ id }) => id),
          !all,
        )
      }
    />
  );
}

interface HeadProps<R> {
  column: Column<R>;
  /** The order of the rows, if it is by this column. Empty if not. */
  own: string;
  find: string;
  chosen: View["filters"];
  setView: (change: Partial<View>) => void;
  first: boolean;
}

/**
 * The head of a column. Pressing it sorts by the column, and pressing it again turns the order round. Only the heads
 * that this concerns are drawn again.
 */
const Head = memo(function Head<R>({ column, own, find, chosen, setView, first }: HeadProps<R>) {
  const [search] = useSearchParams();
  const by = own !== "";
  const down = own.startsWith("-");
  const sort = sortAfter(own, column);
  return (
    <th
      scope="col"
      aria-sort={column.sort ? (by ? (down ? "descending" : "ascending") : "none") : undefined}
      title={column.about}
      className={classes(first && "table-first", column.figures && "figures", column.className)}
    >
      {column.sort ? (
        <Link
          to={addressOf(search, { sort, find, filters: chosen })}
          replace
          preventScrollReset
          className="group inline-flex min-h-6 items-center gap-1"
          onClick={(event) => {
            if (event.metaKey || event.ctrlKey || event.shiftKey) return;
            event.preventDefault();
            setView({ sort });
          }}
        >
          {column.head}
          <span className={by ? "" : "text-quiet opacity-0 group-hover:opacity-100 group-focus-visible:opacity-100"}>
            {by ? (
              down ? (
                <ArrowDown size={14} aria-hidden="true" />
              ) : (
                <ArrowUp size={14} aria-hidden="true" />
              )
            ) : (
              <ChevronsUpDown size={14} aria-hidden="true" />
            )}
          </span>
        </Link>
      ) : (
        column.head
      )}
    </th>
  );
}) as <R>(props: HeadProps<R>) => ReactNode;

const Space = ({ height, width }: { height: number; width: number }) => (
  <tr>
    <td aria-hidden="true" colSpan={width} style={{ height, padding: 0, border: 0 }} />
  </tr>
);

/** Without a script, a long list is read in pages. */
function PlainPages({ total, noun }: { total: number; noun: readonly [string, string] }) {
  const [search] = useSearchParams();
  const from = fromIn(search, total);
  const at = (start: number) => {
    const next = new URLSearchParams(search);
    next.set("from", String(start));
    return `?${next}`;
  };
  return (
    <noscript>
      <p className="mt-3 flex gap-4">
        {from > 0 && <a href={at(Math.max(0, from - ALL_DRAWN))}>Previous {noun[1]}</a>}
        {from + ALL_DRAWN < total && <a href={at(from + ALL_DRAWN)}>More {noun[1]}</a>}
      </p>
    </noscript>
  );
}
