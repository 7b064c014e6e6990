-- Keep-up: labels, pictures, doors taken off, the life of a supply; projects and what is out, dots, what was put off, the log.

ALTER TABLE plans
  ADD COLUMN labels text NOT NULL DEFAULT 'memory' CHECK (labels IN ('outside', 'inside', 'memory'));

ALTER TABLE units
  ADD COLUMN doors_off boolean NOT NULL DEFAULT false;

ALTER TABLE places
  ADD COLUMN label text NOT NULL DEFAULT 'none' CHECK (label IN ('none', 'trial', 'permanent', 'inside', 'learnt')),
  ADD COLUMN label_since text CHECK (label_since ~ '^\d{4}-\d\d-\d\d$'),
  ADD COLUMN label_words text NOT NULL DEFAULT '',
  ADD COLUMN label_shows text[] NOT NULL DEFAULT '{name}' CHECK (label_shows <@ ARRAY['name', 'contents', 'picture', 'swatch', 'dots', 'code']),
  ADD COLUMN label_sides text[] NOT NULL DEFAULT '{front}' CHECK (label_sides <@ ARRAY['front', 'top', 'left', 'right', 'back']),
  ADD COLUMN photo text CHECK (photo ~ '^[0-9a-f]{64}$');

ALTER TABLE supplies
  ADD COLUMN also_called text NOT NULL DEFAULT '',
  ADD COLUMN life text NOT NULL DEFAULT 'current' CHECK (life IN ('current', 'second', 'retired')),
  ADD COLUMN kit text NOT NULL DEFAULT '',
  ADD COLUMN bought_on text CHECK (bought_on ~ '^\d{4}-\d\d-\d\d$'),
  ADD COLUMN used_on text CHECK (used_on ~ '^\d{4}-\d\d-\d\d$'),
  ADD COLUMN shop text NOT NULL DEFAULT '',
  ADD COLUMN price double precision CHECK (price >= 0),
  ADD COLUMN photo text CHECK (photo ~ '^[0-9a-f]{64}$');

CREATE TABLE projects (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('project', 'trip')),
  activity_id text,
  state text NOT NULL CHECK (state IN ('idea', 'planned', 'going', 'resting', 'done')),
  since text NOT NULL CHECK (since ~ '^\d{4}-\d\d-\d\d$'),
  for_day text CHECK (for_day ~ '^\d{4}-\d\d-\d\d$'),
  tray_id text,
  note text NOT NULL,
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, activity_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, tray_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE outs (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  supply_id text NOT NULL,
  project_id text,
  count integer NOT NULL CHECK (count >= 1),
  state text NOT NULL CHECK (state IN ('wanted', 'out', 'back')),
  double boolean NOT NULL,
  place_id text,
  since text NOT NULL CHECK (since ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, project_id) REFERENCES projects (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE ties (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  dots integer[] NOT NULL CHECK (cardinality(dots) BETWEEN 1 AND 4),
  supply_ids text[] NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE put_offs (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  until text NOT NULL CHECK (until ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id)
);

-- What it names may go; what happened has happened.
CREATE TABLE diary (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  at text NOT NULL CHECK (at ~ '^\d{4}-\d\d-\d\dT'),
  day text NOT NULL CHECK (day ~ '^\d{4}-\d\d-\d\d$'),
  what text NOT NULL CHECK (what IN ('began', 'ended', 'fetched', 'putBack', 'usedUp', 'opened', 'bought', 'moved', 'decided', 'stray', 'season', 'labelled', 'struck')),
  station_id text,
  activity_id text,
  supply_id text,
  place_id text,
  count integer CHECK (count >= 0),
  strikes_id text,
  words text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE FUNCTION diary_stays() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW IS DISTINCT FROM OLD THEN
    RAISE EXCEPTION 'a line of the log is not changed' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER diary_stays BEFORE UPDATE ON diary FOR EACH ROW EXECUTE FUNCTION diary_stays();

-- Undo steps past a line of the log: it is kept, neither done nor undone.
ALTER TABLE command_log
  DROP CONSTRAINT command_log_state_check,
  ADD CONSTRAINT command_log_state_check CHECK (state IN ('done', 'undone', 'dropped', 'kept'));

-- Pictures lie beside the database, by hash; before a backup they are copied in here, so that one file has everything.
CREATE TABLE photos (
  hash text PRIMARY KEY CHECK (hash ~ '^[0-9a-f]{64}$'),
  bytes bytea NOT NULL
);
