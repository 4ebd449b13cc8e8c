CREATE TABLE "school_item" (
	"school_id" uuid NOT NULL,
	"id" text NOT NULL,
	"item" jsonb,
	"hidden" boolean DEFAULT false NOT NULL,
	CONSTRAINT "school_item_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "survey_answer" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"school_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"answers" jsonb NOT NULL,
	"support" text DEFAULT '' NOT NULL,
	"home_id" uuid,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "link" ALTER COLUMN "child_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "child" ADD COLUMN "support" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "home" ADD COLUMN "kit" jsonb;--> statement-breakpoint
ALTER TABLE "home" ADD COLUMN "quiet" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "home" ADD COLUMN "no_balls_indoors" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "home" ADD COLUMN "answered_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "link" ADD COLUMN "class_id" uuid;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "kind" text DEFAULT 'game' NOT NULL;--> statement-breakpoint
ALTER TABLE "school_item" ADD CONSTRAINT "school_item_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "survey_answer" ADD CONSTRAINT "survey_answer_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "survey_answer" ADD CONSTRAINT "survey_answer_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "survey_answer" ADD CONSTRAINT "survey_answer_home_id_home_id_fk" FOREIGN KEY ("home_id") REFERENCES "public"."home"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "survey_answer_class" ON "survey_answer" USING btree ("school_id","class_id");--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_class_id_unique" UNIQUE("class_id");--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_of_one" CHECK (num_nonnulls("link"."child_id", "link"."class_id") = 1);