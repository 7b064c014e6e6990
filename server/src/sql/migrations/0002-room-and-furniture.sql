-- Slopes, fixtures, diagonals, other uses of the floor; mounts, exact fronts and parking spots; organisers; acknowledged findings.

ALTER TABLE plans
  ADD COLUMN region text NOT NULL DEFAULT 'eu' CHECK (region IN ('eu', 'uk', 'us', 'au')),
  ADD COLUMN latitude double precision NOT NULL DEFAULT 50 CHECK (latitude BETWEEN -66 AND 66),
  ADD COLUMN longitude double precision NOT NULL DEFAULT 0 CHECK (longitude BETWEEN -180 AND 180),
  ADD COLUMN bearing double precision NOT NULL DEFAULT 0 CHECK (bearing BETWEEN -360 AND 360),
  -- not a foreign key: a fork outlives what it was forked from
  ADD COLUMN forked_from text;

CREATE TABLE slopes (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  wall_id text NOT NULL,
  knee double precision NOT NULL CHECK (knee > 0),
  run double precision NOT NULL CHECK (run > 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE fixtures (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('socket', 'heater', 'fuseBoard', 'sink', 'lamp', 'pipe', 'stairs', 'obstacle')),
  name text NOT NULL CHECK (name <> ''),
  wall_id text,
  "left" double precision NOT NULL CHECK ("left" >= 0),
  x double precision NOT NULL,
  y double precision NOT NULL,
  facing double precision NOT NULL,
  bottom double precision NOT NULL CHECK (bottom >= 0),
  width double precision NOT NULL CHECK (width > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  height double precision NOT NULL CHECK (height > 0),
  circuit text NOT NULL,
  lumens double precision NOT NULL CHECK (lumens >= 0),
  beam double precision NOT NULL CHECK (beam BETWEEN 5 AND 360),
  watts double precision NOT NULL CHECK (watts >= 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE diagonals (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  from_wall_id text NOT NULL,
  to_wall_id text NOT NULL,
  length double precision NOT NULL CHECK (length > 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, from_wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, to_wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE floor_uses (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  x double precision NOT NULL,
  y double precision NOT NULL,
  facing double precision NOT NULL,
  width double precision NOT NULL CHECK (width > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  height double precision NOT NULL CHECK (height > 0),
  months integer[] NOT NULL CHECK (1 <= ALL (months) AND 12 >= ALL (months)),
  PRIMARY KEY (plan_id, id)
);

-- Before there were mounts the kind alone said how a unit is held; what stands on the floor still does.
ALTER TABLE units
  ADD COLUMN row_sizes double precision[] NOT NULL DEFAULT '{}' CHECK (0 < ALL (row_sizes)),
  ADD COLUMN column_sizes double precision[] NOT NULL DEFAULT '{}' CHECK (0 < ALL (column_sizes)),
  ADD COLUMN inserts text[] NOT NULL DEFAULT '{}',
  ADD COLUMN mount text NOT NULL DEFAULT 'floor' CHECK (mount IN ('floor', 'wall', 'on', 'under', 'door', 'away')),
  ADD COLUMN host_id text,
  ADD COLUMN door_id text,
  ADD COLUMN fixed boolean NOT NULL DEFAULT false,
  ADD COLUMN mass double precision CHECK (mass >= 0),
  ADD COLUMN rated_load double precision CHECK (rated_load >= 0),
  ADD COLUMN board text NOT NULL DEFAULT 'particleboard' CHECK (board IN ('particleboard', 'mdf', 'plywood', 'pine', 'metal')),
  ADD COLUMN thickness double precision NOT NULL DEFAULT 16 CHECK (thickness > 0),
  ADD COLUMN watts double precision NOT NULL DEFAULT 0 CHECK (watts >= 0),
  ADD COLUMN cord double precision CHECK (cord >= 0),
  ADD COLUMN feed_front double precision NOT NULL DEFAULT 0 CHECK (feed_front >= 0),
  ADD COLUMN feed_back double precision NOT NULL DEFAULT 0 CHECK (feed_back >= 0),
  ADD FOREIGN KEY (plan_id, host_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD FOREIGN KEY (plan_id, door_id) REFERENCES openings (plan_id, id) DEFERRABLE INITIALLY DEFERRED;
UPDATE units SET mount = 'away' WHERE kind = 'away';
UPDATE units SET mount = 'wall', fixed = true WHERE kind IN ('wallCabinet', 'wallShelves', 'wallBoard', 'hookRail');
UPDATE units SET mount = 'on' WHERE kind IN ('smallDrawers', 'paperSlots');

CREATE TABLE parkings (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  unit_id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  x double precision NOT NULL,
  y double precision NOT NULL,
  facing double precision NOT NULL,
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE own_kinds (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  kind text NOT NULL,
  width double precision NOT NULL CHECK (width > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  height double precision NOT NULL CHECK (height > 0),
  rows integer NOT NULL CHECK (rows BETWEEN 0 AND 40),
  columns integer NOT NULL CHECK (columns BETWEEN 0 AND 40),
  row_sizes double precision[] NOT NULL CHECK (0 < ALL (row_sizes)),
  column_sizes double precision[] NOT NULL CHECK (0 < ALL (column_sizes)),
  inserts text[] NOT NULL,
  PRIMARY KEY (plan_id, id)
);

ALTER TABLE places
  ADD COLUMN part integer NOT NULL DEFAULT 0 CHECK (part BETWEEN 0 AND 20),
  ADD COLUMN through_id text,
  DROP CONSTRAINT places_plan_id_unit_id_row_column_key,
  ADD UNIQUE (plan_id, unit_id, "row", "column", part) DEFERRABLE INITIALLY DEFERRED,
  ADD FOREIGN KEY (plan_id, through_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  DROP CONSTRAINT places_kind_check,
  ADD CHECK (kind IN ('drawer', 'shelf', 'cubby', 'tier', 'board', 'hook', 'slot', 'box', 'top', 'dowel', 'hanger', 'away'));

CREATE TABLE organisers (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  width double precision NOT NULL CHECK (width > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  height double precision NOT NULL CHECK (height > 0),
  inner_width double precision NOT NULL CHECK (inner_width > 0),
  inner_depth double precision NOT NULL CHECK (inner_depth > 0),
  inner_height double precision NOT NULL CHECK (inner_height > 0),
  lid boolean NOT NULL,
  lid_rise double precision NOT NULL CHECK (lid_rise >= 0),
  see_through boolean NOT NULL,
  pack_of integer NOT NULL CHECK (pack_of >= 1),
  have integer NOT NULL CHECK (have >= 0),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE organiser_sets (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  organiser_id text NOT NULL,
  place_id text NOT NULL,
  count integer NOT NULL CHECK (count >= 1),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, organiser_id) REFERENCES organisers (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE acknowledgements (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  reason text NOT NULL CHECK (length(btrim(reason)) >= 3),
  since text NOT NULL CHECK (since ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id)
);
