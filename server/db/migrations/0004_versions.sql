CREATE TABLE "card_version" (
	"school_id" uuid NOT NULL,
	"card_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"compiled" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "card_version_card_id_hash_pk" PRIMARY KEY("card_id","hash"),
	CONSTRAINT "card_version_key" UNIQUE("school_id","card_id","hash")
);
--> statement-breakpoint
CREATE TABLE "expected_band" (
	"school_id" uuid NOT NULL,
	"assignment_id" uuid NOT NULL,
	"age" integer NOT NULL,
	"model" integer NOT NULL,
	"low" real NOT NULL,
	"middle" real NOT NULL,
	"high" real NOT NULL,
	CONSTRAINT "expected_band_assignment_id_age_pk" PRIMARY KEY("assignment_id","age")
);
--> statement-breakpoint
CREATE TABLE "job" (
	"school_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"about" uuid NOT NULL,
	"due_at" timestamp with time zone NOT NULL,
	"asked" integer DEFAULT 1 NOT NULL,
	"failed" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "job_school_id_kind_about_pk" PRIMARY KEY("school_id","kind","about")
);
--> statement-breakpoint
CREATE TABLE "result_correction" (
	"id" uuid PRIMARY KEY NOT NULL,
	"school_id" uuid NOT NULL,
	"play_id" uuid NOT NULL,
	"replaces" uuid,
	"teacher_id" uuid NOT NULL,
	"reason" text NOT NULL,
	"score" jsonb,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "result_correction_key" UNIQUE("school_id","id"),
	CONSTRAINT "result_correction_once" UNIQUE NULLS NOT DISTINCT("school_id","play_id","replaces")
);
--> statement-breakpoint
CREATE TABLE "sign_in_pace" (
	"key" text PRIMARY KEY NOT NULL,
	"tries" integer NOT NULL,
	"next_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "activity" DROP CONSTRAINT "activity_teacher_id_teacher_id_fk";
--> statement-breakpoint
ALTER TABLE "assignment" DROP CONSTRAINT "assignment_class_id_class_id_fk";
--> statement-breakpoint
ALTER TABLE "assignment" DROP CONSTRAINT "assignment_revision_id_revision_id_fk";
--> statement-breakpoint
ALTER TABLE "card" DROP CONSTRAINT "card_assignment_id_assignment_id_fk";
--> statement-breakpoint
ALTER TABLE "card" DROP CONSTRAINT "card_child_id_child_id_fk";
--> statement-breakpoint
ALTER TABLE "child" DROP CONSTRAINT "child_class_id_class_id_fk";
--> statement-breakpoint
ALTER TABLE "child_home" DROP CONSTRAINT "child_home_child_id_child_id_fk";
--> statement-breakpoint
ALTER TABLE "child_home" DROP CONSTRAINT "child_home_home_id_home_id_fk";
--> statement-breakpoint
ALTER TABLE "class_teacher" DROP CONSTRAINT "class_teacher_class_id_class_id_fk";
--> statement-breakpoint
ALTER TABLE "class_teacher" DROP CONSTRAINT "class_teacher_teacher_id_teacher_id_fk";
--> statement-breakpoint
ALTER TABLE "criterion_mark" DROP CONSTRAINT "criterion_mark_card_id_card_id_fk";
--> statement-breakpoint
ALTER TABLE "link" DROP CONSTRAINT "link_child_id_child_id_fk";
--> statement-breakpoint
ALTER TABLE "link" DROP CONSTRAINT "link_class_id_class_id_fk";
--> statement-breakpoint
ALTER TABLE "message" DROP CONSTRAINT "message_child_id_child_id_fk";
--> statement-breakpoint
ALTER TABLE "message" DROP CONSTRAINT "message_assignment_id_assignment_id_fk";
--> statement-breakpoint
ALTER TABLE "play" DROP CONSTRAINT "play_card_id_card_id_fk";
--> statement-breakpoint
ALTER TABLE "play_conflict" DROP CONSTRAINT "play_conflict_play_id_play_id_fk";
--> statement-breakpoint
ALTER TABLE "play_event" DROP CONSTRAINT "play_event_play_id_play_id_fk";
--> statement-breakpoint
ALTER TABLE "result" DROP CONSTRAINT "result_play_id_play_id_fk";
--> statement-breakpoint
ALTER TABLE "result" DROP CONSTRAINT "result_card_id_card_id_fk";
--> statement-breakpoint
ALTER TABLE "revision" DROP CONSTRAINT "revision_activity_id_activity_id_fk";
--> statement-breakpoint
ALTER TABLE "session" DROP CONSTRAINT "session_teacher_id_teacher_id_fk";
--> statement-breakpoint
ALTER TABLE "survey_answer" DROP CONSTRAINT "survey_answer_class_id_class_id_fk";
--> statement-breakpoint
ALTER TABLE "survey_answer" DROP CONSTRAINT "survey_answer_home_id_home_id_fk";
--> statement-breakpoint
DROP INDEX "activity_school";
--> statement-breakpoint
ALTER TABLE "assignment" ADD COLUMN "order_id" uuid DEFAULT gen_random_uuid() NOT NULL;
--> statement-breakpoint
ALTER TABLE "assignment" ADD COLUMN "whole_class" boolean DEFAULT true NOT NULL;
--> statement-breakpoint
ALTER TABLE "assignment" ADD COLUMN "withdrawn_at" timestamp with time zone;
--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "hash" text DEFAULT '' NOT NULL;
--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "card_hash" text;
--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "decided" jsonb;
--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "game" jsonb;
--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "assignment" ADD CONSTRAINT "assignment_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "child" ADD CONSTRAINT "child_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "home" ADD CONSTRAINT "home_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "class" ADD CONSTRAINT "class_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "teacher" ADD CONSTRAINT "teacher_key" UNIQUE("school_id","id");
--> statement-breakpoint
ALTER TABLE "card_version" ADD CONSTRAINT "card_version_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "card_version" ADD CONSTRAINT "card_version_card" FOREIGN KEY ("school_id","card_id") REFERENCES "public"."card"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "expected_band" ADD CONSTRAINT "expected_band_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "expected_band" ADD CONSTRAINT "expected_band_assignment" FOREIGN KEY ("school_id","assignment_id") REFERENCES "public"."assignment"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result_correction" ADD CONSTRAINT "result_correction_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result_correction" ADD CONSTRAINT "result_correction_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result_correction" ADD CONSTRAINT "result_correction_teacher" FOREIGN KEY ("school_id","teacher_id") REFERENCES "public"."teacher"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result_correction" ADD CONSTRAINT "result_correction_replaces" FOREIGN KEY ("school_id","replaces") REFERENCES "public"."result_correction"("school_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "job_due" ON "job" USING btree ("due_at");
--> statement-breakpoint
ALTER TABLE "activity" ADD CONSTRAINT "activity_teacher" FOREIGN KEY ("school_id","teacher_id") REFERENCES "public"."teacher"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "assignment" ADD CONSTRAINT "assignment_class_fk" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "assignment" ADD CONSTRAINT "assignment_revision" FOREIGN KEY ("school_id","revision_id") REFERENCES "public"."revision"("school_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_assignment" FOREIGN KEY ("school_id","assignment_id") REFERENCES "public"."assignment"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_child_fk" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "child" ADD CONSTRAINT "child_class_fk" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "child_home" ADD CONSTRAINT "child_home_child" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "child_home" ADD CONSTRAINT "child_home_home" FOREIGN KEY ("school_id","home_id") REFERENCES "public"."home"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "class_teacher" ADD CONSTRAINT "class_teacher_class" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "class_teacher" ADD CONSTRAINT "class_teacher_teacher" FOREIGN KEY ("school_id","teacher_id") REFERENCES "public"."teacher"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "criterion_mark" ADD CONSTRAINT "criterion_mark_card" FOREIGN KEY ("school_id","card_id") REFERENCES "public"."card"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_child" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_class" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_child" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_assignment" FOREIGN KEY ("school_id","assignment_id") REFERENCES "public"."assignment"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_card_fk" FOREIGN KEY ("school_id","card_id") REFERENCES "public"."card"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_card_version" FOREIGN KEY ("school_id","card_id","card_hash") REFERENCES "public"."card_version"("school_id","card_id","hash") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "play_conflict" ADD CONSTRAINT "play_conflict_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "play_event" ADD CONSTRAINT "play_event_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result" ADD CONSTRAINT "result_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "result" ADD CONSTRAINT "result_card_fk" FOREIGN KEY ("school_id","card_id") REFERENCES "public"."card"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_activity" FOREIGN KEY ("school_id","activity_id") REFERENCES "public"."activity"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_teacher" FOREIGN KEY ("school_id","teacher_id") REFERENCES "public"."teacher"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "survey_answer" ADD CONSTRAINT "survey_answer_class_fk" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class"("school_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "survey_answer" ADD CONSTRAINT "survey_answer_home" FOREIGN KEY ("school_id","home_id") REFERENCES "public"."home"("school_id","id") ON DELETE SET NULL ("home_id") ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "card_of_assignment" ON "card" USING btree ("school_id","assignment_id");
--> statement-breakpoint
CREATE INDEX "card_of_child" ON "card" USING btree ("school_id","child_id");
--> statement-breakpoint
CREATE INDEX "child_of_home" ON "child_home" USING btree ("school_id","home_id");
--> statement-breakpoint
CREATE INDEX "class_of_teacher" ON "class_teacher" USING btree ("school_id","teacher_id");
--> statement-breakpoint
CREATE INDEX "criterion_mark_of" ON "criterion_mark" USING btree ("school_id","card_id");
--> statement-breakpoint
CREATE INDEX "message_of_child" ON "message" USING btree ("school_id","child_id");
--> statement-breakpoint
CREATE INDEX "message_of_assignment" ON "message" USING btree ("school_id","assignment_id");
--> statement-breakpoint
CREATE INDEX "play_conflict_of" ON "play_conflict" USING btree ("school_id","play_id");
--> statement-breakpoint
CREATE INDEX "session_of_teacher" ON "session" USING btree ("school_id","teacher_id");
--> statement-breakpoint
CREATE INDEX "survey_answer_of_home" ON "survey_answer" USING btree ("school_id","home_id");
--> statement-breakpoint
CREATE INDEX "activity_school" ON "activity" USING btree ("school_id","teacher_id","updated_at");
--> statement-breakpoint
ALTER TABLE "assignment" ADD CONSTRAINT "assignment_order" UNIQUE("school_id","order_id");
