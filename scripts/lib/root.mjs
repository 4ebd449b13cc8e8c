import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** The checkout. */
export const root = join(dirname(fileURLToPath(import.meta.url)), "..", "..");
export const bin = (name) => join(root, "node_modules", ".bin", name);
