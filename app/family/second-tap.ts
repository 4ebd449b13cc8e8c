/** Taps so close together, milliseconds and pixels, are one thumb's double tap. */
const TOGETHER = 300;
const REACH = 40;
const TAPPED = "button, a, label, summary, [role=button], input";

interface Tap {
  at: number;
  x: number;
  y: number;
  /** It was one of a run, where each tap counts. */
  run: boolean;
  /** What was pressed with the keyboard, which has no place of its own. */
  key: Element | null;
  /** Everything that could be tapped then, with what it said. */
  could: ReadonlyMap<Element, string>;
}
let last: Tap | null = null;

const saysOf = (e: Element) => e.getAttribute("aria-label") ?? e.textContent ?? "";

function onClick(e: MouseEvent): void {
  const on = e.target instanceof Element ? e.target.closest(TAPPED) : null;
  // A label sends its input a click of its own.
  if (!on || (e.detail === 0 && on instanceof HTMLInputElement)) return;
  const key = e.detail === 0 ? on : null;
  // When it was tapped, not when a busy device comes to it.
  const now = e.timeStamp;
  const same =
    last && (key ? last.key === key : !last.key && Math.hypot(e.clientX - last.x, e.clientY - last.y) < REACH);
  const run = on.closest("[data-run]") !== null;
  if (last && same && !(run && last.run) && now - last.at < TOGETHER && last.could.get(on) !== saysOf(on)) {
    e.preventDefault();
    e.stopImmediatePropagation();
    return;
  }
  const could = new Map([...document.querySelectorAll(TAPPED)].map((b) => [b, saysOf(b)]));
  last = { at: now, x: e.clientX, y: e.clientY, run, key, could };
}

/**
 * A second tap at once on a place whose button has changed meanwhile does nothing, but where a run of taps is meant (`data-run`: touches of a fast
 * rally). Gives what ends it.
 */
export function guardSecondTaps(): () => void {
  document.addEventListener("click", onClick, true);
  return () => document.removeEventListener("click", onClick, true);
}

/** A tap after which something appears, milliseconds. */
const JUST_NOW = 1500;
/** Where in a box it was tapped just now, from 0 at its left to 1; null: not in it. */
export function tappedIn(box: DOMRect): number | null {
  if (!last || last.key || performance.now() - last.at > JUST_NOW) return null;
  const { x, y } = last;
  const inside = x >= box.left && x <= box.right && y >= box.top - REACH / 2 && y <= box.bottom + REACH / 2;
  return inside ? (x - box.left) / box.width : null;
}
