import { Columns3, Search } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { memo, type ReactNode, useMemo } from "react";
import { Form, useSearchParams } from "react-router";
import { Button } from "../button.tsx";
import { Select } from "../field.tsx";
import { useOpen } from "../use-open.ts";
import type { Column, Filter, View } from "./columns.ts";

interface Props<R> {
  name: string;
  rows: readonly R[];
  /** The words searched for, and the option of each filter. */
  find: string;
  chosen: View["filters"];
  setView: (change: Partial<View>) => void;
  filters: readonly Filter<R>[];
  searched: boolean;
  columns: readonly Column<R>[];
  shown: Readonly<Record<string, boolean>>;
  show: (id: string, on: boolean) => void;
  count: number;
  noun: readonly [string, string];
  extra?: ReactNode;
}

/** The row above a table: search, filters, how many rows are shown, and which columns. */
export const TableBar = memo(function TableBar<R>({
  find,
  chosen,
  setView,
  filters,
  columns,
  shown,
  noun,
  count,
  ...props
}: Props<R>) {
  const [search] = useSearchParams();
  const [open, change] = useOpen();
  const { rows } = props;
  const counts = useMemo(
    () =>
      new Map(
        filters.flatMap((filter) =>
          filter.options.map((option) => [`${filter.id} ${option.id}`, rows.filter(option.keeps).length] as const),
        ),
      ),
    [filters, rows],
  );
  const narrowed = count < props.rows.length;
  // What others on the page keep in the address is sent along without a script.
  const others = [...search].filter(
    ([name]) => name !== "find" && name !== "from" && !filters.some((filter) => filter.id === name),
  );
  return (
    <Form
      method="get"
      preventScrollReset
      replace
      onSubmit={(event) => event.preventDefault()}
      className="mb-1 flex flex-wrap items-center gap-x-3 gap-y-2 text-sm print:hidden"
    >
      {others.map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {props.searched && (
        <label className="relative">
          <Search size={15} aria-hidden="true" className="absolute top-1/2 left-2 -translate-y-1/2 text-quiet" />
          <input
            type="search"
            name="find"
            aria-label={`Search: ${props.name}`}
            placeholder="Search"
            className="w-44 py-1 pl-7"
            value={find}
            onChange={(event) => setView({ find: event.target.value })}
          />
        </label>
      )}
      {filters.map((filter) => (
        <label key={filter.id} className="flex min-w-0 items-center gap-1.5">
          {filter.label}
          <Select
            name={filter.id}
            className="py-1"
            value={chosen[filter.id] || filter.options[0]!.id}
            onChange={(event) => {
              const value = event.target.value === filter.options[0]!.id ? "" : event.target.value;
              setView({ filters: { ...chosen, [filter.id]: value } });
            }}
          >
            {filter.options.map((option) => (
              <option key={option.id} value={option.id}>
                {option.label} ({counts.get(`${filter.id} ${option.id}`)})
              </option>
            ))}
          </Select>
        </label>
      ))}
      {(props.searched || filters.length > 0) && (
        <noscript>
          <Button type="submit" look="quiet" size="small">
            Show
          </Button>
        </noscript>
      )}
      <span role="status" className="text-quiet">
        {narrowed ? `${count} of ${props.rows.length} ${noun[1]}` : `${count} ${noun[count === 1 ? 0 : 1]}`}
      </span>
      <span className="grow" />
      {props.extra}
      <DropdownMenu.Root modal={false} open={open} onOpenChange={change}>
        <DropdownMenu.Trigger asChild>
          <Button look="quiet" size="small" className="scripted">
            <Columns3 size={15} aria-hidden="true" /> Columns
          </Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={4} className="floating max-h-96 min-w-44 overflow-y-auto py-1">
            {columns.slice(1).map((column) => (
              <DropdownMenu.CheckboxItem
                key={column.id}
                checked={shown[column.id] ?? false}
                onCheckedChange={(on) => props.show(column.id, on)}
                onSelect={(event) => event.preventDefault()}
                className="flex min-h-8 cursor-pointer items-center gap-2 px-3 outline-none data-[highlighted]:bg-ink/10"
              >
                <span className="w-4 font-bold text-teal">
                  <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
                </span>
                {column.head}
              </DropdownMenu.CheckboxItem>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </Form>
  );
}) as <R>(props: Props<R>) => ReactNode;
