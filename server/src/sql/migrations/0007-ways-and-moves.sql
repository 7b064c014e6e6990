-- Ways of working, how much what counts, whose minute counts more, how things may also be kept, what is new; and the order of moves.

ALTER TABLE plans
  ADD COLUMN seen text NOT NULL DEFAULT 'either' CHECK (seen IN ('either', 'seen', 'shut')),
  ADD COLUMN tools text NOT NULL DEFAULT 'shared' CHECK (tools IN ('shared', 'oneEach')),
  ADD COLUMN packaging text NOT NULL DEFAULT 'on' CHECK (packaging IN ('on', 'off')),
  ADD COLUMN new_things text NOT NULL DEFAULT 'merged' CHECK (new_things IN ('apart', 'merged')),
  ADD COLUMN display text NOT NULL DEFAULT 'work' CHECK (display IN ('work', 'show')),
  ADD COLUMN weigh_families text NOT NULL DEFAULT 'some' CHECK (weigh_families IN ('little', 'some', 'much')),
  ADD COLUMN weigh_harm text NOT NULL DEFAULT 'some' CHECK (weigh_harm IN ('little', 'some', 'much')),
  ADD COLUMN weigh_order text NOT NULL DEFAULT 'some' CHECK (weigh_order IN ('little', 'some', 'much')),
  ADD COLUMN weigh_zones text NOT NULL DEFAULT 'some' CHECK (weigh_zones IN ('little', 'some', 'much')),
  ADD COLUMN weigh_moving text NOT NULL DEFAULT 'some' CHECK (weigh_moving IN ('little', 'some', 'much'));

ALTER TABLE people
  ADD COLUMN minute_counts double precision NOT NULL DEFAULT 1 CHECK (minute_counts BETWEEN 0.1 AND 10);

ALTER TABLE supplies
  ADD COLUMN may_keep text[] NOT NULL DEFAULT '{}'
    CHECK (may_keep <@ ARRAY['asBought', 'loose', 'edge', 'magnet', 'pockets', 'jar', 'cards', 'ring', 'hanging']),
  ADD COLUMN is_new boolean NOT NULL DEFAULT false;

CREATE TABLE ways (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  family text NOT NULL,
  zone_id text,
  seen text CHECK (seen IN ('either', 'seen', 'shut')),
  grouping text CHECK (grouping IN ('activity', 'kind')),
  packaging text CHECK (packaging IN ('on', 'off')),
  growth double precision CHECK (growth BETWEEN 0 AND 0.6),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, zone_id) REFERENCES zones (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);

CREATE TABLE moves (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  seq integer NOT NULL CHECK (seq >= 0),
  supply_id text NOT NULL,
  share text NOT NULL CHECK (share IN ('working', 'backstock')),
  count integer CHECK (count >= 1),
  from_id text,
  to_id text,
  seconds double precision NOT NULL CHECK (seconds >= 0),
  done_on text CHECK (done_on ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, supply_id) REFERENCES supplies (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, from_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY (plan_id, to_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);
