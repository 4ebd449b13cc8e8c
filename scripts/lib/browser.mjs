import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import puppeteer from "puppeteer-core";
import { chromiumPath } from "./install.mjs";

const FLAGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--force-color-profile=srgb",
];

/**
 * A headless browser with a profile of its own; `profile` keeps one over several starts; `flags` are added to its own.
 * @param {{ profile?: string, flags?: string[] }} [options]
 */
export async function openBrowser({ profile, flags = [] } = {}) {
  const dir = profile ?? mkdtempSync(join(tmpdir(), "yard-browser-"));
  const browser = await puppeteer.launch({
    executablePath: chromiumPath(),
    headless: true,
    userDataDir: dir,
    args: [...FLAGS, ...flags],
    protocolTimeout: 60_000,
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      if (!profile) rmSync(dir, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
    },
  };
}

/** Signs a teacher in through the form. */
export async function signIn(page, base, email, password) {
  await page.goto(`${base}/sign-in`, { waitUntil: "networkidle0" });
  if (await page.$("header nav")) return;
  await page.type("input[name=email]", email);
  await page.type("input[name=password]", password);
  await Promise.all([
    page.waitForNavigation({ waitUntil: "networkidle0" }).catch(() => undefined),
    page.click("button[type=submit]"),
  ]);
  await page.waitForSelector("header nav");
}

/** Clicks the first button or link whose words are just these. */
export async function press(page, words) {
  const found = await page.waitForFunction(
    (w) =>
      [...document.querySelectorAll("button, summary, [role=button], label"), ...document.querySelectorAll("a")].find(
        (e) =>
          ((e.getAttribute("aria-label") ?? "").trim() === w || e.textContent.trim().replace(/\s+/g, " ") === w) &&
          e.getClientRects().length > 0 &&
          !e.disabled,
      ),
    { timeout: 10_000 },
    words,
  );
  await found.evaluate((e) => e.scrollIntoView({ block: "center" }));
  await found.click();
}
