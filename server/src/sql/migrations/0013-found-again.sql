-- Aisles of families as their maker says; answers of look tests; how much finding again counts; things kept together each by its nature.

ALTER TABLE plans
  ADD COLUMN weigh_again text NOT NULL DEFAULT 'some' CHECK (weigh_again IN ('none', 'little', 'some', 'much')),
  DROP CONSTRAINT plans_grouping_check,
  ADD CHECK (grouping IN ('activity', 'kind', 'nature'));

ALTER TABLE ways
  DROP CONSTRAINT ways_grouping_check,
  ADD CHECK (grouping IN ('activity', 'kind', 'nature'));

CREATE TABLE family_aisles (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  family text NOT NULL CHECK (family <> ''),
  aisle text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE looks (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  supply_id text NOT NULL,
  place_id text,
  person_id text,
  looked_on text NOT NULL CHECK (looked_on ~ '^\d{4}-\d\d-\d\d$'),
  found text NOT NULL CHECK (found IN ('first', 'second', 'not')),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, person_id) REFERENCES people (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);
