import { RotateCcw } from "lucide-react";
import { Tip } from "../ui/tip.tsx";

/**
 * Marks a setting that is not as its game comes, with a button that sets it back. The focus then goes to the setting,
 * because the button is gone.
 */
export const Reset = ({ name, to, reset }: { name: string; to: string; reset: () => void }) => (
  <Tip words={`Changed. Set back to ${to}`}>
    <button
      type="button"
      data-reset
      aria-label={`Set ${name} back to ${to}`}
      className="inline-flex h-6 items-center gap-1 rounded-sm px-1 align-middle text-quiet hover:text-ink"
      onClick={(event) => {
        const row = event.currentTarget.closest("[data-setting]");
        reset();
        requestAnimationFrame(() =>
          row?.querySelector<HTMLElement>("input:not([type=radio]), :checked, select")?.focus(),
        );
      }}
    >
      <span className="size-2 rounded-full bg-mustard ring-1 ring-ink" aria-hidden="true" />
      <RotateCcw size={13} aria-hidden="true" />
    </button>
  </Tip>
);
