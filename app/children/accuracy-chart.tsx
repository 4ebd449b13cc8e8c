import {
  Area,
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Line,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";

export interface Point {
  week: string;
  middle: number;
  /** The true value lies between these ends with a chance of 8 in 10. */
  range: [low: number, high: number];
  tries: number;
}

/** How one skill went, week by week: the middle as a line, the ends as a band. `most` is the top of the scale; without it the scale follows the points. */
export default function AccuracyChart({
  points,
  unit,
  most,
}: {
  points: readonly Point[];
  unit: string;
  most?: number;
}) {
  return (
    <ResponsiveContainer width="100%" height={220}>
      <ComposedChart
        data={points.map((point) => ({
          ...point,
          off: [point.middle - point.range[0], point.range[1] - point.middle],
        }))}
        margin={{ top: 8, right: 16, bottom: 4, left: 0 }}
      >
        <CartesianGrid stroke="var(--color-hair)" vertical={false} />
        <XAxis dataKey="week" tick={{ fontSize: 12, fill: "var(--color-quiet)" }} />
        <YAxis
          domain={[0, most ?? "auto"]}
          {...(most && { ticks: [0, 2, 4, 6, 8, 10] })}
          width={34}
          tick={{ fontSize: 12, fill: "var(--color-quiet)" }}
          allowDecimals={false}
        />
        <Tooltip
          formatter={(value, name) => [
            Array.isArray(value) ? `${value[0]}–${value[1]}` : String(value),
            name === "range" ? "8 in 10 chances" : unit,
          ]}
        />
        {/* The band of a single week would be drawn as a dot at its upper end. */}
        {points.length > 1 && (
          <Area
            dataKey="range"
            stroke="none"
            fill="var(--color-teal)"
            fillOpacity={0.18}
            isAnimationActive={false}
            activeDot={false}
          />
        )}
        <Line
          dataKey="middle"
          stroke="var(--color-teal)"
          strokeWidth={2.5}
          dot={{ r: 4, fill: "var(--color-mustard)", stroke: "var(--color-ink)" }}
          isAnimationActive={false}
        >
          <ErrorBar
            dataKey="off"
            width={6}
            strokeWidth={1.5}
            stroke="var(--color-teal)"
            direction="y"
            isAnimationActive={false}
          />
        </Line>
      </ComposedChart>
    </ResponsiveContainer>
  );
}
