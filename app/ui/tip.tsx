import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";

/** How long the pointer rests on something before its tip appears, milliseconds. */
const REST = 350;

/** Shows words beside what the pointer or the focus rests on. What they say must also be there for a phone. */
export const Tip = ({ words, keys, children }: { words: ReactNode; keys?: string; children: ReactNode }) => (
  <Tooltip.Provider delayDuration={REST}>
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={5}
          collisionPadding={8}
          className="z-50 max-w-72 rounded-sm bg-night px-2.5 py-1.5 text-sm text-chalk"
        >
          {words}
          {keys && <kbd className="ml-2 rounded-sm border border-chalk/60 px-1.5 font-sans text-xs">{keys}</kbd>}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  </Tooltip.Provider>
);
