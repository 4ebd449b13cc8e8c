import { type Look, type Stroke, strokesOf, writtenOn } from "./draw.ts";
import { endOfRunOn, type Part } from "./parts.ts";

/** Millimetres of the drawing per metre, and the margin. */
const PER_METRE = 100;
const MARGIN = 40;
/** Dark on white, as on paper. */
const INK = "#14241f";

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");
const mm = (metres: number) => (metres * PER_METRE).toFixed(1);

const STYLES: Partial<Record<Look, string>> = {
  field: ' stroke-dasharray="14 8"',
  run: ' stroke-dasharray="18 12"',
  roll: ' stroke-dasharray="16 12"',
  net: ' stroke-dasharray="4 6"',
  start: ' stroke-width="6"',
};
/** An item is never drawn smaller than this, millimetres. */
const drawn = (metres: number) => Math.max(14, metres * PER_METRE);

function strokeSvg(
  stroke: Stroke,
  x: (along: number) => string,
  y: (across: number) => string,
  drawing: (item: string) => string,
): string {
  switch (stroke.kind) {
    case "poly":
      return `<path d="M${stroke.points.map((point) => `${x(point.along)} ${y(point.across)}`).join("L")}${stroke.closed ? "Z" : ""}"${STYLES[stroke.look] ?? ""}/>`;
    case "disc":
      return `<circle cx="${x(stroke.at.along)}" cy="${y(stroke.at.across)}" r="${mm(stroke.radius)}"/>`;
    case "person":
      return `<circle cx="${x(stroke.at.along)}" cy="${y(stroke.at.across)}" r="15" stroke-dasharray="4 4"/>`;
    case "item":
      if (stroke.sign !== undefined) {
        const weight = drawn(stroke.size);
        const [cx, cy] = [Number(x(stroke.at.along)), Number(y(stroke.at.across))];
        const letters = Math.min(weight * 0.6, (weight * 1.3) / stroke.sign.length).toFixed(1);
        const card = `<rect x="${(cx - weight / 2).toFixed(1)}" y="${(cy - weight / 2).toFixed(1)}" width="${weight.toFixed(1)}" height="${weight.toFixed(1)}" rx="2"/>`;
        return `${card}<text x="${cx.toFixed(1)}" y="${(cy + weight * 0.21).toFixed(1)}" text-anchor="middle" stroke="none" fill="${INK}" font-size="${letters}">${escaped(stroke.sign)}</text>`;
      }
      return `<path d="${drawing(stroke.item)}" transform="translate(${x(stroke.at.along)} ${y(stroke.at.across)}) scale(${(drawn(stroke.size) / 40).toFixed(3)}) translate(-20 -20)"/>`;
    case "text": {
      const beside = stroke.beside;
      let down = 5;
      if (beside && "side" in beside)
        down = beside.side === "over" ? -drawn(beside.size) / 2 - 6 : drawn(beside.size) / 2 + 14;
      else if (beside) down = 5 + 14 * Math.sign(beside.toward.across - stroke.at.across);
      return `<text x="${x(stroke.at.along)}" y="${(Number(y(stroke.at.across)) + down).toFixed(1)}" text-anchor="middle" stroke="none" fill="${INK}">${escaped(stroke.text)}</text>`;
    }
  }
}

/**
 * A plan from above as an SVG document at 1 : 10, with one user unit per millimetre and the start line on the left.
 * `drawing` returns the path of a target (in a square of 40), `name` its label.
 */
export function planSvg(
  parts: readonly Part[],
  space: { length: number; width: number },
  {
    title,
    drawing,
    name,
  }: { title: string; drawing: (item: string) => string; name: (target: { label: string; item: string }) => string },
): string {
  const length = Math.max(space.length, endOfRunOn(parts));
  const width = length * PER_METRE + 2 * MARGIN;
  const height = space.width * PER_METRE + 2 * MARGIN;
  const x = (along: number) => (MARGIN + along * PER_METRE).toFixed(1);
  const y = (across: number) => (height / 2 + across * PER_METRE).toFixed(1);
  const written = (part: Part) =>
    part.kind === "target" ? `${name(part)}, ${part.along.toFixed(2)} m` : writtenOn(part);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width.toFixed(1)} ${height.toFixed(1)}" width="${width.toFixed(1)}mm" height="${height.toFixed(1)}mm">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="100%" height="100%" fill="#fff"/>`,
    `<g fill="none" stroke="${INK}" stroke-width="2" stroke-linecap="round" stroke-linejoin="round" font-family="sans-serif" font-size="13">`,
    `<rect x="${x(0)}" y="${y(-space.width / 2)}" width="${mm(space.length)}" height="${mm(space.width)}" stroke-dasharray="6 8"/>`,
    ...strokesOf(parts, written).map((stroke) => strokeSvg(stroke, x, y, drawing)),
    "</g>",
    "</svg>",
    "",
  ].join("\n");
}
