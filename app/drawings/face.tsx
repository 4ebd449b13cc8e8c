const MOUTHS = [
  "M12 29c4-7 12-7 16 0",
  "M13 27c4-3 10-3 14 0",
  "M13 26h14",
  "M13 25c4 3 10 3 14 0",
  "M11 23c3 9 15 9 18 0z",
];

/** A face for 1 (very bad) to 5 (great): told apart by the mouth. */
export function Face({ value, size = 44 }: { value: number; size?: number }) {
  return (
    <svg viewBox="0 0 40 40" width={size} height={size} aria-hidden="true">
      <g fill="none" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" strokeLinejoin="round">
        <rect x="4" y="4" width="32" height="32" rx="9" />
        <path d={MOUTHS[value - 1]} />
        <path d="M14 14v3M26 14v3" />
      </g>
    </svg>
  );
}
