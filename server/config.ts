import { z } from "zod";

const env = z.object({
  /** Signs in as the application's own role, never as the owner. */
  YARD_APP_DATABASE_URL: z.string().min(1),
  YARD_SECRET: z.string().min(32, "YARD_SECRET must be 32 characters or more"),
  /** How families reach the server, for links in messages; without it the address of the request is used. */
  YARD_ORIGIN: z.url().optional(),
});

/** Settings from the environment, checked once. A missing one stops the server with its name. */
export const config = (() => {
  const read = env.safeParse(process.env);
  if (read.success) return read.data;
  throw new Error(read.error.issues.map((i) => `${i.path.join(".")}: ${i.message}`).join("; "));
})();
