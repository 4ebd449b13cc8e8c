import { type Look, type Stroke, strokesOf } from "./draw.ts";
import { endOfRunOn, type Part, partsOf } from "./parts.ts";

/** Millimetres a metre, and room around, on the drawing. */
const PER_METRE = 100;
const MARGIN = 40;

const escaped = (t: string) =>
  t.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");
const mm = (metres: number) => (metres * PER_METRE).toFixed(1);

const DASHES: Partial<Record<Look, string>> = { field: "14 8", run: "18 12", roll: "16 12", net: "4 6" };
/** One stroke of what is laid out beside the game. */
function strokeSvg(
  s: Stroke,
  x: (along: number) => string,
  y: (across: number) => string,
  drawing: (item: string) => string,
): string {
  const style = (look: Look) => (DASHES[look] ? ` stroke-dasharray="${DASHES[look]}"` : "");
  switch (s.kind) {
    case "poly":
      return `<path d="M${s.points.map((p) => `${x(p.along)} ${y(p.across)}`).join("L")}${s.closed ? "Z" : ""}"${style(s.look)}/>`;
    case "disc":
      return `<circle cx="${x(s.at.along)}" cy="${y(s.at.across)}" r="${mm(s.radius)}"/>`;
    case "person":
      return `<circle cx="${x(s.at.along)}" cy="${y(s.at.across)}" r="15" stroke-dasharray="4 4"/>`;
    case "thing":
      return `<path d="${drawing(s.item)}" transform="translate(${x(s.at.along)} ${y(s.at.across)}) scale(${(Math.max(14, s.size * PER_METRE) / 40).toFixed(3)}) translate(-20 -20)"/>`;
    case "text": {
      const under = s.under === undefined ? 5 : (s.under * PER_METRE) / 2 + 14;
      return `<text x="${x(s.at.along)}" y="${(Number(y(s.at.across)) + under).toFixed(1)}" text-anchor="middle" stroke="none" fill="#14241f">${escaped(s.text)}</text>`;
    }
  }
}

/**
 * A plan from above as an SVG document, one user unit a millimetre at 1 : 10, start line left. `drawing` gives the stroke of a target (in a
 * square of 40), `name` what is written beside it.
 */
export function planSvg(
  parts: readonly Part[],
  space: { length: number; width: number },
  {
    title,
    drawing,
    name,
  }: { title: string; drawing: (item: string) => string; name: (t: { label: string; item: string }) => string },
): string {
  const length = Math.max(space.length, endOfRunOn(parts));
  const w = length * PER_METRE + 2 * MARGIN;
  const h = space.width * PER_METRE + 2 * MARGIN;
  const x = (along: number) => (MARGIN + along * PER_METRE).toFixed(1);
  const y = (across: number) => (h / 2 + across * PER_METRE).toFixed(1);
  const out: string[] = [
    `<rect x="${x(0)}" y="${y(-space.width / 2)}" width="${mm(space.length)}" height="${mm(space.width)}" stroke-dasharray="6 8"/>`,
  ];
  for (const z of partsOf(parts, "zone"))
    out.push(
      `<rect x="${x(z.near)}" y="${y(z.across - z.width / 2)}" width="${mm(z.far - z.near)}" height="${mm(z.width)}"/>`,
      `<text x="${x((z.near + z.far) / 2)}" y="${y(z.across)}" text-anchor="middle" stroke="none" fill="#14241f">${z.points}</text>`,
    );
  out.push(...strokesOf(parts).map((s) => strokeSvg(s, x, y, drawing)));
  for (const l of partsOf(parts, "line").filter((p) => p.role === "start" || p.role === "band"))
    out.push(
      `<path d="M${x(l.along)} ${y(l.across - l.width / 2)}V${y(l.across + l.width / 2)}" stroke-width="${l.role === "start" ? 6 : 3}"/>`,
    );
  for (const t of partsOf(parts, "target")) {
    const size = Math.max(14, t.width * PER_METRE);
    out.push(
      `<path d="${drawing(t.item)}" transform="translate(${x(t.along)} ${y(t.across)}) scale(${(size / 40).toFixed(3)}) translate(-20 -20)"/>`,
      `<text x="${x(t.along)}" y="${(Number(y(t.across)) - size / 2 - 6).toFixed(1)}" text-anchor="middle" stroke="none" fill="#14241f">${escaped(name(t))}, ${t.along.toFixed(2)} m</text>`,
    );
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w.toFixed(1)} ${h.toFixed(1)}" width="${w.toFixed(1)}mm" height="${h.toFixed(1)}mm">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="100%" height="100%" fill="#fff"/>`,
    `<g fill="none" stroke="#14241f" stroke-width="2" stroke-linecap="round" stroke-linejoin="round" font-family="sans-serif" font-size="13">`,
    ...out,
    "</g>",
    "</svg>",
    "",
  ].join("\n");
}
