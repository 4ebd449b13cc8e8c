import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  real,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import type { Card } from "#core/compile/card.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { Item } from "#core/kit/item.ts";
import type { PlayEvent } from "#core/records/events.ts";
import type { HomeAnswers, HomeKit, HomeSpace } from "#core/records/home.ts";
import type { PlayScore, PlaySetup, Reflection } from "#core/records/play.ts";

/** Instants in UTC. */
const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const created = () => instant("created_at").notNull().defaultNow();
const id = () => uuid("id").primaryKey().defaultRandom();
/** Every row of a school carries its key first, so that the database keeps schools apart (see the security migration). */
const schoolId = () =>
  uuid("school_id")
    .notNull()
    .references(() => school.id, { onDelete: "cascade" });

export const school = pgTable("school", {
  id: id(),
  name: text("name").notNull(),
  /** IANA zone that times are shown in. */
  zone: text("zone").notNull(),
  createdAt: created(),
});

export const teacher = pgTable("teacher", {
  id: id(),
  schoolId: schoolId(),
  email: text("email").notNull().unique(),
  name: text("name").notNull(),
  passwordHash: text("password_hash").notNull(),
});

export const session = pgTable("session", {
  /** SHA-256 of the cookie's token. */
  id: text("id").primaryKey(),
  schoolId: schoolId(),
  teacherId: uuid("teacher_id")
    .notNull()
    .references(() => teacher.id, { onDelete: "cascade" }),
  expiresAt: instant("expires_at").notNull(),
});

/** Failed sign-ins, to limit tries. Not a school's: nobody is signed in yet. */
export const signInTry = pgTable(
  "sign_in_try",
  {
    id: bigint("id", { mode: "number" }).primaryKey().generatedAlwaysAsIdentity(),
    key: text("key").notNull(),
    at: instant("at").notNull().defaultNow(),
  },
  (t) => [index("sign_in_try_key").on(t.key, t.at)],
);

export const schoolClass = pgTable("class", {
  id: id(),
  schoolId: schoolId(),
  name: text("name").notNull(),
});

export const classTeacher = pgTable(
  "class_teacher",
  {
    schoolId: schoolId(),
    classId: uuid("class_id")
      .notNull()
      .references(() => schoolClass.id, { onDelete: "cascade" }),
    teacherId: uuid("teacher_id")
      .notNull()
      .references(() => teacher.id, { onDelete: "cascade" }),
  },
  (t) => [primaryKey({ columns: [t.classId, t.teacherId] })],
);

export const child = pgTable(
  "child",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id")
      .notNull()
      .references(() => schoolClass.id, { onDelete: "cascade" }),
    /** First name and initial, or a nickname. */
    name: text("name").notNull(),
    /** Whole years; never a birthday. */
    age: integer("age").notNull(),
    leftHanded: boolean("left_handed").notNull().default(false),
    /** Measured at home, metres. */
    step: real("step"),
    /** A support need, told by the family or noted by the teacher: for the class's teachers only. */
    support: text("support").notNull().default(""),
  },
  (t) => [index("child_class").on(t.schoolId, t.classId)],
);

export const home = pgTable("home", {
  id: id(),
  schoolId: schoolId(),
  label: text("label").notNull(),
  /** Null until somebody says. */
  space: jsonb("space").$type<HomeSpace>(),
  players: integer("players"),
  /** How many of each thing; null until somebody says. */
  kit: jsonb("kit").$type<HomeKit>(),
  quiet: boolean("quiet").notNull().default(false),
  noBallsIndoors: boolean("no_balls_indoors").notNull().default(false),
  /** When the family last said something itself. */
  answeredAt: instant("answered_at"),
});

export const childHome = pgTable(
  "child_home",
  {
    schoolId: schoolId(),
    childId: uuid("child_id")
      .notNull()
      .references(() => child.id, { onDelete: "cascade" }),
    homeId: uuid("home_id")
      .notNull()
      .references(() => home.id, { onDelete: "cascade" }),
  },
  (t) => [primaryKey({ columns: [t.childId, t.homeId] })],
);

/** A private link to one child's cards, or to a class's home survey, which shows no names. The address is derived from id and version, never stored. */
export const link = pgTable(
  "link",
  {
    id: id(),
    schoolId: schoolId(),
    childId: uuid("child_id")
      .unique()
      .references(() => child.id, { onDelete: "cascade" }),
    classId: uuid("class_id")
      .unique()
      .references(() => schoolClass.id, { onDelete: "cascade" }),
    /** Raised to withdraw every address given out so far. */
    version: integer("version").notNull().default(1),
    /** No address works while set. */
    withdrawnAt: instant("withdrawn_at"),
  },
  (t) => [check("link_of_one", sql`num_nonnulls(${t.childId}, ${t.classId}) = 1`)],
);

/** What a family answered through a class link: kept by an unguessable key of its own until the teacher says whose home it is. */
export const surveyAnswer = pgTable(
  "survey_answer",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id")
      .notNull()
      .references(() => schoolClass.id, { onDelete: "cascade" }),
    /** First name and initial as the family typed it. */
    name: text("name").notNull().default(""),
    answers: jsonb("answers").$type<HomeAnswers>().notNull(),
    support: text("support").notNull().default(""),
    /** The home it was put to. */
    homeId: uuid("home_id").references(() => home.id, { onDelete: "set null" }),
    updatedAt: instant("updated_at").notNull().defaultNow(),
  },
  (t) => [index("survey_answer_class").on(t.schoolId, t.classId)],
);

/** A school's own things, and its changes to those of the list that comes with the tool. */
export const schoolItem = pgTable(
  "school_item",
  {
    schoolId: schoolId(),
    id: text("id").notNull(),
    /** Null: as in the list. */
    item: jsonb("item").$type<Item>(),
    hidden: boolean("hidden").notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);

export const activity = pgTable(
  "activity",
  {
    id: id(),
    schoolId: schoolId(),
    teacherId: uuid("teacher_id")
      .notNull()
      .references(() => teacher.id, { onDelete: "cascade" }),
    document: jsonb("document").$type<Activity>().notNull(),
    /** Raised by every save; a save names the version it began from. */
    version: integer("version").notNull().default(1),
    updatedAt: instant("updated_at").notNull().defaultNow(),
    deletedAt: instant("deleted_at"),
  },
  (t) => [index("activity_school").on(t.schoolId, t.updatedAt)],
);

/** What an activity was when it was sent; never changed. */
export const revision = pgTable(
  "revision",
  {
    id: id(),
    schoolId: schoolId(),
    activityId: uuid("activity_id")
      .notNull()
      .references(() => activity.id, { onDelete: "cascade" }),
    document: jsonb("document").$type<Activity>().notNull(),
    contentHash: text("content_hash").notNull(),
    schemaVersion: integer("schema_version").notNull(),
    rulesVersion: integer("rules_version").notNull(),
    createdAt: created(),
  },
  (t) => [unique("revision_content").on(t.activityId, t.contentHash)],
);

export const assignment = pgTable(
  "assignment",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id")
      .notNull()
      .references(() => schoolClass.id, { onDelete: "cascade" }),
    revisionId: uuid("revision_id")
      .notNull()
      .references(() => revision.id),
    opensAt: instant("opens_at").notNull(),
    closesAt: instant("closes_at").notNull(),
    /** Goes that count. */
    tries: integer("tries").notNull(),
    /** The teacher's own score to beat, in the unit of the game. */
    mark: integer("mark"),
    createdAt: created(),
  },
  (t) => [
    index("assignment_class").on(t.schoolId, t.classId),
    check("assignment_times", sql`${t.closesAt} > ${t.opensAt}`),
  ],
);

/** The revision as compiled for one child's home, kept as compiled. */
export const card = pgTable(
  "card",
  {
    id: id(),
    schoolId: schoolId(),
    assignmentId: uuid("assignment_id")
      .notNull()
      .references(() => assignment.id, { onDelete: "cascade" }),
    childId: uuid("child_id")
      .notNull()
      .references(() => child.id, { onDelete: "cascade" }),
    compiled: jsonb("compiled").$type<Card>().notNull(),
    openedAt: instant("opened_at"),
  },
  (t) => [unique("card_child").on(t.assignmentId, t.childId)],
);

/** One go. Its id comes from the device, so that the same go sent twice is one row. */
export const play = pgTable(
  "play",
  {
    id: uuid("id").primaryKey(),
    schoolId: schoolId(),
    cardId: uuid("card_id")
      .notNull()
      .references(() => card.id, { onDelete: "cascade" }),
    device: text("device").notNull(),
    source: text("source", { enum: ["device", "paper"] }).notNull(),
    setup: jsonb("setup").$type<PlaySetup>().notNull(),
    rulesVersion: integer("rules_version").notNull(),
    /** By the device's clock. */
    startedAt: instant("started_at").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
    /** The device's clock cannot be right. */
    clockDoubt: boolean("clock_doubt").notNull().default(false),
  },
  (t) => [index("play_card").on(t.schoolId, t.cardId)],
);

export const playEvent = pgTable(
  "play_event",
  {
    schoolId: schoolId(),
    playId: uuid("play_id")
      .notNull()
      .references(() => play.id, { onDelete: "cascade" }),
    seq: integer("seq").notNull(),
    event: jsonb("event").$type<PlayEvent>().notNull(),
    contentHash: text("content_hash").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.playId, t.seq] })],
);

/** Different content under a key that was taken: kept for the teacher, never put in the other's place. */
export const playConflict = pgTable(
  "play_conflict",
  {
    schoolId: schoolId(),
    playId: uuid("play_id")
      .notNull()
      .references(() => play.id, { onDelete: "cascade" }),
    /** The event's place, or -1 for the result. */
    seq: integer("seq").notNull(),
    content: jsonb("content").notNull(),
    contentHash: text("content_hash").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.playId, t.seq, t.contentHash] })],
);

export const result = pgTable(
  "result",
  {
    playId: uuid("play_id")
      .primaryKey()
      .references(() => play.id, { onDelete: "cascade" }),
    schoolId: schoolId(),
    cardId: uuid("card_id")
      .notNull()
      .references(() => card.id, { onDelete: "cascade" }),
    /** Stored once; never changed by later rules. */
    score: jsonb("score").$type<PlayScore>().notNull(),
    reflection: jsonb("reflection").$type<Reflection>().notNull(),
    contentHash: text("content_hash").notNull(),
    /** Whether it came in time, counts, or came later than its closing. */
    timing: text("timing", { enum: ["inTime", "sentLater", "tooLate"] }).notNull(),
    handedAt: instant("handed_at").notNull().defaultNow(),
  },
  (t) => [index("result_card").on(t.schoolId, t.cardId)],
);

export const criterionMark = pgTable(
  "criterion_mark",
  {
    schoolId: schoolId(),
    cardId: uuid("card_id")
      .notNull()
      .references(() => card.id, { onDelete: "cascade" }),
    criterion: text("criterion").notNull(),
    mark: text("mark", { enum: ["notYet", "nearly", "yes"] }).notNull(),
    at: instant("at").notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.cardId, t.criterion] })],
);

/** The stand-in for mail: what a mail service would have been given. */
export const message = pgTable(
  "message",
  {
    id: id(),
    schoolId: schoolId(),
    childId: uuid("child_id").references(() => child.id, { onDelete: "cascade" }),
    assignmentId: uuid("assignment_id").references(() => assignment.id, { onDelete: "cascade" }),
    kind: text("kind", { enum: ["game", "survey"] })
      .notNull()
      .default("game"),
    subject: text("subject").notNull(),
    /** Where the private link goes, `{link}` stands: the address is derived when it is read. */
    body: text("body").notNull(),
    createdAt: created(),
  },
  (t) => [index("message_school").on(t.schoolId, t.createdAt)],
);
