import { describe, expect, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import {
  base,
  beginPlay,
  cardOf,
  changed,
  demoTeacher,
  handIn,
  linkOf,
  open,
  phone,
  playing,
  press,
  sees,
  sending,
  tabs,
  teacherPage,
  text,
  title,
} from "./help.ts";

const browser = tabs();

/** A short Sweep: what it takes to hit two things. */
const short = () => {
  const climb = fromPattern("climb");
  return changed(climb, title(), { tries: 3 });
};

describe("who plays", () => {
  it("somebody joins before the first send, with a name; later somebody stops, and the other side is out", async () => {
    const activity = short();
    const page = await playing(browser, "Kezia O.", activity, 2, "Head to head");
    await page.click("[aria-label='Pause']");
    await sees(page, "Who is still playing?");
    await page.type("main input[maxlength='20']", "Nana");
    await press(page, "Someone joins on their own");
    await sees(page, "Nana");
    await press(page, "MISS");
    await sees(page, "Player 2, your turn.");
    await page.click("[aria-label='Pause']");
    // Between goes only.
    expect(await text(page)).not.toContain("Someone joins in");
    await press(page, "Player 2 has to stop");
    await sees(page, "Nana, your turn.");
    await sees(page, "Player 2: left");
    await press(page, "Undo");
    await sees(page, "Player 2, your turn.");
    await page.close();
  });

  it("where they do not agree, what the teacher chose is offered, and kept", async () => {
    const activity = changed(fromPattern("climb"), title(), { tries: 2 }, { calls: "looks" });
    const page = await playing(browser, "Lorcan T.", activity, 2, "Take turns");
    await press(page, "MISS");
    await press(page, "Change a roll");
    await press(page, "We disagree: the other player decides");
    await sees(page, "The other player says what they saw.");
    await page.close();
  });
});

describe("over a call", () => {
  it("waits for a grown-up's yes, shows three signs after every turn, and the other home sees the same by them", async () => {
    const pins = fromPattern("pins");
    const a = { ...pins, title: title(), players: { ...pins.players, call: true } };
    const page = await playing(browser, "Quill F.", a, 2, "Head to head", async (givenPage) => {
      await press(givenPage, "Play on a call with another home");
      expect(
        await givenPage.$eval("main button[type=submit]", (button) => (button as HTMLButtonElement).disabled),
      ).toBe(true);
      await press(givenPage, "A grown-up says yes");
    });
    const code = () => page.$eval("[data-call-code]", (element) => element.textContent!.trim());
    await page.waitForSelector("[data-call-code]");
    const before = await code();
    await press(page, "All of them");
    await page.waitForFunction(
      (was) => document.querySelector("[data-call-code]")?.textContent?.trim() !== was,
      {},
      before,
    );
    const now = await code();
    expect(now).toMatch(/^[2-9A-HJ-NP-Z]{3}$/);
    const mine = await page.$$eval("main p.font-bold.leading-none", (ps) => ps.map((element) => element.textContent));
    // The other home has the same card.
    const other = await phone(browser);
    await sending(["Umar Z."], a);
    await open(other, `${await cardOf(other, await linkOf("Umar Z."), a.title)}?screen=look`);
    for (const box of await other.$$("input[type=checkbox]:not(:checked)")) await box.click();
    await press(other, "Next: Play");
    await sees(other, "Who is playing?");
    await press(other, "2");
    await press(other, "Head to head");
    await press(other, "Play on a call with another home");
    await press(other, "A grown-up says yes");
    await press(other, "The other home keeps score");
    await sees(other, "Type the three signs they read out.");
    await other.type("main input", "?!");
    await press(other, "Show the score");
    await sees(other, "That code has a mistake.");
    await other.$eval("main input", (input) => {
      (input as HTMLInputElement).select();
    });
    await other.type("main input", now.toLowerCase());
    await press(other, "Show the score");
    await sees(other, `They: ${mine[0]}`);
    await other.close();
    await page.close();
  });
});

describe("two homes in one match", () => {
  it("the teacher pairs, both say yes under a word, each plays at home, and the server joins the two goes", async () => {
    const activity = short();
    const sent = await sending(["Quill F.", "Umar Z."], activity);
    const teacher = await teacherPage(browser);
    await open(teacher, `${base}/results/${sent}`);
    await teacher.click("summary ::-p-text(Match two homes)");
    await press(teacher, "Pair all 2 at random");
    await sees(teacher, "One match made.");
    await sees(teacher, "has not said yes yet");
    await open(teacher, `${base}/outbox`);
    await sees(teacher, `${activity.title}: Quill F. can play a match with another home`);
    await sees(teacher, `${activity.title}: Umar Z. can play a match with another home`);

    const one = await phone(browser);
    const cards = [await cardOf(one, await linkOf("Quill F."), activity.title)];
    const two = await phone(browser);
    cards.push(await cardOf(two, await linkOf("Umar Z."), activity.title));
    /** A page in the back draws nothing. */
    const front = async (page: typeof one, path: string) => {
      await page.bringToFront();
      await open(page, path);
    };
    const yes = async (page: typeof one, card: string, word: string) => {
      await front(page, `${card}/match`);
      await sees(page, "Choose your word");
      await press(page, word);
      await page.click("main input[name=yes]");
      await press(page, "We want to play");
    };
    await yes(one, cards[0]!, "Otter");
    await sees(one, "The other home has not said yes yet.");
    await front(two, `${cards[1]}/match`);
    // A word that is taken is not offered, and the child's name is not there.
    expect(await text(two)).not.toContain("Otter");
    expect(await text(two)).not.toContain("Quill");
    await yes(two, cards[1]!, "Comet");
    await sees(two, "The other home is called Otter.");

    const play = async (page: typeof one, card: string, hits: number) => {
      await page.bringToFront();
      await beginPlay(page, card);
      for (let i = 0; i < 3; i++) await press(page, i < hits ? "HIT" : "MISS");
      await handIn(page);
    };
    await play(one, cards[0]!, 1);
    await expect
      .poll(async () => {
        await front(one, `${cards[0]}/match`);
        return text(one);
      })
      .toContain("The other home has not played yet.");
    await play(two, cards[1]!, 2);
    await expect
      .poll(async () => {
        await front(one, `${cards[0]}/match`);
        return text(one);
      })
      .toContain("Comet won this time.");
    await front(two, `${cards[1]}/match`);
    await sees(two, "You won!");
    await front(teacher, `${base}/results/${sent}`);
    await sees(teacher, "Umar Z. won");
    for (const page of [one, two, teacher]) await page.close();
  });

  it("pressed twice nobody is paired twice; a word that the other home has is refused; closed without both is said", async () => {
    const { pairHomes, matchesOf, sayYes, familyMatch } = await import("../server/assignments/two-homes.ts");
    const { openLink } = await import("../server/links/open-link.ts");
    const sent = await sending(["Kezia O.", "Lorcan T.", "Quill F."], short());
    const { owner } = await import("./help.ts");
    const sql = owner();
    const who = await demoTeacher();
    const made = await Promise.all([pairHomes(who, sent, null), pairHomes(who, sent, null)]);
    const messages =
      await sql`select subject, body from message where assignment_id = ${sent} and subject like '%another home'`;
    expect(messages).toHaveLength(2);
    for (const message of messages)
      expect(
        ["Kezia", "Lorcan", "Quill"].filter((name) => `${message.subject} ${message.body}`.includes(name)),
      ).toHaveLength(1);
    expect(made.sort()).toEqual([0, 1]);
    const { matches, free } = await matchesOf(who, sent);
    expect([matches.length, free.length]).toEqual([1, 1]);
    const of = async (name: string) => {
      const link = await openLink((await linkOf(name)).split("/f/")[1]!);
      if ("trouble" in link) throw new Error(link.trouble);
      const [record] =
        await sql`select k.id from card k where k.assignment_id = ${sent} and k.child_id = ${link.childId}`;
      return [link, record!.id as string] as const;
    };
    const [a, b] = await Promise.all(matches[0]!.sides.map((side) => of(side.child)));
    const both = await Promise.allSettled([sayYes(...a!, "otter"), sayYes(...b!, "otter")]);
    expect(both.map((x) => x.status).sort()).toEqual(["fulfilled", "rejected"]);
    const later = new Date(Date.now() + 7_200_000);
    expect((await familyMatch(...a!, later)).joined.state).toBe("missing");
    // The one who is in no match has no such page.
    await expect(familyMatch(...(await of(free[0]!.name)))).rejects.toThrow("match");
    await sql.end();
  });
});
