-- The household that a connection asks for stands in the setting bivvet.household; a query of a connection that has
-- not said it gets nothing, whatever it asks. '*' is for the door alone, where it is found out who comes.
-- A function, so that the planner takes it for likely: as an expression it would be taken for rare, and every list of a
-- long log would be sorted as a whole.
CREATE FUNCTION bivvet_sees(of_household uuid) RETURNS boolean LANGUAGE plpgsql STABLE PARALLEL SAFE COST 1 AS $$
BEGIN
  RETURN current_setting('bivvet.household', true) IN (of_household::text, '*');
END $$;
--> statement-breakpoint
DO $$
DECLARE
  of_household text;
BEGIN
  FOR of_household IN
    SELECT table_name FROM information_schema.columns
    WHERE table_schema = 'public' AND column_name = 'household_id'
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', of_household);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', of_household);
    EXECUTE format('CREATE POLICY own_household ON %I USING (bivvet_sees(household_id))', of_household);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE "households" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "households" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_household ON "households" USING (bivvet_sees(id));
--> statement-breakpoint
-- Row security does not bind superusers: a server that connects as one takes this role. Where the database's user may
-- make no roles it is no superuser, and needs none.
DO $$
BEGIN
  IF (SELECT rolsuper OR rolbypassrls FROM pg_roles WHERE rolname = current_user) THEN
    IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'bivvet_app') THEN
      CREATE ROLE bivvet_app NOLOGIN NOSUPERUSER NOBYPASSRLS;
    END IF;
    GRANT USAGE ON SCHEMA public TO bivvet_app;
    GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO bivvet_app;
    GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO bivvet_app;
    ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO bivvet_app;
    ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT USAGE ON SEQUENCES TO bivvet_app;
  END IF;
END $$;
