import { createContext, useContext } from "react";
import { paths } from "./paths.ts";

/** Which drawing a school's own things go by, by id. */
export const OwnDrawings = createContext<Readonly<Record<string, string>>>({});
export const drawingsOf = (own: readonly { id: string; drawing: string }[]): Record<string, string> =>
  Object.fromEntries(own.map((i) => [i.id, i.drawing]));

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
  const path = useItemPath();
  return (
    <svg
      viewBox="0 0 40 40"
      width={size}
      height={size}
      className={className}
      role={title ? "img" : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
    >
      <path
        d={path(item)}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** The stroke of a thing's drawing, for use inside another picture. */
export function useItemPath(): (item: string) => string {
  const own = useContext(OwnDrawings);
  return (item) => paths[item] ?? paths[own[item] ?? ""] ?? paths.line!;
}
/** Names of all drawings, for choosing one. */
export const drawings = Object.keys(paths);
