import { eq } from "drizzle-orm";
import postgres from "postgres";
import { starterQuestions, starters } from "#core/aim/starters.ts";
import type { Card } from "#core/compile/card.ts";
import { type Activity, activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { random } from "#core/random.ts";
import { type BehaviorProfile, behaviorProfile, playGo } from "#core/simulated-player/child.ts";
import { addActivity } from "../activities/activities.ts";
import { markCriterion } from "../assignments/results.ts";
import { sendActivity } from "../assignments/send.ts";
import { openCard } from "../cards/family.ts";
import { inForce } from "../cards/versions.ts";
import { idFrom } from "../content-hash.ts";
import { addSchool } from "../db/add-school.ts";
import { schema, withTenant } from "../db/client.ts";
import { beginAnswer, saveAnswer } from "../homes/answers.ts";
import { askFamilies } from "../homes/ask.ts";
import { saveItem } from "../kit/items.ts";
import { linkToken } from "../links/token.ts";
import { acceptSubmission } from "../submissions/accept.ts";
import { DEMO_CHILD, DEMO_EMAIL, DEMO_PASSWORD, DEMO_SCHOOL, ownItem, tidewell } from "./tidewell.ts";

/**
 * Loads Tidewell Bridge School into an empty database: two classes and three assignments of two activities, two
 * thirds of them played, some late, some unopened, and one activity in progress in the workbench. Loaded once. Prints
 * how to sign in, as JSON. With YARD_DEMO_WEEKS=on, eight weeks of one class come before them.
 */
const DAY = 86_400_000;
const HOUR = 3_600_000;

function withTexts(givenActivity: Activity, over: Partial<Activity>): Activity {
  const starter = starters[givenActivity.aim.action];
  const entries = (prefix: string, list: readonly string[]) =>
    list.map((text, i) => ({ id: `${prefix}${i + 1}`, text }));
  return activity.parse({
    ...givenActivity,
    aim: { ...givenActivity.aim, outcome: starter.outcomes[0]!, standards: ["Movement 2.3"] },
    cues: entries("cue", starter.cues.slice(0, 4)),
    criteria: entries("look", starter.criteria.slice(0, 3)),
    reflection: [...starterQuestions],
    ...over,
  });
}

interface Sending {
  activityId: string;
  document: Activity;
  classId: string;
  opens: number;
  closes: number;
  tries: number;
  mark: number | null;
  /** Only this many children of the class, by name, and the child whose link is printed. */
  few?: number;
  /** The shares of the class that never open it, only open it, or hand in after closing. */
  unopened: number;
  onlyLook: number;
  late: number;
  /** How a child who usually plays in this way plays here, by the child's index. As usual if left out. */
  plays?: (usual: BehaviorProfile, child: number) => BehaviorProfile;
  /** The child whose link is printed plays as well. */
  everybody?: boolean;
}

/** The data for one simulated assignment: the order, the time and the random numbers. */
interface Drawing {
  sending: Sending;
  now: number;
  seed: number;
  draw: () => number;
}
/** Identifies go number `g` of child number `i`. */
interface OneGo {
  link: { schoolId: string; childId: string };
  card: { id: string; hash: string; compiled: Card; age: number };
  i: number;
  g: number;
  lookedAt: number;
  until: number;
  usual: ReturnType<typeof behaviorProfile>;
}
/** Simulates one go of a child, from the first attempt to handing in. */
async function playGoOf(
  { sending, now, seed, draw }: Drawing,
  { link, card, i, g, lookedAt, until, usual }: OneGo,
): Promise<void> {
  const { modes } = sending.document.players;
  const mode = draw() < 0.6 || !modes.includes("against") ? "alone" : "against";
  const setup = { players: mode === "alone" ? 1 : 2, mode, seed: i + g } as const;
  const begun = lookedAt + (0.2 + g * 3) * HOUR + draw() * HOUR;
  // In earlier weeks, children play in the afternoon.
  const afternoon = Math.floor(begun / DAY) * DAY + (14 + g) * HOUR + (begun % HOUR);
  const startedAt = Math.min(until - 600_000, sending.everybody ? afternoon : begun);
  const stops = draw() < 0.06 ? 0.08 : 0;
  const events = playGo(card.compiled.activity, {
    ages: [card.age, draw() < 0.5 ? 36 : card.age + 1],
    tempers: [sending.plays?.(usual, i) ?? usual, behaviorProfile(seed * 100 + i + 50)],
    setup,
    seed: seed * 1000 + i * 10 + g,
    stops,
  });
  const handedAt =
    sending.closes < 0 && draw() < sending.late
      ? now + sending.closes + 6 * HOUR + draw() * 20 * HOUR
      : startedAt + events[events.length - 1]!.at + 60_000;
  const feel = () => 1 + Math.min(4, Math.floor(5 * Math.sqrt(draw())));
  await acceptSubmission(
    link,
    {
      play: idFrom(`${seed} ${i} ${g}`),
      card: card.id,
      cardHash: card.hash,
      device: `demo-device-${i}`,
      setup,
      rulesVersion: opened(sending.document).pattern.rulesVersion,
      startedAt: Math.round(startedAt),
      events: events.map((event, seq) => ({ seq, event })),
      result: {
        events: events.length,
        reflection: {
          before: feel(),
          during: feel(),
          after: feel(),
          answers: [ANSWERS[Math.floor(draw() * ANSWERS.length)]!, PLANS[Math.floor(draw() * PLANS.length)]!],
          criteria: sending.document.criteria.filter(() => draw() < 0.6).map((criterion) => criterion.id),
          grownUp: draw() < 0.8,
          ...(g === 0 && sending.document.answers && { chose: [0, 0, 0, 1, 2][(i * 7) % 5]! }),
        },
      },
    },
    new Date(Math.min(now, handedAt)),
  );
}

async function play(
  who: { teacherId: string; schoolId: string },
  sending: Sending,
  now: number,
  seed: number,
): Promise<void> {
  const opensAt = new Date(now + sending.opens);
  const closesAt = new Date(now + sending.closes);
  const all = await withTenant(who.schoolId, (tx) =>
    tx
      .select({ id: schema.child.id, name: schema.child.name })
      .from(schema.child)
      .where(eq(schema.child.classId, sending.classId))
      .orderBy(schema.child.name),
  );
  const some = sending.few
    ? all.filter((child, i) => i < sending.few! || child.name === DEMO_CHILD).map((child) => child.id)
    : null;
  const id = await sendActivity(
    who,
    sending.activityId,
    {
      children: some,
      orderId: idFrom(`order ${seed}`),
      classId: sending.classId,
      opensAt,
      closesAt,
      tries: sending.tries,
      mark: sending.mark,
    },
    null,
  );
  const cards = await withTenant(who.schoolId, (tx) =>
    tx
      .select({
        id: schema.card.id,
        hash: schema.card.hash,
        compiled: schema.cardVersion.compiled,
        childId: schema.child.id,
        name: schema.child.name,
        age: schema.child.age,
      })
      .from(schema.card)
      .innerJoin(schema.cardVersion, inForce)
      .innerJoin(schema.child, eq(schema.child.id, schema.card.childId))
      .where(eq(schema.card.assignmentId, id))
      .orderBy(schema.child.name),
  );
  const draw = random(seed);
  for (const [i, card] of cards.entries()) {
    const fate = draw();
    if ((card.name === DEMO_CHILD && !sending.everybody) || fate < sending.unopened) continue;
    const link = { schoolId: who.schoolId, childId: card.childId };
    // The same child plays in the same way in every game.
    const usual = behaviorProfile(numberOf(card.name));
    const until = Math.min(now, now + sending.closes);
    const lookedAt = now + sending.opens + draw() * (until - now - sending.opens) * 0.8;
    await openCard(link, card.id, new Date(lookedAt));
    if (fate < sending.unopened + sending.onlyLook) continue;
    const goes = 1 + Math.floor(draw() * Math.min(3, sending.tries + 0.3));
    for (let g = 0; g < goes; g++)
      await playGoOf({ sending, now, seed, draw }, { link, card, i, g, lookedAt, until, usual });
    for (const criterion of sending.document.criteria)
      if (draw() < 0.4)
        await markCriterion(who, id, {
          cardId: card.id,
          criterion: criterion.id,
          mark: draw() < 0.5 ? "yes" : draw() < 0.6 ? "nearly" : "notYet",
        });
  }
}
/** A number derived from a name, always the same. */
const numberOf = (name: string) => [...name].reduce((sum, text) => (31 * sum + text.codePointAt(0)!) % 1_000_003, 7);
const ANSWERS = [
  "Bending my knees.",
  "Looking at the target.",
  "Going slowly.",
  "My sister showed me.",
  "Pointing at the end.",
  "",
];
const PLANS = ["Stand closer first.", "Push softer.", "Use my other hand.", "Take a bigger step.", ""];

/** The school's name until loading is complete. */
const UNFINISHED = `${DEMO_SCHOOL} (being set up)`;

async function load(owner: postgres.Sql): Promise<void> {
  const { schoolId, teacherId } = await addSchool(owner, { ...tidewell(), school: UNFINISHED });
  const who = { schoolId, teacherId };
  await saveItem(who, ownItem, true);
  const climbBase = fromPattern("climb");
  const climb = withTexts({ ...climbBase, title: "Hallway climb" }, {});
  const bandsBase = fromPattern("bands");
  const bands = withTexts({ ...bandsBase, title: "Stop on the step", ages: { from: 7, to: 11 } }, {});
  const waiting = withTexts(
    { ...climbBase, title: "Doorway roll" },
    {
      pattern: {
        name: "climb",
        params: {
          ladder: {
            kind: "line",
            target: { id: "t1", item: "box", label: "box", across: 0, width: 0.3, height: 0.22, counts: ["touch"] },
            lines: [1, 1.6, 2.2, 2.8, 3.4, 4],
          },
          tries: 20,
          scoring: { by: "points", first: 1, growth: 1 },
          forfeit: { misses: 3, exercise: "star jumps", dose: 6 },
        },
      },
    },
  );
  const pins = withTexts(
    { ...fromPattern("pins") },
    {
      family: [{ field: "params.frames", values: [3, 4, 5, 6, 7, 8] }],
      question: "You roll with your right hand. Which foot is in front?",
      answers: {
        list: [
          { picture: "pic-leftFoot", text: "The left foot" },
          { picture: "pic-rightFoot", text: "The right foot" },
          { picture: "pic-feetLevel", text: "Both side by side" },
        ],
        right: 0,
        explain: "With the other foot in front, you can bend low and swing your arm freely.",
      },
    },
  );
  const line = withTexts({ ...fromPattern("threeLine") }, { ages: { from: 7, to: 11 } });
  const count = withTexts({ ...fromPattern("tally") }, {});
  const climbId = await addActivity(who, climb);
  const bandsId = await addActivity(who, bands);
  await addActivity(who, waiting);
  const [pinsId, lineId, countId] = [
    await addActivity(who, pins),
    await addActivity(who, line),
    await addActivity(who, count),
  ] as const;
  const classes = await withTenant(schoolId, (tx) =>
    tx.select().from(schema.schoolClass).orderBy(schema.schoolClass.name),
  );
  const [heron, otter] = classes.map((row) => row.id) as [string, string];
  const now = Date.now();
  await askFamilies(who, heron, "invite");
  await askFamilies(who, otter, "invite");
  // Two families came through the class link, one under the name in the roster and one not.
  for (const [name, n] of [
    ["amina d", 3],
    ["Little Rafe", 2],
  ] as const) {
    const to = { schoolId, classId: heron };
    const id = await beginAnswer(to, "demo");
    const answers = { kit: { sock: 6, towel: 2, shoebox: n, cushion: 2 }, space: null, players: n };
    await saveAnswer(to, id, { given: answers, name });
  }
  // School hours on some day from today.
  const at = (days: number, hour: number) => Math.floor(now / DAY) * DAY + days * DAY + hour * HOUR - now;
  const common = { tries: 3, late: 0.15 };
  await play(
    who,
    {
      ...common,
      activityId: bandsId,
      document: bands,
      classId: otter,
      opens: at(-6, 9),
      closes: at(-1, 16) - (at(-1, 16) > -2 * HOUR ? DAY : 0),
      mark: 46,
      unopened: 0.12,
      onlyLook: 0.12,
    },
    now,
    11,
  );
  await play(
    who,
    {
      ...common,
      activityId: climbId,
      document: climb,
      classId: heron,
      opens: at(-3, 9),
      closes: at(2, 16),
      mark: 18,
      unopened: 0.15,
      onlyLook: 0.18,
    },
    now,
    12,
  );
  await play(
    who,
    {
      ...common,
      activityId: bandsId,
      document: bands,
      classId: heron,
      opens: at(-1, 9),
      closes: at(5, 16),
      mark: 38,
      unopened: 0.2,
      onlyLook: 0.18,
    },
    now,
    13,
  );
  await play(
    who,
    {
      ...common,
      activityId: pinsId,
      document: pins,
      classId: heron,
      opens: at(-2, 9),
      closes: at(4, 16),
      mark: 30,
      unopened: 0.3,
      onlyLook: 0.25,
    },
    now,
    14,
  );
  await play(
    who,
    {
      ...common,
      activityId: countId,
      few: 9,
      document: count,
      classId: heron,
      opens: at(-2, 10),
      closes: at(6, 16),
      mark: 80,
      unopened: 0.3,
      onlyLook: 0.25,
    },
    now,
    15,
  );
  await play(
    who,
    {
      ...common,
      activityId: lineId,
      few: 9,
      document: line,
      classId: otter,
      opens: at(-2, 9),
      closes: at(4, 16),
      mark: 4,
      unopened: 0.3,
      onlyLook: 0.25,
    },
    now,
    16,
  );
  // Short activities, each for a few children of a class.
  const short = [
    ["sweep", otter, 12],
    ["board", heron, 30],
    ["streak", otter, 2],
    ["speller", heron, 8],
  ] as const;
  for (const [i, [name, classId, mark]] of short.entries()) {
    const document = withTexts({ ...fromPattern(name) }, {});
    const activityId = await addActivity(who, document);
    const times = { opens: at(-2, 11), closes: at(3, 16), unopened: 0.3, onlyLook: 0.2 };
    await play(who, { ...common, ...times, activityId, few: 7, document, classId, mark }, now, 17 + i);
  }
  if (process.env.YARD_DEMO_WEEKS === "on") await weeks(who, heron, now);
  await owner`update school set name = ${DEMO_SCHOOL} where id = ${schoolId}`;
}

/** How many weeks of one class come before today, with one game each. */
const WEEKS = 8;
/** The games, week by week. */
const WEEKLY = ["climb", "board", "climb", "tally", "pins", "climb", "board", "climb"] as const;
/** The factor by which the spread of a typical child shrinks from one week to the next. */
const BETTER = 0.965;
/** One of this many children is far behind, and one far ahead. */
const ONE_IN = 9;

/**
 * Eight weeks of a class, so that there is something to learn about each child. The children miss in another way than
 * the forecast assumes: each has a bias, throws some wild and gets tired. Each child keeps that way of playing.
 */
async function weeks(who: { teacherId: string; schoolId: string }, classId: string, now: number): Promise<void> {
  const documents = new Map<string, { id: string; document: Activity }>();
  for (const name of new Set(WEEKLY)) {
    const document = withTexts({ ...fromPattern(name), title: WEEKLY_TITLES[name] }, {});
    documents.set(name, { id: await addActivity(who, document), document });
  }
  for (const [week, name] of WEEKLY.entries()) {
    const { id, document } = documents.get(name)!;
    const ago = WEEKS - week;
    const plays = (own: BehaviorProfile, i: number): BehaviorProfile => {
      const far = i % ONE_IN === 0 ? 1.7 : i % ONE_IN === 4 ? 0.55 : 1;
      return { ...own, skill: own.skill * far * BETTER ** (week * (0.4 + (i % 4) * 0.4)) };
    };
    const opens = -ago * 7 * DAY - 2 * DAY;
    await play(
      who,
      {
        activityId: id,
        document,
        classId,
        opens,
        closes: opens + 5 * DAY,
        tries: 2,
        mark: null,
        unopened: 0.08,
        onlyLook: 0.07,
        late: 0.05,
        plays,
        everybody: true,
      },
      now,
      200 + week,
    );
  }
}
const WEEKLY_TITLES = {
  climb: "Monday ladder",
  board: "Sticker board",
  tally: "Keep it up",
  pins: "Bottle alley",
} as const;

const owner = postgres(process.env.DATABASE_URL!, { max: 1, onnotice: () => undefined });
const LOCK = 7_214_504;
await owner`select pg_advisory_lock(${LOCK})`;
// A load that was interrupted is removed and repeated.
await owner`delete from school where name = ${UNFINISHED}`;
const [known] = await owner`select count(*)::int as n from school`;
if (known!.n === 0 && process.env.YARD_DEMO === "1") await load(owner);
const [link] = await owner`
  select l.id, l.version from link l join child c on c.id = l.child_id join school s on s.id = l.school_id
  where c.name = ${DEMO_CHILD} and s.name = ${DEMO_SCHOOL} and l.withdrawn_at is null`;
await owner.end();
process.stdout.write(
  `${JSON.stringify(link ? { email: DEMO_EMAIL, password: DEMO_PASSWORD, family: linkToken(link.id, link.version) } : null)}\n`,
);
process.exit(0);
