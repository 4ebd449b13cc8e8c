/** Two taps within this time, milliseconds, and this distance, pixels, are a double tap. */
const TOGETHER = 300;
const REACH = 40;
const TAPPED = "button, a, label, summary, [role=button], input";

interface Tap {
  at: number;
  x: number;
  y: number;
  /** True if it was on a counter, where every tap counts. */
  run: boolean;
  /** The element, if it was pressed with the keyboard and so has no position. */
  key: Element | null;
  /** Everything that could be tapped at that moment, with its label. */
  could: ReadonlyMap<Element, string>;
}
let last: Tap | null = null;

const saysOf = (element: Element) => element.getAttribute("aria-label") ?? element.textContent ?? "";

function onClick(event: MouseEvent): void {
  const on = event.target instanceof Element ? event.target.closest(TAPPED) : null;
  // A label passes a click on to its input.
  if (!on || (event.detail === 0 && on instanceof HTMLInputElement)) return;
  const key = event.detail === 0 ? on : null;
  // The time of the tap itself. A busy device may handle it later.
  const now = event.timeStamp;
  const same =
    last && (key ? last.key === key : !last.key && Math.hypot(event.clientX - last.x, event.clientY - last.y) < REACH);
  const run = on.closest("[data-run]") !== null;
  if (last && same && !(run && last.run) && now - last.at < TOGETHER && last.could.get(on) !== saysOf(on)) {
    event.preventDefault();
    event.stopImmediatePropagation();
    return;
  }
  const could = new Map([...document.querySelectorAll(TAPPED)].map((element) => [element, saysOf(element)]));
  last = { at: now, x: event.clientX, y: event.clientY, run, key, could };
}

/**
 * Ignores the second of two quick taps in one place if the button there has changed in between. Counters (`data-run`) are left out, as every touch of
 * a fast rally counts. Returns a function that stops it.
 */
export function guardSecondTaps(): () => void {
  document.addEventListener("click", onClick, true);
  return () => document.removeEventListener("click", onClick, true);
}

/** A tap no older than this caused what has just appeared, milliseconds. */
const JUST_NOW = 1500;
/** Where in a box the last tap was, from 0 at its left edge to 1 at its right; null if it was elsewhere or too long ago. */
export function tappedIn(box: DOMRect): number | null {
  if (!last || last.key || performance.now() - last.at > JUST_NOW) return null;
  const { x, y } = last;
  const inside = x >= box.left && x <= box.right && y >= box.top - REACH / 2 && y <= box.bottom + REACH / 2;
  return inside ? (x - box.left) / box.width : null;
}
