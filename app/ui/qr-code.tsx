import type { SquareCode as Code } from "#server/links/qr-code.ts";

/** The white margin around a code, in its own units. Readers need it. */
const QUIET = 3;

/** A QR code, dark on white in every theme. */
export function SquareCode({ code, label, className }: { code: Code; label: string; className?: string }) {
  const box = code.size + 2 * QUIET;
  return (
    <svg viewBox={`${-QUIET} ${-QUIET} ${box} ${box}`} className={className} role="img" aria-label={label}>
      <rect x={-QUIET} y={-QUIET} width={box} height={box} fill="#fff" />
      <path d={code.path} stroke="var(--color-night)" strokeWidth={1} shapeRendering="crispEdges" />
    </svg>
  );
}
