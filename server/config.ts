import { z } from "zod";

/** Addresses as express takes them: single ones, networks, or the names of the usual private ranges. */
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
  /** Signs in as the application's own role, never as the owner. */
  YARD_APP_DATABASE_URL: z.string().min(1),
  YARD_SECRET: z.string().min(32, "YARD_SECRET must be 32 characters or more"),
  /** How families reach the server, for links in messages; without it the address of the request is used. */
  YARD_ORIGIN: z.url().optional(),
  /** Reverse proxies whose forwarded headers are believed; nobody's unless named. */
  YARD_TRUSTED_PROXIES: addresses,
  /** Least weight of what is logged. */
  YARD_LOG: z.enum(["debug", "info", "warn", "error", "silent"]).default("info"),
});

/** Settings from the environment, checked once. A missing one stops the server with its name. */
export const config = (() => {
  const read = env.safeParse(process.env);
  if (read.success) return read.data;
  throw new Error(read.error.issues.map((issue) => `${issue.path.join(".")}: ${issue.message}`).join("; "));
})();
