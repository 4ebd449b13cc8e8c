import { useLayoutEffect, useRef, useState } from "react";
import { tappedIn } from "../device/second-tap.ts";

/**
 * A wide button for the next step. If another button was tapped in its place a moment ago, it takes two fifths of the
 * row on the other side, so that it never appears under the thumb. The side is chosen once, when it appears.
 */
export function Beside({
  text,
  press,
  disabled = false,
  row,
  look,
  wide,
  narrow,
}: {
  text: string;
  press: () => void;
  disabled?: boolean;
  /** Classes of the row, of the button, and of its text when it fills the row and when it does not. */
  row: string;
  look: string;
  wide: string;
  narrow: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const [away, set] = useState<"left" | "right" | null>(null);
  useLayoutEffect(() => {
    const tapped = box.current && tappedIn(box.current.getBoundingClientRect());
    if (tapped !== null) set(tapped > 0.5 ? "left" : "right");
  }, []);
  const place = away === null ? `col-span-5 ${wide}` : `col-span-2 ${narrow} ${away === "right" ? "col-start-4" : ""}`;
  return (
    <div ref={box} className={`grid grid-cols-5 ${row}`}>
      <button
        type="button"
        className={`border-[3px] border-night bg-mustard font-bold text-night ${look} ${place}`}
        disabled={disabled}
        onClick={press}
      >
        {text}
      </button>
    </div>
  );
}
