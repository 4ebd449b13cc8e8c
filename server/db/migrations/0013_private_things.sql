CREATE TABLE "home_invitation" (
	"school_id" uuid NOT NULL,
	"code_hash" text NOT NULL,
	"home_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "home_invitation_school_id_code_hash_pk" PRIMARY KEY("school_id","code_hash")
);
--> statement-breakpoint
ALTER TABLE "child" ADD COLUMN "family_note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "child" ADD COLUMN "erase_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "survey_answer" ADD COLUMN "cleared_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "home_invitation" ADD CONSTRAINT "home_invitation_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_invitation" ADD CONSTRAINT "home_invitation_home" FOREIGN KEY ("school_id","home_id") REFERENCES "public"."home"("school_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "home_invitation_of_home" ON "home_invitation" USING btree ("school_id","home_id");--> statement-breakpoint
CREATE INDEX "child_to_erase" ON "child" USING btree ("erase_at") WHERE "child"."erase_at" is not null;--> statement-breakpoint
ALTER TABLE public.home_invitation ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON public.home_invitation USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON public.home_invitation TO yard_app;
--> statement-breakpoint
-- The children of this school that are being deleted. Their rows stay for thirty days, and nobody sees them meanwhile.
CREATE FUNCTION public.yard_erased() RETURNS uuid[] LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT CASE WHEN pg_catalog.current_setting('yard.erased', true) = 'shown' THEN ARRAY[]::uuid[]
       ELSE ARRAY(SELECT c.id FROM public.child c WHERE c.erase_at IS NOT NULL AND c.school_id = public.yard_school()) END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION public.yard_erased() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION public.yard_erased() TO yard_app;
--> statement-breakpoint
-- The sub-select is worked out once a statement, not once a row.
ALTER POLICY own_school ON public.child USING (school_id = public.yard_school() AND id <> ALL ((SELECT public.yard_erased())::uuid[])) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
ALTER POLICY own_school ON public.card USING (school_id = public.yard_school() AND child_id <> ALL ((SELECT public.yard_erased())::uuid[])) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
ALTER POLICY own_school ON public.message USING (school_id = public.yard_school() AND (child_id IS NULL OR child_id <> ALL ((SELECT public.yard_erased())::uuid[]))) WITH CHECK (school_id = public.yard_school());
--> statement-breakpoint
-- A deleted child's link is off.
CREATE OR REPLACE FUNCTION public.yard_link(link_id uuid) RETURNS TABLE (school_id uuid, child_id uuid, class_id uuid, version integer, withdrawn boolean)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT l.school_id, l.child_id, l.class_id, l.version,
       l.withdrawn_at IS NOT NULL OR EXISTS (SELECT FROM public.child c WHERE c.id = l.child_id AND c.erase_at IS NOT NULL)
     FROM public.link l WHERE l.id = link_id $$;
--> statement-breakpoint
-- Whether anybody can sign in yet. Until somebody can, a one-time link on the console makes the first administrator.
CREATE FUNCTION public.yard_has_teachers() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT EXISTS (SELECT FROM public.teacher) $$;
--> statement-breakpoint
-- Makes the first school with its first teacher and class; null where there is a teacher already, also where two try at once.
CREATE FUNCTION public.yard_first_school(school_name text, school_zone text, teacher_name text, address text, hash text, class_name text) RETURNS uuid
  LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS $$
DECLARE
  s uuid := pg_catalog.gen_random_uuid();
  t uuid := pg_catalog.gen_random_uuid();
  c uuid := pg_catalog.gen_random_uuid();
BEGIN
  PERFORM pg_catalog.pg_advisory_xact_lock(7214504);
  IF EXISTS (SELECT FROM public.teacher) THEN RETURN NULL; END IF;
  INSERT INTO public.school (id, name, zone) VALUES (s, school_name, school_zone);
  INSERT INTO public.teacher (id, school_id, email, name, password_hash) VALUES (t, s, pg_catalog.lower(address), teacher_name, hash);
  INSERT INTO public.class (id, school_id, name) VALUES (c, s, class_name);
  INSERT INTO public.class_teacher (school_id, class_id, teacher_id) VALUES (s, c, t);
  RETURN s;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION public.yard_has_teachers(), public.yard_first_school(text, text, text, text, text, text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION public.yard_has_teachers(), public.yard_first_school(text, text, text, text, text, text) TO yard_app;
