import { join, resolve } from "node:path";
import { startPostgres } from "./postgres.mjs";
import { root } from "./root.mjs";

/**
 * The database that a command of this checkout uses: the one named by DATABASE_URL, or else the built-in one, which
 * is started if it does not run.
 */
export const theDatabase = async () =>
  process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, stop: () => undefined }
    : startPostgres(resolve(process.env.YARD_DATA_DIR ?? join(root, ".yard-data")));
