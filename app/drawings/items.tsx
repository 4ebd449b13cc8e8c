import { createContext, useContext } from "react";
import { own as held } from "#core/own.ts";
import sheet from "./drawings.svg?url&no-inline";

/** Which drawing a school's own things go by, by id. */
export const OwnDrawings = createContext<Readonly<Record<string, string>>>({});
export const drawingsOf = (own: readonly { id: string; drawing: string }[]): Record<string, string> =>
  Object.fromEntries(own.map((i) => [i.id, i.drawing]));

/** Where a thing's drawing lies on the one sheet of all drawings: a page loads the sheet once, and no script for it. */
export function useDrawing(): (item: string) => string {
  const own = useContext(OwnDrawings);
  return (item) => `${sheet}#${held(own, item) ?? (item || "line")}`;
}

export function ItemDrawing({
  item,
  size = 40,
  className,
  title,
}: {
  item: string;
  size?: number;
  className?: string;
  title?: string;
}) {
  const drawing = useDrawing();
  return (
    <svg
      viewBox="0 0 40 40"
      width={size}
      height={size}
      className={className}
      role={title ? "img" : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <use href={drawing(item)} />
    </svg>
  );
}
