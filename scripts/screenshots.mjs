import { cpSync, mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { openBrowser, press, signIn } from "./lib/browser.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { ensure } from "./lib/install.mjs";
import { freePort } from "./lib/port.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { root } from "./lib/root.mjs";
import { prepareDatabase, startWeb } from "./lib/serve.mjs";

/** `npm run screenshots` takes one current picture of each main view, from the demo school. */
await ensure("chromium");
ensureBuild();
const data = join(root, ".yard-test", "screenshots");
const folder = join(root, "docs", "screenshots");
/** Pictures are taken here first, so that a failed run leaves the previous ones. */
const taken = join(data, "taken");
rmSync(data, { recursive: true, force: true });
const database = await startPostgres(join(data, "database"), { fresh: true });
mkdirSync(taken, { recursive: true });
const { env, demo } = prepareDatabase(database.url, { weeks: true });
const web = await startWeb({ port: await freePort(), env });
const { browser, close } = await openBrowser();
const settle = () => new Promise((r) => setTimeout(r, 500));

try {
  const page = await browser.newPage();
  const shot = async (name) => {
    await settle();
    await page.screenshot({ path: join(taken, `${name}.png`) });
  };
  const go = (path) => page.goto(web.url + path, { waitUntil: "networkidle0" });
  await page.setViewport({ width: 1280, height: 800 });
  await signIn(page, web.url, demo.email, demo.password);
  for (const place of ["week", "activities", "homes", "things"]) {
    await go(`/${place}`);
    await shot(place);
  }
  await go("/activities");
  const shelf = await page.$$eval("main li a.font-head", (all) =>
    all.map((a) => [a.textContent, a.getAttribute("href")]),
  );
  const activity = (title) => shelf.find(([t]) => t === title)[1];
  const workbench = async (title, station, peg) => {
    await go(`${activity(title)}?station=${station}`);
    await page.waitForSelector("[data-strip=ready]");
    await page.$eval(`[data-peg=${peg}]`, (e) => e.focus());
    await page.evaluate(() => document.activeElement.blur());
  };
  await workbench("Hallway climb", "yard", "t3");
  await shot("workbench-climb");
  await go(`${activity("Hallway climb")}?station=kit`);
  await page.waitForSelector("details[aria-label=Homes]");
  await page.$$eval("label", (all) => all.find((l) => l.textContent.startsWith("toilet roll")).click());
  await page.waitForSelector("[aria-label='What the swap changes']");
  await shot("workbench-kit");
  await press(page, "Undo");
  // Saved as it was before, so that the next pages have nothing to restore.
  await new Promise((r) => setTimeout(r, 1500));
  await page.waitForSelector("[data-save=saved]");
  await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value: "dark" }]);
  await workbench("Stop on the step", "players", "b4");
  await shot("workbench-bands-dark");
  await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value: "light" }]);
  await workbench("Hallway climb", "score", "t2");
  await page.waitForSelector("[data-warnings]");
  for (let i = 0; i < 4; i++) await page.click("[aria-label='One step forward']");
  await shot("workbench-score");
  await go(`${activity("Clear the kitchen")}?station=levels`);
  await page.waitForSelector("[data-strip=ready]");
  await press(page, "Suggest levels");
  await page.waitForSelector("[data-level-rates]");
  await shot("workbench-levels");
  await press(page, "Undo");
  await go(`${activity("Hallway climb")}/rehearsal`);
  await page.waitForSelector("main canvas");
  // A speed at which it is not over before the picture is taken.
  await page.$$eval("fieldset label", (all) => all.find((l) => l.textContent.trim() === "×5").click());
  await page.waitForFunction(() => Number(document.querySelector("input[type=range]").value) > 45_000);
  await press(page, "Pause");
  await page.click("main ul li:nth-child(4) button");
  await shot("rehearsal");
  await go("/results");
  const results = await page.$$eval("tbody th a", (all) =>
    all.map((a) => [a.querySelector(".font-head").textContent, a.getAttribute("href")]),
  );
  await go(results.find(([t]) => t === "Stop on the step")[1]);
  await shot("results");
  // A game of an earlier week that the whole class has played.
  await go(results.find(([t]) => t === "Monday ladder")[1]);
  await page.$$eval("a", (all) => all.find((a) => a.textContent.trim() === "Next week").click());
  await page.waitForSelector("select[aria-label^='Level of']");
  await shot("next-week");
  // Waits until a child's games have been worked out.
  await page.waitForFunction(() => document.querySelectorAll("tbody a[href^='/children/']").length > 5);
  const children = await page.$$eval("tbody a[href^='/children/']", (all) => all.map((a) => a.getAttribute("href")));
  for (const child of children) {
    await go(child);
    if ((await page.$$("section .recharts-wrapper")).length > 2) break;
  }
  await shot("child");

  await workbench("Hallway climb", "yard", "t3");
  await press(page, "Layout beside the game");
  await press(page, "Slalom with a shot");
  await page.waitForSelector("[data-frame]");
  await page.$eval("[data-frame]", (e) => e.focus());
  for (let i = 0; i < 7; i++) await page.keyboard.press("ArrowDown");
  await page.$$eval("[role=toolbar] label", (all) => all.find((l) => l.textContent.includes("Keep clear")).click());
  await page.waitForSelector("[aria-label^='In a child'] [data-fit=adapted]");
  await page.$eval("[aria-label^='In a child']", (e) => e.scrollIntoView());
  await page.waitForSelector("[data-save=saved]");
  await shot("workbench-yard");

  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
  await go(`/f/${demo.family}`);
  const cards = await page.$$eval("main a[href*='/f/']", (all) =>
    all.map((a) => [a.textContent, a.getAttribute("href")]),
  );
  const card = (title) => cards.find(([t]) => t.includes(title))[1];
  await go(`/f/${demo.family}/home?part=space`);
  await page.$eval("input[name=shape][value=own]", (e) => e.click());
  await page.$eval("summary", (e) => e.click());
  const typed = async (name, text) => {
    await page.$eval(`textarea[name=${name}]`, (e) => e.select());
    await page.type(`textarea[name=${name}]`, text);
  };
  await typed("corners", "0 0\n7 0\n7 3\n5 5\n0 5");
  await typed("stands", "furniture 0 3.5 2 1.5\ndoor 6.5 1 0.5 1.5\nbreakable 2 0 1 0.5\ncarpet 2.5 1.5 3 2");
  await page.$eval("summary", (e) => e.click());
  await page.$eval("svg[role=group]", (e) => e.scrollIntoView({ block: "end" }));
  await shot("family-space");
  await go(card("Stop on the step"));
  await shot("family-fetch");
  await go(`${card("Hallway climb")}?screen=setup`);
  for (const _ of [1, 2, 3]) await press(page, "Next");
  await shot("family-set-up");
  const begin = async (title) => {
    await go(`${card(title)}?screen=look`);
    for (const b of await page.$$("input[type=checkbox]")) await b.click();
    await press(page, "Next: Play");
    await page.waitForFunction(
      () => document.body.innerText.includes("Who is playing?") || document.querySelector("main [aria-pressed]"),
    );
    // The question that is asked once before play.
    if (await page.$("main [aria-pressed]")) {
      await page.click("main [aria-pressed]");
      await press(page, "Now play");
      await page.waitForFunction(() => document.body.innerText.includes("Who is playing?"));
    }
  };
  await begin("Hallway climb");
  await press(page, "Play");
  for (const p of ["HIT", "MISS", "HIT"]) await press(page, p);
  await page.evaluate(() => scrollTo(0, 0));
  await shot("family-play-climb");
  await begin("Words on the wall");
  await press(page, "Play");
  for (const letter of ["S", "U", "D", "N", "S"]) await press(page, letter);
  await press(page, "End game");
  await press(page, "Hand in");
  await page.waitForFunction(() => document.body.innerText.includes("How did it feel?"));
  await page.evaluate(() => scrollTo(0, 0));
  await shot("family-hand-in");
  rmSync(folder, { recursive: true, force: true });
  cpSync(taken, folder, { recursive: true });
} finally {
  await close();
  await web.stop();
  database.stop();
  rmSync(data, { recursive: true, force: true });
}
