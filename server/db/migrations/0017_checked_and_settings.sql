CREATE TABLE "checked_go" (
	"school_id" uuid NOT NULL,
	"play_id" uuid NOT NULL,
	"teacher_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "checked_go_school_id_play_id_pk" PRIMARY KEY("school_id","play_id")
);
--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "locale" text DEFAULT 'en-GB' NOT NULL;--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "units" text DEFAULT 'metres' NOT NULL;--> statement-breakpoint
ALTER TABLE "class" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "checked_go" ADD CONSTRAINT "checked_go_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "checked_go" ADD CONSTRAINT "checked_go_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "checked_go" ADD CONSTRAINT "checked_go_teacher" FOREIGN KEY ("school_id","teacher_id") REFERENCES "public"."teacher"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE public.checked_go ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.checked_go USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
