import type { HomeSpace } from "#core/records/home.ts";

/** A home's space to a fixed scale. Its floor is a pattern, and dashed lines mean that nobody described it. */
export function SpacePicture({ space }: { space: HomeSpace | null }) {
  if (!space)
    return (
      <svg viewBox="0 0 64 32" width="64" height="32" aria-hidden="true" className="shrink-0">
        <rect
          x="2"
          y="6"
          width="60"
          height="20"
          fill="none"
          stroke="var(--color-hair)"
          strokeWidth="2"
          strokeDasharray="3 4"
        />
      </svg>
    );
  const k = Math.min(60 / space.length, 28 / space.width, 12);
  const dash = { carpet: "1 3", boards: "10 2", tile: "4 4", grass: "2 2 1 4", paving: "7 3" }[space.floor];
  return (
    <svg viewBox="0 0 64 32" width="64" height="32" aria-hidden="true" className="shrink-0">
      <rect
        x="2"
        y={16 - (space.width * k) / 2}
        width={space.length * k}
        height={space.width * k}
        fill="none"
        stroke="currentColor"
        strokeWidth={space.indoors ? 2.5 : 1.5}
      />
      <path
        d={`M4 16H${space.length * k}`}
        stroke="currentColor"
        strokeWidth="2"
        strokeOpacity="0.5"
        strokeDasharray={dash}
      />
    </svg>
  );
}
