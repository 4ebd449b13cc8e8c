/** Our own line drawings of household things: 40 x 40, one stroke, readable small and in print. Named like the kit list. */
const paths: Record<string, string> = {
  sockBall:
    "M20 7c8 0 13 6 13 13s-5 13-13 13S7 28 7 20 12 7 20 7M9 16c8-3 16-2 22 4M13 30c1-8 5-13 12-20M8 23c6-1 10 2 13 9",
  paperBall: "M20 6l9 4 4 9-3 10-10 5-10-4-4-10 4-10zM10 10l9 6 10-6M19 16l-3 9 7 2 10-8M16 25l-9-5M23 27l-2 7",
  softBall: "M20 6a14 14 0 100 28 14 14 0 000-28M9 12c7 5 7 12 1 17M31 12c-7 5-7 12-1 17",
  smallBall: "M20 11a9 9 0 100 18 9 9 0 000-18M13 15c4 3 4 8 0 11M27 15c-4 3-4 8 0 11",
  largeBall: "M20 4a16 16 0 100 32 16 16 0 000-32M20 4c-6 10-6 22 0 32M20 4c6 10 6 22 0 32M4 20h32",
  jarLid: "M6 20c0-4 6-7 14-7s14 3 14 7-6 7-14 7-14-3-14-7M6 20v5c0 4 6 7 14 7s14-3 14-7v-5M11 28v4M20 30v4M29 28v4",
  coaster: "M20 8a12 12 0 100 24 12 12 0 000-24M20 13a7 7 0 100 14 7 7 0 000-14M20 18a2 2 0 100 4 2 2 0 000-4",
  foldedCloth: "M6 15l22-5 6 8-22 6zM6 15v6l6 9 22-6v-6M12 24v6M10 18l22-5",
  bucket: "M8 14l4 21h16l4-21M8 14c0-3 24-3 24 0s-24 3-24 0M9 12C11 2 29 2 31 12",
  box: "M6 14h28v20H6zM6 14l5-8h18l5 8M20 6v8M16 14v6h8v-6",
  saucepan: "M5 16h20v14c0 2-1 3-3 3H8c-2 0-3-1-3-3zM25 19h12M5 21h20",
  tin: "M10 9v22c0 3 20 3 20 0V9M10 9c0-4 20-4 20 0s-20 4-20 0M10 17c4 3 16 3 20 0M10 25c4 3 16 3 20 0",
  bottle: "M17 4h6v6l4 6v18c0 2-1 3-3 3h-8c-2 0-3-1-3-3V16l4-6zM13 22h14M17 10h6",
  book: "M10 5h20v30H10c-2 0-3-1-3-3V8c0-2 1-3 3-3M12 5v30M17 12h8M17 17h8",
  cushion: "M6 9c9 3 19 3 28 0-3 8-3 14 0 22-9-3-19-3-28 0 3-8 3-14 0-22M20 18v4M18 20h4",
  chair: "M11 4v18h18V4M11 10h18M11 22v14M29 22v14M11 29h18",
  shoe: "M5 14c4 3 8 2 10-2 3 8 9 10 18 12 3 1 3 7 1 7H5zM5 27h30M17 19l4-2M20 22l4-2",
  basket: "M7 14h26l-3 21H10zM5 14h30M8 21h24M9 28h22M15 14v21M25 14v21",
  cup: "M9 10h18v17c0 3-2 5-5 5h-8c-3 0-5-2-5-5zM27 14h4c5 0 5 10 0 10h-4",
  rollTube: "M13 8v24c0 3 14 3 14 0V8M13 8c0-4 14-4 14 0s-14 4-14 0M17 8c0-1 6-1 6 0s-6 1-6 0",
  string: "M4 30c6-8 10 6 16-2s-8-12-2-18 14 2 10 8-2 10 8 6",
  tape: "M18 8a12 12 0 100 24 12 12 0 000-24M18 15a5 5 0 100 10 5 5 0 000-10M18 32h18M33 29v6",
  sock: "M14 4h11v17l9 7c3 3 1 8-3 8-8 0-17-2-17-12zM14 10h11",
  towel: "M8 6h24v28H8zM8 11h24M8 29h24M13 34v3M20 34v3M27 34v3",
  broom: "M32 4L19 21M14 19l9 7-4 11L5 30zM10 26l-2 6M15 28l-3 6",
  line: "M4 20h32M10 16v8M20 14v12M30 16v8",
};

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
        d={itemPath(item)}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** The stroke of a drawing, for use inside another picture. */
export const itemPath = (item: string): string => paths[item] ?? paths.line!;
