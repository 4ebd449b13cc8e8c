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

/** A share of a bar: its name, its colour and its size, from 0 to 1. */
interface Share {
  name: string;
  fill: string;
  of: (forecast: Forecast) => number;
}
const finish = (forecast: Forecast) => forecast.sides[0]!.finish;
const SHARES: Record<"finish" | "moving", readonly Share[]> = {
  finish: [
    { name: "finishes", fill: "var(--color-teal-paint)", of: finish },
    {
      name: "does not finish",
      fill: "var(--color-coral)",
      of: (forecast) => Math.max(0, 1 - finish(forecast) - forecast.cut),
    },
    { name: "too long to predict", fill: "var(--color-hair)", of: (forecast) => forecast.cut },
  ],
  moving: [
    { name: "playing", fill: "var(--color-teal-paint)", of: (forecast) => forecast.share.acting },
    { name: "fetching", fill: "var(--color-mint)", of: (forecast) => forecast.share.fetching },
    { name: "waiting", fill: "var(--color-hair)", of: (forecast) => forecast.share.waiting },
  ],
};
/** A smaller share than this is left out of the legend. */
const LEAST_SHARE = 0.005;

/** One bar for each child, divided into shares that add up to the whole. */
function Shares({
  shares,
  forecasts,
  names,
}: {
  shares: readonly Share[];
  forecasts: readonly Forecast[];
  names: readonly string[];
}) {
  const rows = forecasts.map((forecast, i) => ({
    name: names[i],
    ...Object.fromEntries(shares.map((share) => [share.name, 100 * share.of(forecast)])),
  }));
  return (
    <ResponsiveContainer width="100%" height={260}>
      <BarChart data={rows} layout="vertical" margin={{ left: 40 }} accessibilityLayer>
        <CartesianGrid horizontal={false} strokeOpacity={0.4} />
        <XAxis type="number" domain={[0, 100]} allowDataOverflow tickFormatter={percentTick} />
        <YAxis type="category" dataKey="name" width={110} />
        <Tooltip formatter={(value) => `${Number(value).toFixed(0)}%`} />
        <Legend itemSorter={null} formatter={(name) => <span className="text-ink">{name}</span>} />
        {shares
          .filter((share) => forecasts.some((forecast) => share.of(forecast) >= LEAST_SHARE))
          .map((share) => (
            <Bar key={share.name} dataKey={share.name} stackId="one" fill={share.fill} isAnimationActive={false} />
          ))}
      </BarChart>
    </ResponsiveContainer>
  );
}

/** The picture behind one part of the strip: the youngest, the typical and the oldest child together. */
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
  if (kind === "finish" || kind === "moving")
    return <Shares shares={SHARES[kind]} forecasts={forecasts} names={unique} />;
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
        <Tooltip formatter={(value) => `${Number(value).toFixed(1)}%`} />
        <Legend itemSorter={null} formatter={(name) => <span className="text-ink">{name}</span>} />
        {unique.map((name, i) => (
          <Bar key={name} dataKey={name} fill={FILLS[i]} isAnimationActive={false} />
        ))}
      </BarChart>
    </ResponsiveContainer>
  );
}
