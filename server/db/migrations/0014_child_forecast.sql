CREATE TABLE "child_forecast" (
	"school_id" uuid NOT NULL,
	"child_id" uuid NOT NULL,
	"model" integer NOT NULL,
	"goes" jsonb NOT NULL,
	CONSTRAINT "child_forecast_school_id_child_id_pk" PRIMARY KEY("school_id","child_id")
);
--> statement-breakpoint
ALTER TABLE "child_forecast" ADD CONSTRAINT "child_forecast_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "child_forecast" ADD CONSTRAINT "child_forecast_child" FOREIGN KEY ("school_id","child_id") REFERENCES "public"."child"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE public.child_forecast ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.child_forecast USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
