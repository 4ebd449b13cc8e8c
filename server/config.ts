import { z } from "zod";

/** Network addresses as Express accepts them: single ones, networks, or the names of the usual private ranges. */
const addresses = z
  .string()
  .default("")
  .transform((text) =>
    text
      .split(",")
      .map((action) => action.trim())
      .filter(Boolean),
  )
  .pipe(
    z.array(
      z
        .string()
        .regex(
          /^(loopback|linklocal|uniquelocal|[0-9a-f.:]+(\/\d{1,3})?)$/i,
          "must be addresses or networks with commas between them, for example 10.0.0.5, 10.1.0.0/16",
        ),
    ),
  );

const env = z.object({
  /** Signs in with the application's own role, never as the owner. */
  YARD_APP_DATABASE_URL: z.string().min(1),
  YARD_SECRET: z.string().min(32, "YARD_SECRET must be 32 characters or more"),
  /**
   * The address at which families reach the server, for links in messages. Without it, the address of the request is
   * used.
   */
  YARD_ORIGIN: z.url().optional(),
  /** Reverse proxies whose forwarded headers are trusted. None unless listed. */
  YARD_TRUSTED_PROXIES: addresses,
  /** The lowest level that is logged. */
  YARD_LOG: z.enum(["debug", "info", "warn", "error", "silent"]).default("info"),
});

/** Settings from the environment, checked once. If one is missing, the server stops and names it. */
export const config = (() => {
  const read = env.safeParse(process.env);
  if (read.success) return read.data;
  throw new Error(read.error.issues.map((issue) => `${issue.path.join(".")}: ${issue.message}`).join("; "));
})();
