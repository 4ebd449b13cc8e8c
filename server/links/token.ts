import { createHmac, timingSafeEqual } from "node:crypto";
import { config } from "../config.ts";

/** The length of the check part. 128 bits cannot be guessed. */
const CHECK_BYTES = 16;

function check(linkId: string, version: number): Buffer {
  return createHmac("sha256", config.YARD_SECRET).update(`link ${linkId} ${version}`).digest().subarray(0, CHECK_BYTES);
}

/**
 * The secret part of a private link. It is derived, so that it can be sent again. Another version gives another
 * address.
 */
export function linkToken(linkId: string, version: number): string {
  const id = Buffer.from(linkId.replaceAll("-", ""), "hex").toString("base64url");
  return `${id}.${check(linkId, version).toString("base64url")}`;
}

/** The link id in a token. Null if it is not a token at all. */
export function claimedLink(token: string): string | null {
  const match = /^([\w-]{22})\.[\w-]{22}$/.exec(token);
  if (!match) return null;
  const hex = Buffer.from(match[1]!, "base64url").toString("hex");
  return hex.length === 32 ? hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5") : null;
}

/** Checks a token against a link and its version, in constant time. */
export function tokenIsTrue(token: string, linkId: string, version: number): boolean {
  const given = Buffer.from(token.split(".")[1] ?? "", "base64url");
  return given.length === CHECK_BYTES && timingSafeEqual(given, check(linkId, version));
}
