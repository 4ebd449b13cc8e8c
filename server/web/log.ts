import pino from "pino";
import { config } from "../config.ts";

/** To standard output, one line of JSON each: no names, tokens, links or answers of anybody. */
export const log = pino({ level: config.YARD_LOG, base: null, timestamp: pino.stdTimeFunctions.isoTime });

/** First parts of addresses whose next parts are secrets. */
const SECRET = [/^\/(f)\/.*/, /^\/(c)\/.*/, /^\/(api\/hand-in)\/.*/, /^\/(set-up)\/.*/];

/** An address fit for the log: private links and query left out, ids shortened to what they are. */
export function plainPath(path: string): string {
  const bare = path.split("?")[0]!.slice(0, 300);
  for (const regExp of SECRET) {
    const match = regExp.exec(bare);
    if (match) return `/${match[1]}/...`;
  }
  return bare.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/gi, ":id").replace(/[^\w\-./:~]/g, "?");
}
