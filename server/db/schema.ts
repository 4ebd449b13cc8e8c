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
import type { Item } from "#core/items/item.ts";
import type { HomeAnswers, HomeKit, HomeSpace } from "#core/records/home.ts";
import type { PlayedGame, PlayScore, PlaySetup, Reflection } from "#core/records/play.ts";

/** A time in UTC. */
const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const created = () => instant("created_at").notNull().defaultNow();
const id = () => uuid("id").primaryKey().defaultRandom();
/** A document as it was stored, converted to today's shape when read. Rows are never rewritten. */
const documents = <T>(now: (kept: never) => unknown) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => "jsonb",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (kept) => now((typeof kept === "string" ? JSON.parse(kept) : kept) as never) as T,
  });
/**
 * Every row of a school begins with the school's key, so that the database keeps schools apart (see the security
 * migrations).
 */
const schoolId = () =>
  uuid("school_id")
    .notNull()
    .references(() => school.id, { onDelete: "cascade" });

/** Rows that others depend on are found by school and id together, so that no row can depend on another school's. */
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
  /** The IANA zone in which times are shown. */
  zone: text("zone").notNull(),
  /** How dates and times are written; see `LOCALES`. */
  locale: text("locale").notNull().default("en-GB"),
  /** Whether distances are first shown in metres or in feet. */
  units: text("units", { enum: ["metres", "feet"] })
    .notNull()
    .default("metres"),
  /** Whether families see their child's best score, and games that have closed. */
  showsBest: boolean("shows_best").notNull().default(true),
  showsClosed: boolean("shows_closed").notNull().default(true),
  createdAt: created(),
});

export const teacher = pgTable(
  "teacher",
  {
    id: id(),
    schoolId: schoolId(),
    email: text("email").notNull().unique(),
    name: text("name").notNull(),
    /** Nobody reads it. The sign-in function returns it for one exact address. */
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

/**
 * How fast a key (an address, a machine, a known device) may try to sign in. It belongs to no school and is reached
 * through functions only.
 */
export const signInPace = pgTable("sign_in_pace", {
  key: text("key").primaryKey(),
  /** Attempts that failed or are still running since the last quiet spell. */
  tries: integer("tries").notNull(),
  /** The last slot that was given out. */
  nextAt: instant("next_at").notNull(),
});

export const schoolClass = pgTable(
  "class",
  {
    id: id(),
    schoolId: schoolId(),
    name: text("name").notNull(),
    /** While it is set, the class is on no list but that of the settings. Nothing of it is deleted. */
    archivedAt: instant("archived_at"),
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

/** What is set differently for one child, by field, and the child's spread relative to a typical 8-year-old. */
export interface Adjust {
  settings?: Setting[];
  multiplier?: number;
  /** The support that the child needs, in every activity that has a use for it; see core/compile/support.ts. */
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
    /** The teacher's note about this child. It never leaves the pages of the class's teachers. */
    support: text("support").notNull().default(""),
    /** What the family wants the teachers to know. That family and the class's teachers can see it. */
    familyNote: text("family_note").notNull().default(""),
    /** Set when a teacher deletes the child: hidden everywhere from then on, and purged by a job after this instant. */
    eraseAt: instant("erase_at"),
    /** What is set differently for this child, and their spread once it is known. */
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
    /** How many of each item. Null until somebody says. */
    kit: jsonb("kit").$type<HomeKit>(),
    quiet: boolean("quiet").notNull().default(false),
    noBallsIndoors: boolean("no_balls_indoors").notNull().default(false),
    /** When the family last answered for themselves. */
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

/**
 * A code that lets one more child join a home. The household or the class teacher makes it; it works once and
 * expires.
 */
export const homeInvitation = pgTable(
  "home_invitation",
  {
    schoolId: schoolId(),
    /** SHA-256 of the code, which is shown once and stored nowhere. */
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

/**
 * A private link to one child's cards, or to a class's home survey, which shows no names. The address is derived from
 * id and version and never stored.
 */
export const link = pgTable(
  "link",
  {
    id: id(),
    schoolId: schoolId(),
    childId: uuid("child_id").unique(),
    classId: uuid("class_id").unique(),
    /** Raised when a link is replaced. Every earlier address stops working. */
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

/**
 * What a family answered through a class link. It is stored under an unguessable key until the teacher says whose
 * home it is.
 */
export const surveyAnswer = pgTable(
  "survey_answer",
  {
    id: id(),
    schoolId: schoolId(),
    classId: uuid("class_id").notNull(),
    /** First name and initial, as the family typed it. */
    name: text("name").notNull().default(""),
    answers: jsonb("answers").$type<HomeAnswers>().notNull(),
    /** What the family wants the teachers to know. */
    support: text("support").notNull().default(""),
    /** What is set differently for this child, and their spread once it is known. */
    adjust: jsonb("adjust").$type<Adjust>(),
    /** The home it was matched to. Set to null when that home is deleted (see the migration). */
    homeId: uuid("home_id"),
    updatedAt: instant("updated_at").notNull().defaultNow(),
    /**
     * Set when a teacher clears it, or when a new class link replaces its own. Cleared answers are hidden and later
     * deleted.
     */
    clearedAt: instant("cleared_at"),
  },
  (table) => [
    hangsOn("survey_answer_class_fk", table, table.classId, schoolClass).onDelete("cascade"),
    hangsOn("survey_answer_home", table, table.homeId, home).onDelete("set null"),
    index("survey_answer_class").on(table.schoolId, table.classId),
    index("survey_answer_of_home").on(table.schoolId, table.homeId),
  ],
);

/** A school's own items, and its changes to items of the built-in list. */
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

/** A school's own short exercises, in addition to the library's. */
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
    /** Raised by every save. A save names the version it started from. */
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

/** An activity as it was when it was sent. It never changes. */
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
    /** Made by the form that sends, so that sending twice sends once. */
    orderId: uuid("order_id").notNull().defaultRandom(),
    opensAt: instant("opens_at").notNull(),
    closesAt: instant("closes_at").notNull(),
    /** How many goes count. */
    tries: integer("tries").notNull(),
    /** The teacher's own score to beat, in the unit of the game. */
    mark: integer("mark"),
    /** Sent to the whole class, so a child who joins later gets it too. */
    wholeClass: boolean("whole_class").notNull().default(true),
    /** The level of each child, from 0, by child. Null: the activity has no levels. */
    levels: jsonb("levels").$type<Record<string, number>>(),
    /** While it is set, nobody can open or play it. What was played stays. */
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
    /** The version in force, see `cardVersion`. */
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

/** A revision as compiled for one child's home. Versions are only ever added. */
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

/** One go. Its id comes from the device, so that a go sent twice is one row. */
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
    /**
     * The version of the card that was played. Null if the device could not say (paper, and pages from earlier
     * versions).
     */
    cardHash: text("card_hash"),
    /** What the family decided before play: swapped items, and which home. */
    decided: jsonb("decided").$type<Decided>(),
    /** What was played, with its distances, rebuilt here from the version and the decisions. */
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

/** Different content under a key that was taken already. It is stored for the teacher and never replaces the first. */
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
    /** Stored once. Later rules never change it. */
    score: jsonb("score").$type<PlayScore>().notNull(),
    reflection: jsonb("reflection").$type<Reflection>().notNull(),
    contentHash: text("content_hash").notNull(),
    /** Whether it arrived in time, was sent later but counts, or was too late. */
    timing: text("timing", { enum: ["inTime", "sentLater", "tooLate"] }).notNull(),
    handedAt: instant("handed_at").notNull().defaultNow(),
  },
  (t) => [
    hangsOn("result_play", t, t.playId, play).onDelete("cascade"),
    hangsOn("result_card_fk", t, t.cardId, card).onDelete("cascade"),
    index("result_card").on(t.schoolId, t.cardId),
  ],
);

/** A go that a teacher has checked. It is no longer listed among those to check. */
export const checkedGo = pgTable(
  "checked_go",
  {
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    teacherId: uuid("teacher_id").notNull(),
    at: created(),
  },
  (table) => [
    primaryKey({ columns: [table.schoolId, table.playId] }),
    hangsOn("checked_go_play", table, table.playId, play).onDelete("cascade"),
    hangsOn("checked_go_teacher", table, table.teacherId, teacher).onDelete("cascade"),
  ],
);

/** A teacher's later correction of a score from paper: another score, or none. Corrections are only ever added. */
export const resultCorrection = pgTable(
  "result_correction",
  {
    id: uuid("id").primaryKey(),
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    /** The row that it replaces: an earlier correction, or (null) the result itself. */
    replaces: uuid("replaces"),
    teacherId: uuid("teacher_id").notNull(),
    reason: text("reason").notNull(),
    /** Null: taken back. */
    score: jsonb("score").$type<PlayScore>(),
    at: instant("at").notNull().defaultNow(),
  },
  (table) => [
    keyed("result_correction", table),
    // Of two corrections of one row, the second is refused.
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

/**
 * What is expected at an age in an assignment, worked out once after sending: the likely range (eight of ten
 * children), and the median.
 */
export const expectedBand = pgTable(
  "expected_band",
  {
    schoolId: schoolId(),
    assignmentId: uuid("assignment_id").notNull(),
    age: integer("age").notNull(),
    /** The version of the model that worked it out. */
    model: integer("model").notNull(),
    low: real("low").notNull(),
    middle: real("middle").notNull(),
    high: real("high").notNull(),
    /** The share of all goes that the range really holds. Null for a range from earlier versions. */
    holds: real("holds"),
    /** The score from which a go should be checked. Null until it is worked out. */
    rare: jsonb("rare").$type<{ from: number | null }>(),
  },
  (table) => [
    primaryKey({ columns: [table.assignmentId, table.age] }),
    hangsOn("expected_band_assignment", table, table.assignmentId, assignment).onDelete("cascade"),
  ],
);

/**
 * What one go says about its child, by action and axis (see core/estimate). A go that says nothing has one row with
 * the axis `none`.
 */
export const evidence = pgTable(
  "evidence",
  {
    schoolId: schoolId(),
    playId: uuid("play_id").notNull(),
    childId: uuid("child_id").notNull(),
    action: text("action").notNull(),
    axis: text("axis", { enum: ["spread", "skill", "none"] }).notNull(),
    /** The version of the model; and the events, and corrections of a go on paper, that were known then. */
    model: integer("model").notNull(),
    known: integer("known").notNull(),
    /** When it was played. */
    at: instant("at").notNull(),
    tries: integer("tries").notNull(),
    ll: jsonb("ll").$type<number[]>().notNull(),
    /** The tries that succeeded, and how many should have at the points. None if only a score was known. */
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

/** A go next to its forecast, as shares from 0 to 1 (see core/estimate/truth.ts). */
export type ForecastSeen = Omit<Forecasted, "child">;
/**
 * The forecast of each go of a child and its result, worked out when goes arrive, so that a class's page only adds
 * up.
 */
export const childForecast = pgTable(
  "child_forecast",
  {
    schoolId: schoolId(),
    childId: uuid("child_id").notNull(),
    /** The version of the model. */
    model: integer("model").notNull(),
    goes: jsonb("goes").$type<ForecastSeen[]>().notNull(),
    /** Goes that hit more often than the child's earlier ones suggest (core/estimate/unlikely.ts). */
    unlikely: jsonb("unlikely").$type<Unlikely[]>().notNull().default([]),
  },
  (table) => [
    primaryKey({ columns: [table.schoolId, table.childId] }),
    hangsOn("child_forecast_child", table, table.childId, child).onDelete("cascade"),
  ],
);

/**
 * A card's place in a match between two homes. The two cards of a match have the same number. The other home only
 * sees the chosen word.
 */
export const matchSeat = pgTable(
  "match_seat",
  {
    schoolId: schoolId(),
    cardId: uuid("card_id").notNull(),
    matchId: uuid("match_id").notNull(),
    assignmentId: uuid("assignment_id").notNull(),
    word: text("word"),
    /** When the family said yes. Null until then. */
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

/**
 * Work to be done after a request, once for a key however often it is asked for. The row is deleted when the work is
 * done.
 */
export const job = pgTable(
  "job",
  {
    schoolId: schoolId(),
    kind: text("kind", { enum: ["cards", "expected", "rare", "evidence", "erase"] }).notNull(),
    /** The child or assignment it is about. */
    about: uuid("about").notNull(),
    /** Not before this. Asking again makes it wait again. */
    dueAt: instant("due_at").notNull(),
    /** Raised each time it is asked for, so that a request during its run is not lost. */
    asked: integer("asked").notNull().default(1),
    /** How often it failed. */
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
    /** `{link}` stands where the private link goes. The address is derived when the message is read. */
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
