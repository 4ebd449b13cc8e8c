import pino from "pino";
import { config } from "../config.ts";

/** Logs to standard output, one line of JSON each, without anybody's names, tokens, links or answers. */
export const log = pino({ level: config.YARD_LOG, base: null, timestamp: pino.stdTimeFunctions.isoTime });

/** Addresses that contain secrets. */
const SECRET = [/^\/(f)\/.*/, /^\/(c)\/.*/, /^\/(api\/hand-in)\/.*/, /^\/(set-up)\/.*/];

/** An address for the log, without private links and query. Ids are replaced by what they are. */
export function plainPath(path: string): string {
  const bare = path.split("?")[0]!.slice(0, 300);
  for (const regExp of SECRET) {
    const match = regExp.exec(bare);
    if (match) return `/${match[1]}/...`;
  }
  return bare.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/gi, ":id").replace(/[^\w\-./:~]/g, "?");
}
