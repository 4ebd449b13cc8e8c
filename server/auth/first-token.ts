import { createHmac } from "node:crypto";

/** The secret part of the link that creates the first school and teacher. It is derived from the server's secret. */
export const firstToken = (secret: string): string =>
  createHmac("sha256", secret).update("first administrator").digest("base64url");
