-- Pictures that were measured in, and which sides of a thing were measured by picture, how exactly.

ALTER TABLE supplies
  ADD COLUMN pictured text[] NOT NULL DEFAULT '{}',
  ADD COLUMN plus_minus double precision NOT NULL DEFAULT 0 CHECK (plus_minus >= 0);

CREATE TABLE pictures (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  place_id text,
  unit_id text,
  wall_id text,
  photo text NOT NULL CHECK (photo ~ '^[0-9a-f]{64}$'),
  width integer NOT NULL CHECK (width > 0),
  height integer NOT NULL CHECK (height > 0),
  focal35 double precision,
  corners double precision[] NOT NULL,
  known_width double precision NOT NULL CHECK (known_width > 0),
  known_depth double precision NOT NULL CHECK (known_depth > 0),
  frame double precision[] NOT NULL,
  lens double precision NOT NULL,
  drawn jsonb NOT NULL,
  taken_on text NOT NULL CHECK (taken_on ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, wall_id) REFERENCES walls (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);
