import { mkdtempSync, rmSync } from "node:fs";
import { availableParallelism, loadavg, tmpdir } from "node:os";
import { join } from "node:path";
import puppeteer from "puppeteer-core";
import { chromium } from "./install.mjs";

const FLAGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--force-color-profile=srgb",
  "--in-process-gpu",
  "--disable-extensions",
  "--disable-smooth-scrolling",
  "--animation-duration-scale=0",
  // Tabs of one site share a process, and with it the code that it has compiled.
  "--process-per-site",
];

/** How long to wait for something on a quiet machine, and at most on a slow one, seconds. */
const QUIET_PATIENCE = 20;
const MAX_PATIENCE = 180;
/** How long the loop below takes on a quiet machine of the kind that we measure on, milliseconds. */
const QUIET_LOOP = 200;
/** How many times slower this machine is now, because of its own speed and of other programs. */
function slowness() {
  const began = performance.now();
  let sum = 0;
  for (let i = 0; i < 3e7; i++) sum = (sum * 31 + i) % 1_000_003;
  const speed = (performance.now() - began) / QUIET_LOOP;
  const load = loadavg()[0] / availableParallelism();
  return sum < 0 ? 1 : Math.max(1, speed) * Math.max(1, load);
}
/** How long a browser test waits for something before it fails, milliseconds. YARD_PATIENCE sets it, in seconds. */
export const PATIENCE =
  1000 * Number(process.env.YARD_PATIENCE ?? Math.min(MAX_PATIENCE, Math.ceil(QUIET_PATIENCE * slowness())));

/**
 * A headless browser with a profile of its own. `profile` reuses one over several starts; `flags` are added to the
 * usual ones.
 * @param {{ profile?: string, flags?: string[] }} [options]
 */
export async function openBrowser({ profile, flags = [] } = {}) {
  const dir = profile ?? mkdtempSync(join(tmpdir(), "yard-browser-"));
  const { path, shell } = chromium();
  const browser = await puppeteer.launch({
    executablePath: path,
    headless: shell ? "shell" : true,
    userDataDir: dir,
    args: [...FLAGS, ...flags],
    protocolTimeout: 2 * PATIENCE,
  });
  browser.on("targetcreated", async (target) => {
    const page = target.type() === "page" ? await target.page() : null;
    page?.setDefaultTimeout(PATIENCE);
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      if (!profile) rmSync(dir, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
    },
  };
}

/** What a page still lacks before it can be used, in words; empty when it can. Runs in the page. */
function lacking(scripted) {
  if (document.readyState !== "complete") return `the document is ${document.readyState}`;
  if (document.fonts.status !== "loaded") return "fonts are loading";
  // A family page hydrates by its own script, every other page by the router's; a sheet does not hydrate at all.
  const family = document.getElementById("family-page");
  const root = family ?? ("__reactRouterContext" in window ? document.body : null);
  if (!scripted || !root) return "";
  const dead = (element) => !Object.keys(element).some((key) => key.startsWith("__reactFiber"));
  if (!root.firstElementChild || dead(root.firstElementChild)) return "the page is not hydrated";
  // Parts with a script of their own hydrate after the page around them.
  const late = family ? undefined : [...root.querySelectorAll("main button, main select")].find(dead);
  return late ? `not hydrated: ${late.outerHTML.slice(0, 200)}` : "";
}

/**
 * Waits until a page can be used: fonts are loaded, the page is hydrated, and the result is painted. Does not wait
 * for a quiet network, which alone takes half a second for each page.
 */
export async function ready(page) {
  const scripted = page.isJavaScriptEnabled();
  const until = performance.now() + PATIENCE;
  for (;;) {
    // A page that is just being replaced by another cannot be asked.
    const lacks = await page.evaluate(lacking, scripted).catch((error) => String(error));
    if (lacks === "") break;
    if (performance.now() > until) throw new Error(`${page.url()} never became ready: ${lacks}`);
    await new Promise((done) => setTimeout(done, 30));
  }
  if (!scripted) return;
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 60))));
}

/** Opens an address and waits until the page can be used. Returns the response. */
export async function open(page, url) {
  const answer = await page.goto(url, { waitUntil: "load" });
  await ready(page);
  return answer;
}

/** Signs a teacher in through the form. */
export async function signIn(page, base, email, password) {
  await open(page, `${base}/sign-in`);
  if (await page.$("header nav")) return;
  await page.type("input[name=email]", email);
  await page.type("input[name=password]", password);
  await page.click("button[type=submit]");
  await page.waitForSelector("header nav");
  await ready(page);
}

/** Clicks the first button or link with exactly this text. If the page replaces it meanwhile, clicks the new one. */
export async function press(page, words, tries = 3) {
  let found;
  try {
    found = await page.waitForFunction(
      (value) =>
        [...document.querySelectorAll("button, summary, [role=button], label"), ...document.querySelectorAll("a")].find(
          (element) =>
            ((element.getAttribute("aria-label") ?? "").trim() === value ||
              element.textContent.trim().replace(/\s+/g, " ") === value) &&
            element.getClientRects().length > 0 &&
            !element.disabled,
        ),
      { timeout: PATIENCE, polling: 50 },
      words,
    );
  } catch (error) {
    const says = await page.evaluate(() => document.body.innerText).catch(() => "(nothing)");
    throw new Error(`no button "${words}" to press. The page says:\n${says.slice(0, 2000)}`, { cause: error });
  }
  try {
    await found.evaluate((element) => element.scrollIntoView({ block: "center" }));
    await tapOnce(page, found);
  } catch (error) {
    if (tries < 2 || !/detached/.test(String(error))) throw error;
    await press(page, words, tries - 1);
  }
}

/** A second press so near, pixels, and so soon, milliseconds, would be ignored as a trembling thumb. */
const [NEAR, SOON] = [48, 350];
const pressed = new WeakMap();
/** Waits until a button has stopped moving. Content that loads beside it may push it away from under a press. */
const atRest = (button) =>
  button.evaluate(async (error) => {
    const place = () => {
      const { x: value, y } = error.getBoundingClientRect();
      return `${value} ${y}`;
    };
    const until = performance.now() + 2000;
    for (let was = ""; was !== place() && performance.now() < until; ) {
      was = place();
      await new Promise((done) => setTimeout(done, 40));
    }
  });
/** Presses a button, after waiting long enough for the press to count as a separate one. */
export async function tapOnce(page, button) {
  await atRest(button);
  const box = await button.boundingBox();
  const at = box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null;
  const last = pressed.get(page);
  if (at && last && Math.hypot(at.x - last.x, at.y - last.y) < NEAR) {
    const wait = SOON - (performance.now() - last.at);
    if (wait > 0) await new Promise((done) => setTimeout(done, wait));
  }
  await button.click();
  if (at) pressed.set(page, { ...at, at: performance.now() });
}
