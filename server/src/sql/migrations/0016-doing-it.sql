-- The way from the room as it is to another plan of it: what is to be done, when there is time, and which day what.

CREATE TABLE doings (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  to_plan_id text NOT NULL,
  to_name text NOT NULL,
  begins text NOT NULL CHECK (begins ~ '^\d{4}-\d\d-\d\d$'),
  livable boolean NOT NULL,
  way text NOT NULL CHECK (way IN ('found', 'saves', 'units', 'weekend')),
  money_a_month double precision CHECK (money_a_month >= 0),
  planned integer NOT NULL CHECK (planned >= 0),
  promised double precision NOT NULL,
  findings_before integer NOT NULL CHECK (findings_before >= 0),
  findings_after integer NOT NULL CHECK (findings_after >= 0),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE free_times (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  weekday integer CHECK (weekday BETWEEN 1 AND 7),
  "on" text CHECK ("on" ~ '^\d{4}-\d\d-\d\d$'),
  starts integer NOT NULL CHECK (starts BETWEEN 0 AND 1439),
  minutes integer NOT NULL CHECK (minutes BETWEEN 0 AND 1440),
  lies boolean NOT NULL,
  helpers integer NOT NULL CHECK (helpers >= 0),
  note text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE jobs (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  kind text NOT NULL,
  why text NOT NULL,
  about text[] NOT NULL,
  "to" text[] NOT NULL,
  low double precision NOT NULL CHECK (low >= 0),
  likely double precision NOT NULL CHECK (likely >= 0),
  high double precision NOT NULL CHECK (high >= 0),
  typed boolean NOT NULL,
  people integer NOT NULL CHECK (people >= 1),
  floor double precision NOT NULL CHECK (floor >= 0),
  money double precision CHECK (money >= 0),
  saves double precision NOT NULL,
  "after" text[] NOT NULL,
  splits boolean NOT NULL,
  not_before text CHECK (not_before ~ '^\d{4}-\d\d-\d\d$'),
  ready_by text CHECK (ready_by ~ '^\d{4}-\d\d-\d\d$'),
  delivery integer NOT NULL CHECK (delivery >= 0),
  state text NOT NULL CHECK (state IN ('open', 'half', 'done', 'struck')),
  spent double precision NOT NULL CHECK (spent >= 0),
  "left" double precision CHECK ("left" >= 0),
  done_on text CHECK (done_on ~ '^\d{4}-\d\d-\d\d$'),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE sittings (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  job_id text NOT NULL,
  "on" text NOT NULL CHECK ("on" ~ '^\d{4}-\d\d-\d\d$'),
  "from" double precision NOT NULL CHECK ("from" >= 0),
  "to" double precision NOT NULL CHECK ("to" >= 0),
  PRIMARY KEY (plan_id, id),
  FOREIGN KEY (plan_id, job_id) REFERENCES jobs (plan_id, id) DEFERRABLE INITIALLY DEFERRED
);
