CREATE TABLE "school_exercise" (
	"school_id" uuid NOT NULL,
	"id" text NOT NULL,
	"exercise" jsonb NOT NULL,
	CONSTRAINT "school_exercise_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "expected_band" ADD COLUMN "rare" jsonb;--> statement-breakpoint
ALTER TABLE "school_exercise" ADD CONSTRAINT "school_exercise_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE public.school_exercise ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.school_exercise USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON public.school_exercise TO yard_app;
--> statement-breakpoint
GRANT UPDATE (rare) ON public.expected_band TO yard_app;
