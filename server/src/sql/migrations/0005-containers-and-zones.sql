-- Natures of holding, places in places, zones, several homes of a share, bans. What was a set of organisers becomes containers: `store/fill.ts`.

CREATE TABLE zones (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  rule text NOT NULL CHECK (rule IN ('only', 'first')),
  mark integer NOT NULL CHECK (mark BETWEEN 0 AND 11),
  PRIMARY KEY (plan_id, id)
);

ALTER TABLE units
  ADD COLUMN zone_id text,
  ADD FOREIGN KEY (plan_id, zone_id) REFERENCES zones (plan_id, id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE organisers
  ADD COLUMN nature text NOT NULL DEFAULT 'area' CHECK (nature IN ('row', 'area', 'bulk', 'pile', 'pockets')),
  ADD COLUMN pockets integer NOT NULL DEFAULT 0 CHECK (pockets >= 0),
  ADD COLUMN divided text NOT NULL DEFAULT '',
  ADD COLUMN carried boolean NOT NULL DEFAULT false,
  ADD COLUMN mass double precision CHECK (mass >= 0),
  ADD COLUMN price double precision CHECK (price >= 0);

ALTER TABLE places
  -- a compartment’s id is made of its cell, so that no cell has two
  DROP CONSTRAINT places_plan_id_unit_id_row_column_part_key,
  DROP CONSTRAINT places_kind_check,
  ADD CONSTRAINT places_kind_check CHECK (kind IN ('drawer', 'shelf', 'cubby', 'tier', 'board', 'hook', 'slot', 'box', 'top', 'dowel', 'hanger', 'away',
    'container', 'lane', 'tray', 'sheetDrawer', 'files')),
  ADD COLUMN nature text CHECK (nature IN ('row', 'area', 'bulk', 'pile', 'pockets')),
  ADD COLUMN pockets integer NOT NULL DEFAULT 0 CHECK (pockets >= 0),
  ADD COLUMN in_id text CHECK (in_id <> id),
  ADD COLUMN organiser_id text,
  ADD COLUMN turned boolean NOT NULL DEFAULT false,
  ADD COLUMN zone_id text,
  ADD COLUMN kept_out text NOT NULL DEFAULT '',
  ADD FOREIGN KEY (plan_id, in_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD FOREIGN KEY (plan_id, organiser_id) REFERENCES organisers (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  ADD FOREIGN KEY (plan_id, zone_id) REFERENCES zones (plan_id, id) DEFERRABLE INITIALLY DEFERRED;
CREATE INDEX places_by_holder ON places (plan_id, in_id);
UPDATE places p SET kind = CASE u.kind WHEN 'sheetChest' THEN 'sheetDrawer' ELSE 'files' END
  FROM units u WHERE u.plan_id = p.plan_id AND u.id = p.unit_id AND u.kind IN ('sheetChest', 'fileDrawer') AND p.kind = 'drawer';

ALTER TABLE supplies
  DROP CONSTRAINT supplies_lies_check,
  ADD CONSTRAINT supplies_lies_check CHECK (cardinality(lies) >= 1 AND lies <@ ARRAY['flat', 'edge', 'upright', 'hanging', 'diagonal']),
  ADD COLUMN bears boolean NOT NULL DEFAULT false,
  ADD COLUMN zone_id text,
  ADD FOREIGN KEY (plan_id, zone_id) REFERENCES zones (plan_id, id) DEFERRABLE INITIALLY DEFERRED;

CREATE TABLE bans (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  supply_id text NOT NULL,
  unit_id text,
  above double precision CHECK (above > 0),
  below double precision CHECK (below > 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, unit_id) REFERENCES units (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

ALTER TABLE activities
  ADD COLUMN zone_id text,
  ADD FOREIGN KEY (plan_id, zone_id) REFERENCES zones (plan_id, id) DEFERRABLE INITIALLY DEFERRED;

-- a share may have several homes, one in a place; a home without a count takes what has no other
ALTER TABLE homes
  DROP CONSTRAINT homes_check,
  ADD COLUMN count integer CHECK (count >= 1),
  ADD UNIQUE (plan_id, supply_id, share, place_id) DEFERRABLE INITIALLY DEFERRED;
