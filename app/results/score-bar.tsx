/** How much of the bar lies beyond the larger of the range and the median. */
const ROOM = 1.12;

/** The median score of a class as a mark on the range that was expected of it. */
export function ScoreBar({ score }: { score: { median: number; low: number; middle: number; high: number } }) {
  const { median, low, middle, high } = score;
  const most = Math.max(high, median, 1) * ROOM;
  const at = (value: number) => `${((100 * value) / most).toFixed(1)}%`;
  return (
    <span className="flex items-center gap-2 whitespace-nowrap">
      <span className="w-9 text-right font-semibold">{median}</span>
      <span className="drawn relative block h-4 w-28 rounded-sm bg-ink/8" aria-hidden="true">
        <span
          className="absolute inset-y-0.5 rounded-sm bg-teal/35"
          style={{ left: at(low), width: `calc(${at(high)} - ${at(low)})`, minWidth: 3 }}
        />
        <span className="absolute inset-y-0.5 w-0.5 bg-teal" style={{ left: at(middle) }} />
        <span className="absolute inset-y-0 w-1.5 -translate-x-1/2 rounded-sm bg-ink" style={{ left: at(median) }} />
      </span>
      <span className="sr-only">
        expected {low} to {high}
      </span>
    </span>
  );
}
