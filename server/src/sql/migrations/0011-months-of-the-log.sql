-- Months of the log that were gathered: what their lines came to.

CREATE TABLE month_sums (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  month text NOT NULL CHECK (month ~ '^\d{4}-\d\d$'),
  what text NOT NULL CHECK (what IN ('began', 'ended', 'fetched', 'putBack', 'usedUp', 'opened', 'bought', 'moved', 'decided', 'stray', 'season', 'labelled', 'struck')),
  activity_id text,
  supply_id text,
  place_id text,
  times integer NOT NULL CHECK (times >= 1),
  pieces double precision NOT NULL CHECK (pieces >= 0),
  days integer[] NOT NULL CHECK (cardinality(days) BETWEEN 1 AND 31),
  last text NOT NULL CHECK (last ~ '^\d{4}-\d\d-\d\dT'),
  PRIMARY KEY (plan_id, id)
);
