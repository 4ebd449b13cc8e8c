import "./nonce.ts";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { remember, remembered } from "../kept.ts";
import { PAGES } from "./pages.ts";

/** The pages that `g` and a letter open. */
const LETTERED = PAGES.filter(({ letter }) => letter !== undefined);
/** The letter must follow `g` within this time, milliseconds. */
const PATIENCE = 1500;
/** Where this device stores that single-letter keys are turned off. */
const KEPT = "yard-keys";

const ELSEWHERE: readonly (readonly [string, string])[] = [
  ["/ or Ctrl K", "find anything by name"],
  ["p", "print this page"],
  ["?", "show this list"],
];
const WORKBENCH: readonly (readonly [string, string])[] = [
  ["← →", "move the chosen marker 10 cm; with Shift, one step"],
  ["arrows", "move the chosen items on the plan; with Alt, 1 cm"],
  ["[ ]", "make the chosen target easier or harder"],
  ["u, Shift u", "undo, redo"],
  ["1 to 8", "open a station"],
  ["Ctrl Enter", "send, from any field of the last station"],
  ["+ - 0", "make the plan larger or smaller, or fit it again"],
];

/**
 * True if a single-letter key is meant for the page: nobody is typing, keys are not turned off, and it is not one of
 * the browser's own.
 */
export function keyOfPage(event: KeyboardEvent): boolean {
  const element = event.target as HTMLElement;
  const typing =
    element.matches?.("input, textarea, select, [contenteditable]") &&
    !element.matches("[type=radio], [type=checkbox]");
  return !typing && !event.ctrlKey && !event.metaKey && !event.altKey && remembered(KEPT) !== "off";
}

/** The keys that work on every page of a teacher, and the list of them. */
export function Keys() {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [on, setOn] = useState(true);
  useEffect(() => setOn(remembered(KEPT) !== "off"), []);
  useEffect(() => {
    let went = Number.NEGATIVE_INFINITY;
    const press = (event: KeyboardEvent) => {
      if (event.key === "?" && (event.target as HTMLElement).matches?.("input, textarea") !== true) {
        setOpen(true);
        event.preventDefault();
        return;
      }
      if (!keyOfPage(event)) return;
      const place =
        performance.now() - went < PATIENCE ? LETTERED.find(({ letter }) => letter === event.key) : undefined;
      went = event.key === "g" ? performance.now() : Number.NEGATIVE_INFINITY;
      if (place) void navigate(place.to);
      else if (event.key === "p") print();
      else return;
      event.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [navigate]);
  const row = ([key, what]: readonly [string, string]) => (
    <div key={key} className="row-line grid grid-cols-[7rem_1fr] gap-3 py-1">
      <dt className="font-bold">{key}</dt>
      <dd>{what}</dd>
    </div>
  );
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 grid max-h-[92vh] w-[min(34rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-y-auto rounded-md bg-raised p-6"
        >
          <Dialog.Title className="text-2xl">Keyboard shortcuts</Dialog.Title>
          <dl>
            {LETTERED.map(({ letter, name }) => row([`g ${letter}`, `go to ${name}`]))}
            {ELSEWHERE.map(row)}
          </dl>
          <h3 className="text-lg">In the workbench</h3>
          <dl>{WORKBENCH.map(row)}</dl>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={on}
              onChange={() => {
                remember(KEPT, on ? "off" : "on");
                setOn(!on);
              }}
            />
            Single-letter shortcuts are on
          </label>
          <Dialog.Close className="btn btn-main justify-self-end">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
