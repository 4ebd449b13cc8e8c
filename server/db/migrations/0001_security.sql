-- Schools are kept apart by the database itself: the application signs in as a member of yard_app, names one school for each
-- transaction, and sees no other rows, whatever a query forgets.
DO $$ BEGIN
  IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'yard_app') THEN CREATE ROLE yard_app NOLOGIN; END IF;
EXCEPTION WHEN duplicate_object OR unique_violation THEN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION yard_school() RETURNS uuid LANGUAGE sql STABLE AS
  $$ SELECT nullif(current_setting('yard.school', true), '')::uuid $$;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['teacher','session','class','class_teacher','child','home','child_home','link','activity','revision',
                           'assignment','card','play','play_event','play_conflict','result','criterion_mark','message'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format('CREATE POLICY own_school ON %I USING (school_id = yard_school()) WITH CHECK (school_id = yard_school())', t);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE school ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_school ON school USING (id = yard_school());
--> statement-breakpoint
GRANT USAGE ON SCHEMA public TO yard_app;
--> statement-breakpoint
GRANT SELECT ON school, teacher, class, class_teacher TO yard_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON session, child, home, child_home, link, activity, assignment, criterion_mark, message TO yard_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON card TO yard_app;
--> statement-breakpoint
-- What was sent and what was played is only ever added to.
GRANT SELECT, INSERT ON revision, play, play_event, play_conflict, result TO yard_app;
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON sign_in_try TO yard_app;
--> statement-breakpoint
-- The three look-ups that come before a school is known. Each answers for one exact key.
CREATE FUNCTION yard_sign_in(address text) RETURNS TABLE (id uuid, school_id uuid, password_hash text)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT t.id, t.school_id, t.password_hash FROM teacher t WHERE t.email = lower(address) $$;
--> statement-breakpoint
CREATE FUNCTION yard_session(token_hash text) RETURNS TABLE (teacher_id uuid, school_id uuid)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT s.teacher_id, s.school_id FROM session s WHERE s.id = token_hash AND s.expires_at > now() $$;
--> statement-breakpoint
CREATE FUNCTION yard_link(link_id uuid) RETURNS TABLE (school_id uuid, child_id uuid, version integer, withdrawn boolean)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT l.school_id, l.child_id, l.version, l.withdrawn_at IS NOT NULL FROM link l WHERE l.id = link_id $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION yard_sign_in(text), yard_session(text), yard_link(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION yard_school(), yard_sign_in(text), yard_session(text), yard_link(uuid) TO yard_app;
--> statement-breakpoint
-- The server's secret, for copies that were not given one in their environment. The application's role cannot read it.
CREATE TABLE server_secret (only_one boolean PRIMARY KEY DEFAULT true CHECK (only_one), secret text NOT NULL);
