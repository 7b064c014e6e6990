-- Run after every migration, by the owner: whatever table there is belongs to a household, or is named here as belonging to nobody. A table that a
-- migration adds is closed by this without being mentioned.

-- The household a transaction is for; null: none.
CREATE OR REPLACE FUNCTION heronstone_household() RETURNS text LANGUAGE sql STABLE AS
  $$ SELECT nullif(current_setting('heronstone.household', true), '') $$;

-- A digest somebody has shown the secret of; it opens the one row that is named by it.
CREATE OR REPLACE FUNCTION heronstone_key() RETURNS text LANGUAGE sql STABLE AS
  $$ SELECT nullif(current_setting('heronstone.key', true), '') $$;

-- Rows that a migration makes of a plan's rows are that plan's household's.
CREATE OR REPLACE FUNCTION heronstone_of_plan() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  SELECT household_id INTO NEW.household_id FROM plans WHERE id = NEW.plan_id;
  RETURN NEW;
END $$;

DO $secure$
DECLARE
  t text;
  named text;
  nobodys CONSTANT text[] := ARRAY['schema_migrations', 'guild_state', 'journal_state', 'tries', 'challenges'];
BEGIN
  FOR t IN SELECT relname FROM pg_class WHERE relnamespace = current_schema()::regnamespace AND relkind IN ('r', 'p') ORDER BY relname LOOP
    CONTINUE WHEN t = ANY (nobodys) OR t = 'households';

    IF NOT EXISTS (SELECT FROM pg_attribute WHERE attrelid = t::regclass AND attname = 'household_id' AND NOT attisdropped) THEN
      EXECUTE format('ALTER TABLE %I ADD COLUMN household_id text NOT NULL DEFAULT heronstone_household()', t);
      IF t = 'plans' THEN
        ALTER TABLE plans ADD UNIQUE (household_id, id), ADD FOREIGN KEY (household_id) REFERENCES households (id) ON DELETE CASCADE;
      ELSIF t = 'photos' THEN
        ALTER TABLE photos DROP CONSTRAINT photos_pkey, ADD PRIMARY KEY (household_id, hash), ADD COLUMN kept_at timestamptz NOT NULL DEFAULT now(),
          ADD FOREIGN KEY (household_id) REFERENCES households (id) ON DELETE CASCADE;
      END IF;
    ELSIF t <> 'plans' AND t <> 'photos' THEN
      EXECUTE format('ALTER TABLE %I ALTER COLUMN household_id SET DEFAULT heronstone_household()', t);
    END IF;
  END LOOP;

  -- a row of a plan is of the plan's own household, whatever anybody says
  FOR t IN SELECT attrelid::regclass::text FROM pg_attribute a JOIN pg_class c ON c.oid = a.attrelid
           WHERE c.relnamespace = current_schema()::regnamespace AND c.relkind IN ('r', 'p') AND attname = 'plan_id' AND NOT attisdropped LOOP
    IF NOT EXISTS (SELECT FROM pg_constraint WHERE conrelid = t::regclass AND conname = 'of_its_household') THEN
      FOR named IN SELECT conname FROM pg_constraint
                   WHERE conrelid = t::regclass AND contype = 'f' AND confrelid = 'plans'::regclass AND cardinality(conkey) = 1 LOOP
        EXECUTE format('ALTER TABLE %s DROP CONSTRAINT %I', t, named);
      END LOOP;
      EXECUTE format('ALTER TABLE %s ADD CONSTRAINT of_its_household FOREIGN KEY (household_id, plan_id) REFERENCES plans (household_id, id) ON DELETE CASCADE', t);
      EXECUTE format('CREATE TRIGGER of_plan BEFORE INSERT ON %s FOR EACH ROW WHEN (NEW.household_id IS NULL) EXECUTE FUNCTION heronstone_of_plan()', t);
    END IF;
  END LOOP;

  FOR t IN SELECT relname FROM pg_class WHERE relnamespace = current_schema()::regnamespace AND relkind IN ('r', 'p') LOOP
    CONTINUE WHEN t = ANY (nobodys);
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY, FORCE ROW LEVEL SECURITY', t);
    EXECUTE format('DROP POLICY IF EXISTS operator ON %I', t);
    EXECUTE format('CREATE POLICY operator ON %I TO CURRENT_USER USING (true) WITH CHECK (true)', t);
    CONTINUE WHEN t = 'households';
    EXECUTE format('DROP POLICY IF EXISTS household ON %I', t);
    EXECUTE format('CREATE POLICY household ON %I TO heronstone_servers USING (household_id = heronstone_household()) WITH CHECK (household_id = heronstone_household())', t);
    -- who shows the secret of a row sees that row, to come in by it
    IF t IN ('sessions', 'invitations', 'links', 'gifts') THEN
      EXECUTE format('DROP POLICY IF EXISTS by_key ON %I', t);
      EXECUTE format('CREATE POLICY by_key ON %I FOR SELECT TO heronstone_servers USING (digest = heronstone_key())', t);
    END IF;
    EXECUTE format('REVOKE ALL ON %I FROM PUBLIC', t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON %I TO heronstone_servers', t);
  END LOOP;

  DROP POLICY IF EXISTS by_key ON passkeys;
  CREATE POLICY by_key ON passkeys FOR SELECT TO heronstone_servers USING (id = heronstone_key());

  DROP POLICY IF EXISTS household ON households;
  CREATE POLICY household ON households TO heronstone_servers USING (id = heronstone_household()) WITH CHECK (id = heronstone_household());
  -- its limits are the operator's
  REVOKE ALL ON households FROM heronstone_servers;
  GRANT SELECT, UPDATE (name) ON households TO heronstone_servers;
  -- what was put out for all is read by all
  DROP POLICY IF EXISTS for_all ON templates;
  CREATE POLICY for_all ON templates FOR SELECT TO heronstone_servers USING (heronstone_household() IS NOT NULL);
  -- log and receipts are not rewritten by a server: lines are added, and a step of undo says so in state alone
  REVOKE ALL ON command_log, receipts, acts FROM heronstone_servers;
  GRANT SELECT, INSERT, UPDATE (state) ON command_log TO heronstone_servers;
  GRANT SELECT, INSERT ON receipts, acts TO heronstone_servers;
  GRANT SELECT ON schema_migrations, guild_state TO heronstone_servers;
  GRANT SELECT, INSERT, UPDATE, DELETE ON tries, challenges TO heronstone_servers;
  GRANT USAGE ON SCHEMA public TO heronstone_servers;
END $secure$;
