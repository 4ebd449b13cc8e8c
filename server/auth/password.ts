import { hash, verify } from "@node-rs/argon2";

/** OWASP's second setting for argon2id: 19 MiB, two passes. */
const SETTINGS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const MIN_PASSWORD = 10;

export const hashPassword = (password: string): Promise<string> => hash(password, SETTINGS);

/** Used if there is no such teacher, so that the time taken does not reveal it. */
const NOBODY = hashPassword("nobody signs in with this");
export async function passwordFits(password: string, stored: string | undefined): Promise<boolean> {
  const fits = await verify(stored ?? (await NOBODY), password);
  return stored !== undefined && fits;
}
