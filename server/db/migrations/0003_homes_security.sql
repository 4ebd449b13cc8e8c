DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['survey_answer','school_item'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format('CREATE POLICY own_school ON %I USING (school_id = yard_school()) WITH CHECK (school_id = yard_school())', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON survey_answer, school_item TO yard_app;
--> statement-breakpoint
-- A link now leads to a child, or to a class's survey.
DROP FUNCTION yard_link(uuid);
--> statement-breakpoint
CREATE FUNCTION yard_link(link_id uuid) RETURNS TABLE (school_id uuid, child_id uuid, class_id uuid, version integer, withdrawn boolean)
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT l.school_id, l.child_id, l.class_id, l.version, l.withdrawn_at IS NOT NULL FROM link l WHERE l.id = link_id $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION yard_link(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION yard_link(uuid) TO yard_app;
