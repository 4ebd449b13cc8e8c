import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Distribution } from "#core/forecast/distribution.ts";
import type { Forecast } from "#core/forecast/result.ts";
import { percentTick } from "./percent.ts";

type Kind = "sends" | "points" | "finish" | "minutes" | "moving";
const FILLS = ["var(--color-plum)", "var(--color-mustard)", "var(--color-teal-paint)"];
const MAX_BARS = 40;

/** Several distributions side by side, in bins wide enough to read. */
function binned(all: readonly Distribution[], names: readonly string[], each: number) {
  const lo = Math.min(...all.map((distribution) => distribution.at[0] ?? 0));
  const hi = Math.max(...all.map((distribution) => distribution.at[distribution.at.length - 1] ?? 0));
  const width = Math.max(each, Math.ceil((hi - lo + 1) / MAX_BARS / each) * each);
  const rows = new Map<number, Record<string, number>>();
  for (let v = Math.floor(lo / width) * width; v <= hi; v += width)
    rows.set(v, { at: v / each, ...Object.fromEntries(names.map((name) => [name, 0])) });
  all.forEach((distribution, i) => {
    distribution.at.forEach((v, k) => {
      const row = rows.get(Math.floor(v / width) * width);
      if (row) row[names[i]!] = (row[names[i]!] ?? 0) + 100 * distribution.p[k]!;
    });
  });
  return [...rows.values()];
}

/** The picture behind one part of the strip: youngest, middle and oldest together. */
export default function StripChart({
  kind,
  forecasts,
  names,
}: {
  kind: Kind;
  forecasts: readonly Forecast[];
  names: readonly string[];
}) {
  const sides = forecasts.map((forecast) => forecast.sides[0]!);
  const unique = names.map((name, i) => (names.indexOf(name) === i ? name : `${name} `));
  if (kind === "finish" || kind === "moving") {
    const rows = forecasts.map((forecast, i) =>
      kind === "finish"
        ? {
            name: unique[i],
            finishes: 100 * sides[i]!.finish,
            "does not finish": 100 * Math.max(0, 1 - sides[i]!.finish - forecast.cut),
            "too long to predict": 100 * forecast.cut,
          }
        : {
            name: unique[i],
            sending: 100 * forecast.share.acting,
            fetching: 100 * forecast.share.fetching,
            waiting: 100 * forecast.share.waiting,
          },
    );
    const bars =
      kind === "finish"
        ? ["gets there", "does not", ...(forecasts.some((forecast) => forecast.cut >= 0.005) ? ["cut off"] : [])]
        : ["sending", "fetching", "waiting"];
    return (
      <ResponsiveContainer width="100%" height={260}>
        <BarChart data={rows} layout="vertical" margin={{ left: 40 }} accessibilityLayer>
          <CartesianGrid horizontal={false} strokeOpacity={0.4} />
          <XAxis type="number" domain={[0, 100]} allowDataOverflow tickFormatter={percentTick} />
          <YAxis type="category" dataKey="name" width={110} />
          <Tooltip formatter={(valueType) => `${Number(valueType).toFixed(0)}%`} />
          <Legend itemSorter={null} formatter={(name) => <span className="text-ink">{name}</span>} />
          {bars.map((bar, i) => (
            <Bar
              key={bar}
              dataKey={bar}
              stackId="one"
              fill={
                (kind === "finish"
                  ? ["var(--color-teal-paint)", "var(--color-coral)", "var(--color-hair)"]
                  : ["var(--color-teal-paint)", "var(--color-mint)", "var(--color-hair)"])[i]
              }
              isAnimationActive={false}
            />
          ))}
        </BarChart>
      </ResponsiveContainer>
    );
  }
  const all =
    kind === "sends"
      ? sides.map((side) => side.sends)
      : kind === "points"
        ? sides.map((side) => side.points)
        : forecasts.map((forecast) => forecast.time);
  return (
    <ResponsiveContainer width="100%" height={300}>
      <BarChart data={binned(all, unique, kind === "minutes" ? 600 : 1)} accessibilityLayer>
        <CartesianGrid vertical={false} strokeOpacity={0.4} />
        <XAxis
          dataKey="at"
          tickFormatter={(value: number) => (kind === "minutes" ? value.toFixed(1) : String(value))}
        />
        <YAxis tickFormatter={percentTick} width={48} />
        <Tooltip formatter={(valueType) => `${Number(valueType).toFixed(1)}%`} />
        <Legend itemSorter={null} formatter={(name) => <span className="text-ink">{name}</span>} />
        {unique.map((name, i) => (
          <Bar key={name} dataKey={name} fill={FILLS[i]} isAnimationActive={false} />
        ))}
      </BarChart>
    </ResponsiveContainer>
  );
}
