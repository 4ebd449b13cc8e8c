import { writeFileSync } from "node:fs";
import { drawingSheet } from "../app/drawings/sheet.ts";

/** Writes the sheet of all drawings that pages load. A test compares it with the list. */
writeFileSync(new URL("../app/drawings/drawings.svg", import.meta.url), drawingSheet());
