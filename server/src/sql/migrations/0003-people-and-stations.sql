-- Children by age; what an activity asks for; hand-on flows and machines; stations, kits and carts; pinned units and boxes put away.

ALTER TABLE people
  DROP CONSTRAINT people_mobility_check,
  ADD CHECK (mobility IN ('stool', 'swivel', 'standing', 'wheelchair')),
  ADD COLUMN age integer CHECK (age BETWEEN 0 AND 17),
  ADD COLUMN keep_from text[] NOT NULL DEFAULT '{}';
-- before ages were asked, a child was to be kept from everything harmful
UPDATE people SET keep_from = '{blade,hot,flammable,toxic,magnet,small}' WHERE child;

ALTER TABLE units
  ADD COLUMN pinned boolean NOT NULL DEFAULT false,
  ADD COLUMN kept_in_id text,
  ADD FOREIGN KEY (plan_id, kept_in_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE activities
  ADD COLUMN posture text NOT NULL DEFAULT 'either' CHECK (posture IN ('sitting', 'standing', 'either')),
  ADD COLUMN work text NOT NULL DEFAULT 'light' CHECK (work IN ('fine', 'light', 'heavy')),
  ADD COLUMN surface_width double precision NOT NULL DEFAULT 0 CHECK (surface_width >= 0),
  ADD COLUMN surface_depth double precision NOT NULL DEFAULT 0 CHECK (surface_depth >= 0),
  ADD COLUMN lux double precision NOT NULL DEFAULT 500 CHECK (lux >= 0),
  ADD COLUMN traits text[] NOT NULL DEFAULT '{}';

CREATE TABLE flows (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  from_id text NOT NULL,
  to_id text NOT NULL CHECK (to_id <> from_id),
  times double precision NOT NULL CHECK (times >= 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, from_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, to_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE machine_uses (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  activity_id text NOT NULL,
  unit_id text NOT NULL,
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, activity_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

ALTER TABLE stations
  ADD COLUMN housing text NOT NULL DEFAULT 'station' CHECK (housing IN ('station', 'kit', 'cart')),
  ADD COLUMN traveller_id text,
  ADD COLUMN parking_id text,
  ADD COLUMN together text NOT NULL DEFAULT '',
  ADD COLUMN last_used text CHECK (last_used ~ '^\d{4}-\d\d-\d\d$'),
  ADD FOREIGN KEY (plan_id, traveller_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD FOREIGN KEY (plan_id, parking_id) REFERENCES parkings (plan_id, id) DEFERRABLE INITIALLY DEFERRED;
