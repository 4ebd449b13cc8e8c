import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
  ZAxis,
} from "recharts";

/** The forecast runs across and the result runs up, so a dot on the dashed line was forecast exactly. Larger dots stand for more attempts. */
export default function TruthChart({ bins }: { bins: readonly { forecast: number; seen: number; tries: number }[] }) {
  const points = bins.map((bin) => ({
    x: Math.round(100 * bin.forecast),
    y: Math.round(100 * bin.seen),
    z: bin.tries,
  }));
  const axis = {
    type: "number" as const,
    domain: [0, 100],
    ticks: [0, 20, 40, 60, 80, 100],
    tick: { fontSize: 12, fill: "var(--color-quiet)" },
  };
  return (
    <ResponsiveContainer width="100%" height={340}>
      <ScatterChart margin={{ top: 8, right: 16, bottom: 24, left: 4 }}>
        <CartesianGrid stroke="var(--color-hair)" />
        <XAxis
          {...axis}
          dataKey="x"
          name="forecast"
          unit="%"
          label={{ value: "forecast", position: "bottom", fontSize: 13 }}
        />
        <YAxis {...axis} dataKey="y" name="actual" unit="%" width={58} />
        <ZAxis dataKey="z" range={[40, 500]} name="attempts" />
        <ReferenceLine
          segment={[
            { x: 0, y: 0 },
            { x: 100, y: 100 },
          ]}
          stroke="var(--color-plum)"
          strokeDasharray="7 5"
          strokeWidth={2}
        />
        <Tooltip />
        <Scatter data={points} fill="var(--color-mustard)" stroke="var(--color-ink)" isAnimationActive={false} />
      </ScatterChart>
    </ResponsiveContainer>
  );
}
