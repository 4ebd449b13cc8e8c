import "./nonce.ts";
import { DropdownMenu, Toolbar } from "radix-ui";
import type { ReactNode } from "react";
import { Form, Link, useSubmit } from "react-router";
import { Button } from "./button.tsx";
import { useOpen } from "./use-open.ts";

/** One entry of a menu: a link, a file (or a page of the families), a form that is sent, or what the script does. */
export type MenuEntry = {
  label: string;
  icon?: ReactNode;
  /** Draws a line above it. */
  apart?: boolean;
} & (
  | { to: string }
  | { file: string; page?: boolean }
  | { fields: Record<string, string>; action?: string }
  | { onSelect: () => void }
);

interface Props {
  /** Names the menu for people who hear the page. */
  label: string;
  entries: readonly MenuEntry[];
  children: ReactNode;
  look?: "quiet" | "bare" | "plain";
  size?: "small" | "icon" | "usual";
  /** It is one of the buttons of a toolbar, between which the arrow keys move. */
  inToolbar?: boolean;
}

/** A button with a menu. Before the script loads, its entries stand in a row. */
export function Menu({ label, entries, children, look = "quiet", size = "small", inToolbar = false }: Props) {
  const [open, change] = useOpen();
  const trigger = (
    <DropdownMenu.Trigger asChild>
      <Button look={look} size={size} aria-label={label} title={label} className="scripted">
        {children}
      </Button>
    </DropdownMenu.Trigger>
  );
  return (
    <>
      {/* Nothing else on the page is held still: that would take a new look at the style of every element. */}
      <DropdownMenu.Root modal={false} open={open} onOpenChange={change}>
        {inToolbar ? <Toolbar.Button asChild>{trigger}</Toolbar.Button> : trigger}
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={4} collisionPadding={8} className="floating min-w-48 py-1">
            {entries.map((entry) => (
              <Entry key={entry.label} entry={entry} />
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <noscript>
        <span className="flex flex-wrap gap-1">
          {entries.map((entry) => (
            <PlainEntry key={entry.label} entry={entry} />
          ))}
        </span>
      </noscript>
    </>
  );
}

const ENTRY =
  "flex min-h-9 cursor-pointer items-center gap-2.5 px-3.5 py-1 outline-none select-none data-[highlighted]:bg-ink/10";

function Entry({ entry }: { entry: MenuEntry }) {
  const submit = useSubmit();
  const words = (
    <>
      <span className="grid w-4 place-items-center" aria-hidden="true">
        {entry.icon}
      </span>
      {entry.label}
    </>
  );
  return (
    <>
      {entry.apart && <DropdownMenu.Separator className="my-1 border-t border-hair" />}
      {"to" in entry ? (
        <DropdownMenu.Item asChild className={ENTRY}>
          <Link to={entry.to}>{words}</Link>
        </DropdownMenu.Item>
      ) : "file" in entry ? (
        <DropdownMenu.Item asChild className={ENTRY}>
          <a href={entry.file} download={entry.page ? undefined : true}>
            {words}
          </a>
        </DropdownMenu.Item>
      ) : (
        <DropdownMenu.Item
          className={ENTRY}
          onSelect={() =>
            "onSelect" in entry
              ? entry.onSelect()
              : void submit(entry.fields, {
                  method: "post",
                  preventScrollReset: true,
                  ...(entry.action && { action: entry.action }),
                })
          }
        >
          {words}
        </DropdownMenu.Item>
      )}
    </>
  );
}

/** The same without a script. An entry that only a script can do is left out. */
function PlainEntry({ entry }: { entry: MenuEntry }) {
  if ("to" in entry) return <Link to={entry.to}>{entry.label}</Link>;
  if ("file" in entry) return <a href={entry.file}>{entry.label}</a>;
  if ("onSelect" in entry) return null;
  return (
    <Form method="post" action={entry.action}>
      {Object.entries(entry.fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <Button type="submit" look="quiet" size="small">
        {entry.label}
      </Button>
    </Form>
  );
}
