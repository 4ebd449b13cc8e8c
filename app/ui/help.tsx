import { CircleHelp } from "lucide-react";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";

/** A question mark beside a label that opens an explanation. */
export const Help = ({ about, children }: { about: string; children: ReactNode }) => (
  <Popover.Root>
    <Popover.Trigger
      className="scripted inline-grid size-6 place-items-center rounded-sm align-middle text-quiet hover:text-ink"
      aria-label={`About ${about}`}
    >
      <CircleHelp size={16} aria-hidden="true" />
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content sideOffset={4} collisionPadding={8} className="floating max-w-80 p-3 text-sm">
        {children}
      </Popover.Content>
    </Popover.Portal>
    <noscript>
      <span className="hint">{children}</span>
    </noscript>
  </Popover.Root>
);
