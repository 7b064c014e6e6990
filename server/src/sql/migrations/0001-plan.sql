-- A plan and every row it is made of. Millimetres, grams, degrees, minutes. Keys are per plan; references may be
-- checked at the end of a transaction, because one command may touch several tables.

CREATE TABLE plans (
  id text PRIMARY KEY CHECK (id ~ '^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$'),
  name text NOT NULL CHECK (length(btrim(name)) BETWEEN 1 AND 120),
  measure text NOT NULL CHECK (measure IN ('metric', 'imperial')),
  ceiling double precision NOT NULL CHECK (ceiling BETWEEN 1500 AND 10000),
  growth double precision NOT NULL CHECK (growth BETWEEN 0 AND 0.6),
  grouping text NOT NULL CHECK (grouping IN ('activity', 'kind')),
  revision integer NOT NULL DEFAULT 0 CHECK (revision >= 0),
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE walls (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  seq integer NOT NULL CHECK (seq >= 0),
  length double precision NOT NULL CHECK (length > 0),
  turn double precision NOT NULL CHECK (turn BETWEEN -179 AND 179),
  name text NOT NULL,
  PRIMARY KEY (plan_id, id),
  UNIQUE (plan_id, seq) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE openings (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  wall_id text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('door', 'window')),
  "left" double precision NOT NULL CHECK ("left" >= 0),
  width double precision NOT NULL CHECK (width > 0),
  sill double precision NOT NULL CHECK (sill >= 0),
  head double precision NOT NULL CHECK (head > 0),
  hinge text NOT NULL CHECK (hinge IN ('left', 'right')),
  swing text NOT NULL CHECK (swing IN ('in', 'out')),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE people (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  stature double precision NOT NULL CHECK (stature BETWEEN 700 AND 2500),
  eye_height double precision,
  shoulder_height double precision,
  elbow_height double precision,
  grip_reach double precision,
  hand text NOT NULL CHECK (hand IN ('left', 'right')),
  may_climb boolean NOT NULL,
  may_stoop boolean NOT NULL,
  may_kneel boolean NOT NULL,
  mobility text NOT NULL CHECK (mobility IN ('stool', 'swivel', 'wheelchair')),
  child boolean NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE units (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  kind text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  x double precision NOT NULL,
  y double precision NOT NULL,
  facing double precision NOT NULL,
  bottom double precision NOT NULL CHECK (bottom >= 0),
  width double precision NOT NULL CHECK (width > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  height double precision NOT NULL CHECK (height > 0),
  rows integer NOT NULL CHECK (rows BETWEEN 0 AND 40),
  columns integer NOT NULL CHECK (columns BETWEEN 0 AND 40),
  away_minutes double precision NOT NULL CHECK (away_minutes >= 0),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE places (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  unit_id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  kind text NOT NULL CHECK (kind IN ('drawer', 'shelf', 'cubby', 'tier', 'board', 'hook', 'slot', 'box', 'away')),
  "row" integer NOT NULL CHECK ("row" >= 0),
  "column" integer NOT NULL CHECK ("column" >= 0),
  "left" double precision NOT NULL CHECK ("left" >= 0),
  bottom double precision NOT NULL CHECK (bottom >= 0),
  front double precision NOT NULL CHECK (front >= 0),
  width double precision NOT NULL CHECK (width > 0),
  height double precision NOT NULL CHECK (height > 0),
  depth double precision NOT NULL CHECK (depth > 0),
  opens text NOT NULL CHECK (opens IN ('front', 'top')),
  covers text[] NOT NULL CHECK (covers <@ ARRAY['drawer', 'door', 'lid']),
  seen boolean NOT NULL,
  load double precision NOT NULL CHECK (load >= 0),
  lockable boolean NOT NULL,
  PRIMARY KEY (plan_id, id),
  UNIQUE (plan_id, unit_id, "row", "column") DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE supplies (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  family text NOT NULL,
  form text NOT NULL CHECK (form IN ('block', 'sheet', 'roll', 'bottle', 'stick', 'spool', 'soft', 'pocket', 'loose', 'machine', 'long')),
  width double precision CHECK (width > 0),
  depth double precision CHECK (depth > 0),
  height double precision CHECK (height > 0),
  mass double precision NOT NULL CHECK (mass >= 0),
  grammage double precision CHECK (grammage > 0),
  working integer NOT NULL CHECK (working >= 0),
  backstock integer NOT NULL CHECK (backstock >= 0),
  stack_limit integer CHECK (stack_limit >= 1),
  lies text[] NOT NULL CHECK (cardinality(lies) >= 1 AND lies <@ ARRAY['flat', 'edge', 'upright', 'hanging']),
  sensitive text[] NOT NULL CHECK (sensitive <@ ARRAY['sun', 'heat', 'damp', 'frost', 'dust']),
  hazards text[] NOT NULL CHECK (hazards <@ ARRAY['blade', 'hot', 'flammable', 'fumes', 'small', 'magnet', 'toxic', 'heavy']),
  colour text CHECK (colour ~ '^#[0-9a-f]{6}$'),
  note text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE activities (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  sessions_per_month double precision NOT NULL CHECK (sessions_per_month >= 0),
  minutes double precision NOT NULL CHECK (minutes >= 1),
  months integer[] NOT NULL CHECK (1 <= ALL (months) AND 12 >= ALL (months)),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE uses (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  activity_id text NOT NULL,
  supply_id text NOT NULL,
  fetches double precision NOT NULL CHECK (fetches >= 0),
  used_up double precision NOT NULL CHECK (used_up >= 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, activity_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE stations (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  activity_id text NOT NULL,
  person_id text NOT NULL,
  unit_id text,
  x double precision NOT NULL,
  y double precision NOT NULL,
  heading double precision NOT NULL,
  standing boolean NOT NULL,
  seat_height double precision CHECK (seat_height BETWEEN 150 AND 1000),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, activity_id) REFERENCES activities (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, person_id) REFERENCES people (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE homes (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL CHECK (id = supply_id || '.' || share),
  supply_id text NOT NULL,
  share text NOT NULL CHECK (share IN ('working', 'backstock')),
  place_id text NOT NULL,
  pinned boolean NOT NULL,
  since text NOT NULL CHECK (since ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX homes_by_place ON homes (plan_id, place_id);

-- Every change of a plan, oldest first. `state`: done, undone (may be redone), dropped (another change came after the undo).
CREATE TABLE command_log (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  seq integer NOT NULL,
  command_id text NOT NULL,
  words text NOT NULL,
  command jsonb NOT NULL,
  inverse jsonb NOT NULL,
  state text NOT NULL CHECK (state IN ('done', 'undone', 'dropped')),
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (plan_id, seq),
  UNIQUE (plan_id, command_id)
);
