import { createHmac } from "node:crypto";

/** The address part of the link that makes the first school and its first teacher. It is derived from the server's secret. */
export const firstToken = (secret: string): string =>
  createHmac("sha256", secret).update("first administrator").digest("base64url");
