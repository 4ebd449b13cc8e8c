CREATE TABLE "match_seat" (
	"school_id" uuid NOT NULL,
	"card_id" uuid NOT NULL,
	"match_id" uuid NOT NULL,
	"assignment_id" uuid NOT NULL,
	"word" text,
	"yes_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "match_seat_school_id_card_id_pk" PRIMARY KEY("school_id","card_id")
);
--> statement-breakpoint
ALTER TABLE "match_seat" ADD CONSTRAINT "match_seat_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "match_seat" ADD CONSTRAINT "match_seat_card" FOREIGN KEY ("school_id","card_id") REFERENCES "public"."card"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "match_seat" ADD CONSTRAINT "match_seat_assignment" FOREIGN KEY ("school_id","assignment_id") REFERENCES "public"."assignment"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "match_seat_match" ON "match_seat" USING btree ("school_id","match_id");--> statement-breakpoint
CREATE INDEX "match_seat_of_assignment" ON "match_seat" USING btree ("school_id","assignment_id");--> statement-breakpoint
ALTER TABLE public.match_seat ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.match_seat USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON public.match_seat TO yard_app;
