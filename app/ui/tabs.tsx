import { Tabs as Radix } from "radix-ui";
import type { ReactNode } from "react";
import { Link, useSearchParams } from "react-router";

export interface Tab {
  /** The value of `tab` in the address. */
  id: string;
  label: ReactNode;
  content: () => ReactNode;
}

/**
 * Tabs that are kept in the address, so that each has a link of its own and works before the script loads. The first
 * one is open when the address names none.
 */
export function Tabs({ label, tabs }: { label: string; tabs: readonly Tab[] }) {
  const [search] = useSearchParams();
  const open = tabs.find((tab) => tab.id === search.get("tab")) ?? tabs[0]!;
  const to = (id: string) => {
    const next = new URLSearchParams(search);
    // A table's search and order belong to the tab that it is on.
    for (const name of [...next.keys()]) next.delete(name);
    if (id !== tabs[0]!.id) next.set("tab", id);
    return `?${next}`;
  };
  return (
    <Radix.Root value={open.id} activationMode="manual">
      <Radix.List aria-label={label} className="mb-4 flex flex-wrap border-b-2 border-ink print:hidden">
        {tabs.map((tab) => (
          <Radix.Trigger key={tab.id} value={tab.id} asChild>
            <Link
              to={to(tab.id)}
              replace
              preventScrollReset
              className="-mb-0.5 flex min-h-10 items-center gap-2 border-b-4 border-transparent px-3.5 pt-1 font-semibold hover:border-hair data-[state=active]:border-mustard"
            >
              {tab.label}
            </Link>
          </Radix.Trigger>
        ))}
      </Radix.List>
      <Radix.Content value={open.id} className="outline-none">
        {open.content()}
      </Radix.Content>
    </Radix.Root>
  );
}
