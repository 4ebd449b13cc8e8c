-- Cards: what is compiled is a version of its own from here on.
INSERT INTO public.card_version (school_id, card_id, hash, compiled)
  SELECT school_id, id, encode(sha256(convert_to(compiled::text, 'UTF8')), 'hex'), compiled FROM public.card;
--> statement-breakpoint
UPDATE public.card SET hash = encode(sha256(convert_to(compiled::text, 'UTF8')), 'hex');
--> statement-breakpoint
-- What was sent before gets its expected bands worked out.
INSERT INTO public.job (school_id, kind, about, due_at) SELECT school_id, 'expected', id, now() FROM public.assignment;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['card_version','result_correction','expected_band','job'] LOOP
    EXECUTE format('ALTER TABLE public.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format('CREATE POLICY own_school ON public.%I USING (school_id = public.yard_school()) WITH CHECK (school_id = public.yard_school())', t);
  END LOOP;
  -- Nobody's school: no policy, so that only functions of the owner see a row.
  FOREACH t IN ARRAY ARRAY['sign_in_pace','sign_in_try','server_secret'] LOOP
    EXECUTE format('ALTER TABLE public.%I ENABLE ROW LEVEL SECURITY', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT ON public.card_version, public.result_correction TO yard_app;
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON public.expected_band TO yard_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON public.job TO yard_app;
--> statement-breakpoint
REVOKE UPDATE ON public.card FROM yard_app;
--> statement-breakpoint
GRANT UPDATE (hash, opened_at) ON public.card TO yard_app;
--> statement-breakpoint
-- Password hashes are nobody's to read.
REVOKE SELECT ON public.teacher FROM yard_app;
--> statement-breakpoint
GRANT SELECT (id, school_id, email, name) ON public.teacher TO yard_app;
--> statement-breakpoint
REVOKE ALL ON public.sign_in_try FROM yard_app;
--> statement-breakpoint
-- Everything that runs as the owner names its tables in full and searches nowhere else: a temporary table or view cannot stand in.
CREATE OR REPLACE FUNCTION public.yard_school() RETURNS uuid LANGUAGE sql STABLE AS
  $$ SELECT nullif(pg_catalog.current_setting('yard.school', true), '')::pg_catalog.uuid $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION public.yard_sign_in(address text) RETURNS TABLE (id uuid, school_id uuid, password_hash text)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT t.id, t.school_id, t.password_hash FROM public.teacher t WHERE t.email = pg_catalog.lower(address) $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION public.yard_session(token_hash text) RETURNS TABLE (teacher_id uuid, school_id uuid)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT s.teacher_id, s.school_id FROM public.session s WHERE s.id = token_hash AND s.expires_at > pg_catalog.now() $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION public.yard_link(link_id uuid) RETURNS TABLE (school_id uuid, child_id uuid, class_id uuid, version integer, withdrawn boolean)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT l.school_id, l.child_id, l.class_id, l.version, l.withdrawn_at IS NOT NULL FROM public.link l WHERE l.id = link_id $$;
--> statement-breakpoint
-- The turn of one more try to sign in: milliseconds to wait for it, or -1 where too many wait already. After `free` tries each
-- waits longer than the one before, up to ten times `pace`; a quiet quarter of an hour forgets them.
CREATE FUNCTION public.yard_sign_in_turn(of_key text, free integer, pace interval, horizon interval) RETURNS integer
  LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS $$
DECLARE
  at timestamptz := clock_timestamp();
  p public.sign_in_pace;
  slot timestamptz;
BEGIN
  INSERT INTO public.sign_in_pace AS s (key, tries, next_at) VALUES (of_key, 0, at) ON CONFLICT (key) DO NOTHING;
  SELECT * INTO p FROM public.sign_in_pace s WHERE s.key = of_key FOR UPDATE;
  IF p.next_at < at - interval '15 minutes' THEN p.tries := 0; END IF;
  IF p.tries < free THEN slot := greatest(p.next_at, at); ELSE slot := greatest(p.next_at, at) + pace * least(p.tries - free + 1, 10); END IF;
  IF slot - at > horizon THEN RETURN -1; END IF;
  UPDATE public.sign_in_pace s SET tries = p.tries + 1, next_at = slot WHERE s.key = of_key;
  DELETE FROM public.sign_in_pace s WHERE s.next_at < at - interval '1 day';
  RETURN greatest(0, ceil(extract(epoch FROM slot - at) * 1000))::integer;
END $$;
--> statement-breakpoint
-- A try that succeeded counts no more; `forget`: nor do those before it.
CREATE FUNCTION public.yard_sign_in_done(of_key text, forget boolean) RETURNS void
  LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ UPDATE public.sign_in_pace s SET tries = CASE WHEN forget THEN 0 ELSE greatest(0, s.tries - 1) END WHERE s.key = of_key $$;
--> statement-breakpoint
-- Which work is due, of all schools: keys only. Who does it names the school like any other request.
CREATE FUNCTION public.yard_due_jobs(most integer) RETURNS TABLE (school_id uuid, kind text, about uuid)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog, pg_temp AS
  $$ SELECT j.school_id, j.kind, j.about FROM public.job j WHERE j.due_at <= pg_catalog.now() ORDER BY j.due_at LIMIT most $$;
--> statement-breakpoint
DO $$
DECLARE f regprocedure;
BEGIN
  FOR f IN SELECT p.oid FROM pg_proc p WHERE p.pronamespace = 'public'::regnamespace LOOP
    EXECUTE format('REVOKE ALL ON FUNCTION %s FROM PUBLIC', f);
    EXECUTE format('GRANT EXECUTE ON FUNCTION %s TO yard_app', f);
  END LOOP;
END $$;
