CREATE TABLE "evidence" (
	"school_id" uuid NOT NULL,
	"play_id" uuid NOT NULL,
	"child_id" uuid NOT NULL,
	"action" text NOT NULL,
	"axis" text NOT NULL,
	"model" integer NOT NULL,
	"known" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"tries" integer NOT NULL,
	"ll" jsonb NOT NULL,
	CONSTRAINT "evidence_play_id_action_axis_pk" PRIMARY KEY("play_id","action","axis")
);
--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_play" FOREIGN KEY ("school_id","play_id") REFERENCES "public"."play"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_child_fk" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "evidence_of_child" ON "evidence" USING btree ("school_id","child_id");--> statement-breakpoint
ALTER TABLE public.evidence ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.evidence USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON public.evidence TO yard_app;
