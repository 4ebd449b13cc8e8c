import { type Look, type Stroke, strokesOf, writtenOn } from "./draw.ts";
import { endOfRunOn, type Part } from "./parts.ts";

/** Millimetres a metre, and room around, on the drawing. */
const PER_METRE = 100;
const MARGIN = 40;
/** Dark on white, as on paper. */
const INK = "#14241f";

const escaped = (t: string) =>
  t.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");
const mm = (metres: number) => (metres * PER_METRE).toFixed(1);

const STYLES: Partial<Record<Look, string>> = {
  field: ' stroke-dasharray="14 8"',
  run: ' stroke-dasharray="18 12"',
  roll: ' stroke-dasharray="16 12"',
  net: ' stroke-dasharray="4 6"',
  start: ' stroke-width="6"',
};
/** A thing is never drawn smaller than this, millimetres. */
const drawn = (metres: number) => Math.max(14, metres * PER_METRE);

function strokeSvg(
  s: Stroke,
  x: (along: number) => string,
  y: (across: number) => string,
  drawing: (item: string) => string,
): string {
  switch (s.kind) {
    case "poly":
      return `<path d="M${s.points.map((p) => `${x(p.along)} ${y(p.across)}`).join("L")}${s.closed ? "Z" : ""}"${STYLES[s.look] ?? ""}/>`;
    case "disc":
      return `<circle cx="${x(s.at.along)}" cy="${y(s.at.across)}" r="${mm(s.radius)}"/>`;
    case "person":
      return `<circle cx="${x(s.at.along)}" cy="${y(s.at.across)}" r="15" stroke-dasharray="4 4"/>`;
    case "thing":
      if (s.sign !== undefined) {
        const w = drawn(s.size);
        const [cx, cy] = [Number(x(s.at.along)), Number(y(s.at.across))];
        const letters = Math.min(w * 0.6, (w * 1.3) / s.sign.length).toFixed(1);
        const card = `<rect x="${(cx - w / 2).toFixed(1)}" y="${(cy - w / 2).toFixed(1)}" width="${w.toFixed(1)}" height="${w.toFixed(1)}" rx="2"/>`;
        return `${card}<text x="${cx.toFixed(1)}" y="${(cy + w * 0.21).toFixed(1)}" text-anchor="middle" stroke="none" fill="${INK}" font-size="${letters}">${escaped(s.sign)}</text>`;
      }
      return `<path d="${drawing(s.item)}" transform="translate(${x(s.at.along)} ${y(s.at.across)}) scale(${(drawn(s.size) / 40).toFixed(3)}) translate(-20 -20)"/>`;
    case "text": {
      const b = s.beside;
      let down = 5;
      if (b && "side" in b) down = b.side === "over" ? -drawn(b.size) / 2 - 6 : drawn(b.size) / 2 + 14;
      else if (b) down = 5 + 14 * Math.sign(b.toward.across - s.at.across);
      return `<text x="${x(s.at.along)}" y="${(Number(y(s.at.across)) + down).toFixed(1)}" text-anchor="middle" stroke="none" fill="${INK}">${escaped(s.text)}</text>`;
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
  const written = (p: Part) => (p.kind === "target" ? `${name(p)}, ${p.along.toFixed(2)} m` : writtenOn(p));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w.toFixed(1)} ${h.toFixed(1)}" width="${w.toFixed(1)}mm" height="${h.toFixed(1)}mm">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="100%" height="100%" fill="#fff"/>`,
    `<g fill="none" stroke="${INK}" stroke-width="2" stroke-linecap="round" stroke-linejoin="round" font-family="sans-serif" font-size="13">`,
    `<rect x="${x(0)}" y="${y(-space.width / 2)}" width="${mm(space.length)}" height="${mm(space.width)}" stroke-dasharray="6 8"/>`,
    ...strokesOf(parts, written).map((s) => strokeSvg(s, x, y, drawing)),
    "</g>",
    "</svg>",
    "",
  ].join("\n");
}
