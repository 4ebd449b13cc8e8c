import { sql } from "drizzle-orm";
import {
  type AnyPgColumn,
  boolean,
  check,
  customType,
  foreignKey,
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
import type { Support } from "#core/compile/support.ts";
import type { Decided } from "#core/compile/swap.ts";
import type { Setting } from "#core/contract/setting.ts";
import type { Forecasted } from "#core/estimate/truth.ts";
import type { Unlikely } from "#core/estimate/unlikely.ts";
import type { RecordedEvent } from "#core/events/events.ts";
import type { OwnExercise } from "#core/exercises/own.ts";
import type { Activity } from "#core/formats/activity.ts";
import { cardNow, documentNow, playedNow } from "#core/formats/before.ts";
import type { HomeAnswers, HomeKit, HomeSpace } from "#core/records/home.ts";
import type { PlayedGame, PlayScore, PlaySetup, Reflection } from "#core/records/play.ts";
import type { Item } from "#core/things/item.ts";

/** Instants in UTC. */
const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const created = () => instant("created_at").notNull().defaultNow();
const id = () => uuid("id").primaryKey().defaultRandom();
/** A document as it was kept, read in the shape of now: rows are never rewritten. */
const documents = <T>(now: (kept: never) => unknown) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => "jsonb",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (kept) => now((typeof kept === "string" ? JSON.parse(kept) : kept) as never) as T,
  });
/** Every row of a school carries its key first, so that the database keeps schools apart (see the security migrations). */
const schoolId = () =>
  uuid("school_id")
    .notNull()
    .references(() => school.id, { onDelete: "cascade" });

/** What others depend on is found by school and id together, so that no row can depend on another school's. */
interface Keyed {
  schoolId: AnyPgColumn;
  id: AnyPgColumn;
}
const keyed = (name: string, givenKeyed: Keyed) =>
  unique(`${name}_key`).on(givenKeyed.schoolId as never, givenKeyed.id as never);
const hangsOn = (name: string, t: { schoolId: AnyPgColumn }, by: AnyPgColumn, to: Keyed) =>
  foreignKey({ name, columns: [t.schoolId, by] as never, foreignColumns: [to.schoolId, to.id] as never });

export const school = pgTable("school", {
  id: id(),
  name: text("name").notNull(),
  /** IANA zone that times are shown in. */
  zone: text("zone").notNull(),
  createdAt: created(),
});

export const teacher = pgTable(
  "teacher",
  {
    id: id(),
    schoolId: schoolId(),
    email: text("email").notNull().unique(),
    name: text("name").notNull(),
    /** Read by nobody: the sign-in function answers with it for one exact address. */
    passwordHash: text("password_hash").notNull(),
  },
  (table) => [keyed("teacher", table)],
);

export const session = pgTable(
  "session",
  {
    /** SHA-256 of the cookie's token. */
    id: text("id").primaryKey(),
    schoolId: schoolId(),
    teacherId: uuid("teacher_id").notNull(),
    expiresAt: instant("expires_at").notNull(),
  },
  (table) => [
    hangsOn("session_teacher", table, table.teacherId, teacher).onDelete("cascade"),
    index("session_of_teacher").on(table.schoolId, table.teacherId),
  ],
);

/** How fast sign-ins may be tried by a key (an address, a machine, a known device). Nobody's school: reached through functions only. */
export const signInPace = pgTable("sign_in_pace", {
  key: text("key").primaryKey(),
  /** Failed or under way since the last quiet spell. */
  tries: integer("tries").notNull(),
  /** The last turn that was given out. */
  nextAt: instant("next_at").notNull(),
});

export const schoolClass = pgTable(
  "class",
  {
    id: id(),
    schoolId: schoolId(),
    name: text("name").notNull(),
  },
  (table) => [keyed("class", table)],
);

export const classTeacher = pgTable(
  "class_teacher",
  {
    schoolId: schoolId(),
    classId: uuid("class_id").notNull(),
    teacherId: uuid("teacher_id").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.classId, table.teacherId] }),
    hangsOn("class_teacher_class", table, table.classId, schoolClass).onDelete("cascade"),
    hangsOn("class_teacher_teacher", table, table.teacherId, teacher).onDelete("cascade"),
    index("class_of_teacher").on(table.schoolId, table.teacherId),
  ],
);

/** What one child needs set otherwise, by field; and its spread beside a child of 8. */
export interface Adjust {
  settings?: Setting[];
  multiplier?: number;
  /** What it needs in every activity that has a use for it; see core/compile/support.ts. */
  supports?: Support[];
}
export const child = pgTable(
  "child",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id").notNull(),
    /** First name and initial, or a nickname. */
    name: text("name").notNull(),
    /** Whole years; never a birthday. */
    age: integer("age").notNull(),
    leftHanded: boolean("left_handed").notNull().default(false),
    /** Measured at home, metres. */
    step: real("step"),
    /** The teacher's note on what this child needs. It never leaves the pages of the class's teachers. */
    support: text("support").notNull().default(""),
    /** What the family wants the teachers to know: shown to that family and to the class's teachers. */
    familyNote: text("family_note").notNull().default(""),
    /** Set when a teacher deletes the child: hidden everywhere from then on, and purged by a job after this instant. */
    eraseAt: instant("erase_at"),
    /** What is set otherwise for this child, and its spread once that is known. */
    adjust: jsonb("adjust").$type<Adjust>(),
  },
  (table) => [
    keyed("child", table),
    hangsOn("child_class_fk", table, table.classId, schoolClass).onDelete("cascade"),
    index("child_class").on(table.schoolId, table.classId),
    index("child_to_erase").on(table.eraseAt).where(sql`${table.eraseAt} is not null`),
  ],
);

export const home = pgTable(
  "home",
  {
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
  },
  (table) => [keyed("home", table)],
);

export const childHome = pgTable(
  "child_home",
  {
    schoolId: schoolId(),
    childId: uuid("child_id").notNull(),
    homeId: uuid("home_id").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.childId, table.homeId] }),
    hangsOn("child_home_child", table, table.childId, child).onDelete("cascade"),
    hangsOn("child_home_home", table, table.homeId, home).onDelete("cascade"),
    index("child_of_home").on(table.schoolId, table.homeId),
  ],
);

/** A code with which one more child joins a home: made by that household or its class teacher, used once, and gone on its date. */
export const homeInvitation = pgTable(
  "home_invitation",
  {
    schoolId: schoolId(),
    /** SHA-256 of the code, which is shown once and kept nowhere. */
    codeHash: text("code_hash").notNull(),
    homeId: uuid("home_id").notNull(),
    expiresAt: instant("expires_at").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.schoolId, table.codeHash] }),
    hangsOn("home_invitation_home", table, table.homeId, home).onDelete("cascade"),
    index("home_invitation_of_home").on(table.schoolId, table.homeId),
  ],
);

/** A private link to one child's cards, or to a class's home survey, which shows no names. The address is derived from id and version, never stored. */
export const link = pgTable(
  "link",
  {
    id: id(),
    schoolId: schoolId(),
    childId: uuid("child_id").unique(),
    classId: uuid("class_id").unique(),
    /** Raised when a new link is made: every address given out before stops working. */
    version: integer("version").notNull().default(1),
    /** No address works while set. */
    withdrawnAt: instant("withdrawn_at"),
  },
  (table) => [
    check("link_of_one", sql`num_nonnulls(${table.childId}, ${table.classId}) = 1`),
    hangsOn("link_child", table, table.childId, child).onDelete("cascade"),
    hangsOn("link_class", table, table.classId, schoolClass).onDelete("cascade"),
  ],
);

/** What a family answered through a class link: kept by an unguessable key of its own until the teacher says whose home it is. */
export const surveyAnswer = pgTable(
  "survey_answer",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id").notNull(),
    /** First name and initial as the family typed it. */
    name: text("name").notNull().default(""),
    answers: jsonb("answers").$type<HomeAnswers>().notNull(),
    /** What the family wants the teachers to know. */
    support: text("support").notNull().default(""),
    /** What is set otherwise for this child, and its spread once that is known. */
    adjust: jsonb("adjust").$type<Adjust>(),
    /** The home it was put to; set to null, and only it, when that home goes (see the migration). */
    homeId: uuid("home_id"),
    updatedAt: instant("updated_at").notNull().defaultNow(),
    /** Set when a teacher clears it, or a new class link replaces the one it came through; cleared answers are hidden, then deleted. */
    clearedAt: instant("cleared_at"),
  },
  (table) => [
    hangsOn("survey_answer_class_fk", table, table.classId, schoolClass).onDelete("cascade"),
    hangsOn("survey_answer_home", table, table.homeId, home).onDelete("set null"),
    index("survey_answer_class").on(table.schoolId, table.classId),
    index("survey_answer_of_home").on(table.schoolId, table.homeId),
  ],
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
  (table) => [primaryKey({ columns: [table.schoolId, table.id] })],
);

/** Short exercises of a school's own, beside those of the library. */
export const schoolExercise = pgTable(
  "school_exercise",
  {
    schoolId: schoolId(),
    id: text("id").notNull(),
    exercise: jsonb("exercise").$type<OwnExercise>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.schoolId, table.id] })],
);

export const activity = pgTable(
  "activity",
  {
    id: id(),
    schoolId: schoolId(),
    teacherId: uuid("teacher_id").notNull(),
    document: documents<Activity>(documentNow)("document").notNull(),
    /** Raised by every save; a save names the version it began from. */
    version: integer("version").notNull().default(1),
    updatedAt: instant("updated_at").notNull().defaultNow(),
    deletedAt: instant("deleted_at"),
  },
  (table) => [
    keyed("activity", table),
    hangsOn("activity_teacher", table, table.teacherId, teacher).onDelete("cascade"),
    index("activity_school").on(table.schoolId, table.teacherId, table.updatedAt),
  ],
);

/** What an activity was when it was sent; never changed. */
export const revision = pgTable(
  "revision",
  {
    id: id(),
    schoolId: schoolId(),
    activityId: uuid("activity_id").notNull(),
    document: documents<Activity>(documentNow)("document").notNull(),
    contentHash: text("content_hash").notNull(),
    schemaVersion: integer("schema_version").notNull(),
    rulesVersion: integer("rules_version").notNull(),
    createdAt: created(),
  },
  (table) => [
    keyed("revision", table),
    unique("revision_content").on(table.activityId, table.contentHash),
    hangsOn("revision_activity", table, table.activityId, activity).onDelete("cascade"),
  ],
);

export const assignment = pgTable(
  "assignment",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id").notNull(),
    revisionId: uuid("revision_id").notNull(),
    /** Made by the form that sends, so that sending twice is sending once. */
    orderId: uuid("order_id").notNull().defaultRandom(),
    opensAt: instant("opens_at").notNull(),
    closesAt: instant("closes_at").notNull(),
    /** Goes that count. */
    tries: integer("tries").notNull(),
    /** The teacher's own score to beat, in the unit of the game. */
    mark: integer("mark"),
    /** Sent to all of the class: who joins it later gets it too. */
    wholeClass: boolean("whole_class").notNull().default(true),
    /** The level that each child has of it, from 0, by child; null: the activity has no levels. */
    levels: jsonb("levels").$type<Record<string, number>>(),
    /** Nobody can open or play it while set; what was played is kept. */
    withdrawnAt: instant("withdrawn_at"),
    createdAt: created(),
  },
  (table) => [
    keyed("assignment", table),
    unique("assignment_order").on(table.schoolId, table.orderId),
    hangsOn("assignment_class_fk", table, table.classId, schoolClass).onDelete("cascade"),
    hangsOn("assignment_revision", table, table.revisionId, revision),
    index("assignment_class").on(table.schoolId, table.classId),
    check("assignment_times", sql`${table.closesAt} > ${table.opensAt}`),
  ],
);

/** One child's card of an assignment. */
export const card = pgTable(
  "card",
  {
    id: id(),
    schoolId: schoolId(),
    assignmentId: uuid("assignment_id").notNull(),
    childId: uuid("child_id").notNull(),
    /** The version in force (see `cardVersion`). */
    hash: text("hash").notNull().default(""),
    openedAt: instant("opened_at"),
  },
  (table) => [
    keyed("card", table),
    unique("card_child").on(table.assignmentId, table.childId),
    hangsOn("card_assignment", table, table.assignmentId, assignment).onDelete("cascade"),
    hangsOn("card_child_fk", table, table.childId, child).onDelete("cascade"),
    index("card_of_assignment").on(table.schoolId, table.assignmentId),
    index("card_of_child").on(table.schoolId, table.childId),
  ],
);

/** A revision as compiled for one child's home: each version kept as compiled, only ever added to. */
export const cardVersion = pgTable(
  "card_version",
  {
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    hash: text("hash").notNull(),
    compiled: documents<Card>(cardNow)("compiled").notNull(),
    createdAt: created(),
  },
  (table) => [
    primaryKey({ columns: [table.cardId, table.hash] }),
    unique("card_version_key").on(table.schoolId, table.cardId, table.hash),
    hangsOn("card_version_card", table, table.cardId, card).onDelete("cascade"),
  ],
);

/** One go. Its id comes from the device, so that the same go sent twice is one row. */
export const play = pgTable(
  "play",
  {
    id: uuid("id").primaryKey(),
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    device: text("device").notNull(),
    source: text("source", { enum: ["device", "paper"] }).notNull(),
    setup: jsonb("setup").$type<PlaySetup>().notNull(),
    rulesVersion: integer("rules_version").notNull(),
    /** The version of the card that was played; null where the device could not say (paper, and pages held from earlier versions versions). */
    cardHash: text("card_hash"),
    /** What the family decided before play: things swapped, which home. */
    decided: jsonb("decided").$type<Decided>(),
    /** What was played, with its distances, made again here from version and decisions. */
    game: documents<PlayedGame>(playedNow)("game"),
    /** By the device's clock. */
    startedAt: instant("started_at").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
    /** The device's clock cannot be right. */
    clockDoubt: boolean("clock_doubt").notNull().default(false),
  },
  (table) => [
    keyed("play", table),
    hangsOn("play_card_fk", table, table.cardId, card).onDelete("cascade"),
    foreignKey({
      name: "play_card_version",
      columns: [table.schoolId, table.cardId, table.cardHash],
      foreignColumns: [cardVersion.schoolId, cardVersion.cardId, cardVersion.hash],
    }),
    index("play_card").on(table.schoolId, table.cardId),
  ],
);

export const playEvent = pgTable(
  "play_event",
  {
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    seq: integer("seq").notNull(),
    event: jsonb("event").$type<RecordedEvent>().notNull(),
    contentHash: text("content_hash").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.playId, table.seq] }),
    hangsOn("play_event_play", table, table.playId, play).onDelete("cascade"),
  ],
);

/** Different content under a key that was taken: kept for the teacher, never put in the other's place. */
export const playConflict = pgTable(
  "play_conflict",
  {
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    /** The event's place, or -1 for the result. */
    seq: integer("seq").notNull(),
    content: jsonb("content").notNull(),
    contentHash: text("content_hash").notNull(),
    receivedAt: instant("received_at").notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.playId, table.seq, table.contentHash] }),
    hangsOn("play_conflict_play", table, table.playId, play).onDelete("cascade"),
    index("play_conflict_of").on(table.schoolId, table.playId),
  ],
);

export const result = pgTable(
  "result",
  {
    playId: uuid("play_id").primaryKey(),
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    /** Stored once; never changed by later rules. */
    score: jsonb("score").$type<PlayScore>().notNull(),
    reflection: jsonb("reflection").$type<Reflection>().notNull(),
    contentHash: text("content_hash").notNull(),
    /** Whether it came in time, counts, or came later than its closing. */
    timing: text("timing", { enum: ["inTime", "sentLater", "tooLate"] }).notNull(),
    handedAt: instant("handed_at").notNull().defaultNow(),
  },
  (t) => [
    hangsOn("result_play", t, t.playId, play).onDelete("cascade"),
    hangsOn("result_card_fk", t, t.cardId, card).onDelete("cascade"),
    index("result_card").on(t.schoolId, t.cardId),
  ],
);

/** What a teacher says of a score typed from paper after it was kept: another score, or none any more. Only ever added to. */
export const resultCorrection = pgTable(
  "result_correction",
  {
    id: uuid("id").primaryKey(),
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    /** The row it stands in place of: an earlier correction, or (null) the result itself. */
    replaces: uuid("replaces"),
    teacherId: uuid("teacher_id").notNull(),
    reason: text("reason").notNull(),
    /** Null: taken back. */
    score: jsonb("score").$type<PlayScore>(),
    at: instant("at").notNull().defaultNow(),
  },
  (table) => [
    keyed("result_correction", table),
    // Two corrections of one row: the second is told so.
    unique("result_correction_once").on(table.schoolId, table.playId, table.replaces).nullsNotDistinct(),
    hangsOn("result_correction_play", table, table.playId, play).onDelete("cascade"),
    hangsOn("result_correction_teacher", table, table.teacherId, teacher).onDelete("cascade"),
    foreignKey({
      name: "result_correction_replaces",
      columns: [table.schoolId, table.replaces],
      foreignColumns: [table.schoolId, table.id],
    }),
  ],
);

export const criterionMark = pgTable(
  "criterion_mark",
  {
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    criterion: text("criterion").notNull(),
    mark: text("mark", { enum: ["notYet", "nearly", "yes"] }).notNull(),
    at: instant("at").notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.cardId, table.criterion] }),
    hangsOn("criterion_mark_card", table, table.cardId, card).onDelete("cascade"),
    index("criterion_mark_of").on(table.schoolId, table.cardId),
  ],
);

/** What is expected of an age in an assignment, worked out once after sending: where eight of ten children should land, and the middle. */
export const expectedBand = pgTable(
  "expected_band",
  {
    schoolId: schoolId(),
    assignmentId: uuid("assignment_id").notNull(),
    age: integer("age").notNull(),
    /** Version of the model that worked it out. */
    model: integer("model").notNull(),
    low: real("low").notNull(),
    middle: real("middle").notNull(),
    high: real("high").notNull(),
    /** The share of all goes that it really holds; null: of a band from earlier versions. */
    holds: real("holds"),
    /** From which score on a go is worth a look; null while that is not worked out. */
    rare: jsonb("rare").$type<{ from: number | null }>(),
  },
  (table) => [
    primaryKey({ columns: [table.assignmentId, table.age] }),
    hangsOn("expected_band_assignment", table, table.assignmentId, assignment).onDelete("cascade"),
  ],
);

/** What one go says of its child, action by action and axis by axis (see core/estimate). A go that says nothing has one row of the axis `none`. */
export const evidence = pgTable(
  "evidence",
  {
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    childId: uuid("child_id").notNull(),
    action: text("action").notNull(),
    axis: text("axis", { enum: ["spread", "skill", "none"] }).notNull(),
    /** Version of the model that it comes from; events, and corrections of a go on paper, that were known then. */
    model: integer("model").notNull(),
    known: integer("known").notNull(),
    /** When it was played. */
    at: instant("at").notNull(),
    tries: integer("tries").notNull(),
    ll: jsonb("ll").$type<number[]>().notNull(),
    /** Tries that succeeded, and how many should have at the points; none where only a score was known. */
    hits: integer("hits").notNull().default(0),
    means: jsonb("means").$type<number[]>(),
  },
  (table) => [
    primaryKey({ columns: [table.playId, table.action, table.axis] }),
    hangsOn("evidence_play", table, table.playId, play).onDelete("cascade"),
    hangsOn("evidence_child_fk", table, table.childId, child).onDelete("cascade"),
    index("evidence_of_child").on(table.schoolId, table.childId),
  ],
);

/** A go beside what was forecast of it, as shares 0 to 1 (see core/estimate/truth.ts). */
export type ForecastSeen = Omit<Forecasted, "child">;
/** What was forecast of each go of a child and what came of it: worked out when goes come in, so that looking at a class only adds up. */
export const childForecast = pgTable(
  "child_forecast",
  {
    schoolId: schoolId(),
    childId: uuid("child_id").notNull(),
    /** Version of the model that it comes from. */
    model: integer("model").notNull(),
    goes: jsonb("goes").$type<ForecastSeen[]>().notNull(),
    /** Goes that hit more often than the child's earlier ones let expect (core/estimate/unlikely.ts). */
    unlikely: jsonb("unlikely").$type<Unlikely[]>().notNull().default([]),
  },
  (table) => [
    primaryKey({ columns: [table.schoolId, table.childId] }),
    hangsOn("child_forecast_child", table, table.childId, child).onDelete("cascade"),
  ],
);

/** A card's place in a match of two homes: two of one match have the same number. Only the word that was chosen is shown to the other home. */
export const matchSeat = pgTable(
  "match_seat",
  {
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    matchId: uuid("match_id").notNull(),
    assignmentId: uuid("assignment_id").notNull(),
    word: text("word"),
    /** When the family said yes; null while it has not. */
    yesAt: instant("yes_at"),
    createdAt: created(),
  },
  (table) => [
    primaryKey({ columns: [table.schoolId, table.cardId] }),
    hangsOn("match_seat_card", table, table.cardId, card).onDelete("cascade"),
    hangsOn("match_seat_assignment", table, table.assignmentId, assignment).onDelete("cascade"),
    index("match_seat_match").on(table.schoolId, table.matchId),
    index("match_seat_of_assignment").on(table.schoolId, table.assignmentId),
  ],
);

/** Work that is due after a request, once for a key however often it is asked for. A row goes when it is done. */
export const job = pgTable(
  "job",
  {
    schoolId: schoolId(),
    kind: text("kind", { enum: ["cards", "expected", "rare", "evidence", "erase"] }).notNull(),
    /** What it is about: a child, or an assignment. */
    about: uuid("about").notNull(),
    /** Not before. Asked for again, it waits again. */
    dueAt: instant("due_at").notNull(),
    /** Raised each time it is asked for, so that what was asked while it ran is not lost. */
    asked: integer("asked").notNull().default(1),
    /** Times it failed. */
    failed: integer("failed").notNull().default(0),
  },
  (table) => [primaryKey({ columns: [table.schoolId, table.kind, table.about] }), index("job_due").on(table.dueAt)],
);

/** The stand-in for mail: what a mail service would have been given. */
export const message = pgTable(
  "message",
  {
    id: id(),
    schoolId: schoolId(),
    childId: uuid("child_id"),
    assignmentId: uuid("assignment_id"),
    kind: text("kind", { enum: ["game", "survey"] })
      .notNull()
      .default("game"),
    subject: text("subject").notNull(),
    /** Where the private link goes, `{link}` stands: the address is derived when it is read. */
    body: text("body").notNull(),
    createdAt: created(),
  },
  (table) => [
    hangsOn("message_child", table, table.childId, child).onDelete("cascade"),
    hangsOn("message_assignment", table, table.assignmentId, assignment).onDelete("cascade"),
    index("message_school").on(table.schoolId, table.createdAt),
    index("message_of_child").on(table.schoolId, table.childId),
    index("message_of_assignment").on(table.schoolId, table.assignmentId),
  ],
);
