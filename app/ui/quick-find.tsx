import "./nonce.ts";
import { Command } from "cmdk";
import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { useFetcher, useNavigate, useSubmit } from "react-router";
import type { loader } from "../routes/find.ts";
import { PAGES } from "./pages.ts";

/** The actions that can be found by name, with other words for them. */
const ACTIONS = [
  ["/activities#new", "Start a new activity", "create game"],
  ["/homes/import", "Import children and homes", "spreadsheet csv roster"],
  ["/settings", "Make a class", "new group"],
] as const;

/** Finds activities, children, classes, results, pages and actions by a few letters, and opens them. */
export default function QuickFind({
  open,
  setOpen,
  takeEarly,
}: {
  open: boolean;
  setOpen: (open: boolean) => void;
  /** Gives out what was typed before this was there. */
  takeEarly: () => string;
}) {
  const [typed, setTyped] = useState("");
  useEffect(() => setTyped(takeEarly()), [takeEarly]);
  const fetcher = useFetcher<typeof loader>();
  const navigate = useNavigate();
  const submit = useSubmit();
  const asked = useRef(false);
  useEffect(() => {
    if (!open) {
      asked.current = false;
      setTyped("");
      return;
    }
    if (asked.current) return;
    asked.current = true;
    void fetcher.load("/find");
  }, [open, fetcher]);
  const found = fetcher.data;
  const entry = (key: string, to: string | (() => void), name: string, more: string, hint = "") => (
    <Command.Item
      key={key}
      value={`${name} ${hint} ${key}`}
      keywords={more ? more.split(" ") : []}
      onSelect={() => {
        setOpen(false);
        if (typeof to === "string") void navigate(to);
        else to();
      }}
      className="flex min-h-10 cursor-pointer items-center gap-3 rounded-sm px-3 data-[selected=true]:bg-mustard/30"
    >
      <span className="grow">{name}</span>
      {hint && <span className="text-sm text-quiet">{hint}</span>}
    </Command.Item>
  );
  const group = (heading: string, entries: React.ReactNode[]) =>
    entries.length > 0 && (
      <Command.Group
        heading={heading}
        className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:font-semibold [&_[cmdk-group-heading]]:text-quiet"
      >
        {entries}
      </Command.Group>
    );
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(38rem,94vw)] -translate-x-1/2 rounded-md border-2 border-ink bg-raised"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <Command label="Find" loop>
            <Command.Input
              value={typed}
              onValueChange={setTyped}
              placeholder="A child, an activity, a class, a page …"
              className="w-full rounded-none border-0 border-b-2 border-hair px-4 py-3 text-lg outline-none"
            />
            <Command.List className="max-h-[60vh] overflow-y-auto p-2">
              {fetcher.state !== "idle" && !found && (
                <Command.Loading>
                  <p className="px-3 py-2 text-quiet">Loading names …</p>
                </Command.Loading>
              )}
              <Command.Empty className="px-3 py-3 text-quiet">Nothing has this name.</Command.Empty>
              {found &&
                group(
                  "Activities",
                  found.activities.map(({ id, title }) => entry(`activity ${id}`, `/activities/${id}`, title, "")),
                )}
              {found &&
                group(
                  "Children",
                  found.children.map(({ id, name, className }) =>
                    entry(`child ${id}`, `/children/${id}`, name, "", className),
                  ),
                )}
              {found &&
                group(
                  "Classes",
                  found.classes.map(({ id, name }) => entry(`class ${id}`, `/homes?class=${id}`, name, "homes")),
                )}
              {found &&
                group(
                  "Results",
                  found.results.map(({ id, title, className }) =>
                    entry(`result ${id}`, `/results/${id}`, title, "results", className),
                  ),
                )}
              {group(
                "Pages",
                PAGES.map(({ to, name, also }) => entry(`page ${to}`, to, name, also)),
              )}
              {found &&
                group(
                  "New activity",
                  found.games.map(({ pattern, name, how }) =>
                    entry(
                      `new ${pattern}`,
                      () => void submit({ intent: "new", pattern }, { method: "post", action: "/activities" }),
                      `New ${name}`,
                      how,
                    ),
                  ),
                )}
              {group(
                "Actions",
                ACTIONS.map(([to, name, more]) => entry(`do ${name}`, to, name, more)),
              )}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
