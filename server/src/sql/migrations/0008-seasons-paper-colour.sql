-- Months in which a supply is wanted, where it rests out of its season, and what is to be seen; scraps, pieces kept cut, combinations and rows of
-- colours.

ALTER TABLE supplies
  ADD COLUMN months integer[] NOT NULL DEFAULT '{}' CHECK (months <@ ARRAY[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]),
  ADD COLUMN on_show boolean NOT NULL DEFAULT false,
  ADD COLUMN open_width double precision CHECK (open_width > 0),
  ADD COLUMN open_length double precision CHECK (open_length > 0);

ALTER TABLE homes
  DROP CONSTRAINT homes_share_check,
  ADD CONSTRAINT homes_share_check CHECK (share IN ('working', 'backstock', 'resting'));

ALTER TABLE moves
  DROP CONSTRAINT moves_share_check,
  ADD CONSTRAINT moves_share_check CHECK (share IN ('working', 'backstock', 'resting'));

CREATE TABLE scraps (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  supply_id text,
  colour text CHECK (colour ~ '^#[0-9a-f]{6}$'),
  width double precision NOT NULL CHECK (width >= 1),
  depth double precision NOT NULL CHECK (depth >= 1),
  count integer NOT NULL CHECK (count >= 0),
  place_id text,
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE cut_pieces (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  supply_id text NOT NULL,
  name text NOT NULL,
  width double precision NOT NULL CHECK (width >= 1),
  depth double precision NOT NULL CHECK (depth >= 1),
  grain text NOT NULL CHECK (grain IN ('any', 'width', 'depth')),
  have integer NOT NULL CHECK (have >= 0),
  keep integer NOT NULL CHECK (keep >= 0),
  below integer NOT NULL CHECK (below >= 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE palettes (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  supply_ids text[] NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE colour_rows (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  "order" text NOT NULL CHECK ("order" IN ('rainbow', 'lightness', 'name', 'line')),
  place_ids text[] NOT NULL,
  slots text[] NOT NULL,
  PRIMARY KEY (plan_id, id)
);
