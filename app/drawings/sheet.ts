import { paths } from "./paths.ts";

/** All drawings as one SVG file, each under its name. */
export function drawingSheet(): string {
  const all = Object.entries(paths).map(([id, value]) => `<path id="${id}" d="${value}"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg">\n<defs>\n${all.join("\n")}\n</defs>\n</svg>\n`;
}
