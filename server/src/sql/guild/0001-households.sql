-- expand: the first of the guild's own; nothing is there before it.
-- Households on one PostgreSQL, the people in them, and how they come in. What belongs to a household says so in household_id; who may see
-- what stands in every-time.sql, which is run after all migrations.

-- What a window compares to know whether the server it comes back to goes on from the same state; a restore sets another one.
CREATE TABLE guild_state (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  id text NOT NULL DEFAULT 'guild-' || replace(gen_random_uuid()::text, '-', '')
);
INSERT INTO guild_state DEFAULT VALUES;

CREATE TABLE households (
  -- its word in addresses
  id text PRIMARY KEY CHECK (id ~ '^[a-z0-9][a-z0-9-]{1,39}$'),
  name text NOT NULL CHECK (length(btrim(name)) BETWEEN 1 AND 120),
  most_plans integer NOT NULL DEFAULT 200 CHECK (most_plans >= 0),
  most_pictures integer NOT NULL DEFAULT 5000 CHECK (most_pictures >= 0),
  most_bytes bigint NOT NULL DEFAULT 2000000000 CHECK (most_bytes >= 0),
  changes_a_minute integer NOT NULL DEFAULT 1200 CHECK (changes_a_minute >= 1),
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE members (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (length(btrim(name)) BETWEEN 1 AND 80),
  role text NOT NULL CHECK (role IN ('keeper', 'helper', 'guest')),
  -- what is kept of a passphrase: enough to recognise it
  salt text,
  hash text,
  since timestamptz NOT NULL DEFAULT now(),
  left_at timestamptz,
  PRIMARY KEY (household_id, id),
  CHECK ((salt IS NULL) = (hash IS NULL))
);
CREATE UNIQUE INDEX members_by_name ON members (household_id, lower(name)) WHERE left_at IS NULL;

CREATE TABLE passkeys (
  household_id text NOT NULL,
  id text NOT NULL,
  member_id text NOT NULL,
  public_key bytea NOT NULL,
  counter bigint NOT NULL,
  transports text[] NOT NULL,
  added_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (household_id, id),
  FOREIGN KEY (household_id, member_id) REFERENCES members (household_id, id) ON DELETE CASCADE
);

-- One use each. What is kept is a digest of what stands in the link.
CREATE TABLE invitations (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  digest text PRIMARY KEY,
  role text NOT NULL CHECK (role IN ('keeper', 'helper', 'guest')),
  -- somebody who has a name here already and comes in again
  member_id text,
  for_whom text NOT NULL,
  by_whom text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL,
  used_at timestamptz,
  FOREIGN KEY (household_id, member_id) REFERENCES members (household_id, id) ON DELETE CASCADE
);

-- A plan that can be looked at by whoever has the link, until a day.
CREATE TABLE links (
  household_id text NOT NULL,
  digest text PRIMARY KEY,
  plan_id text NOT NULL,
  for_whom text NOT NULL,
  by_whom text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL
);

CREATE TABLE sessions (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  digest text PRIMARY KEY,
  -- a member, or (null) whoever came by a link
  member_id text,
  link_digest text REFERENCES links (digest) ON DELETE CASCADE,
  device text NOT NULL,
  since timestamptz NOT NULL DEFAULT now(),
  seen_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL,
  CHECK ((member_id IS NULL) <> (link_digest IS NULL)),
  FOREIGN KEY (household_id, member_id) REFERENCES members (household_id, id) ON DELETE CASCADE
);
CREATE INDEX sessions_by_member ON sessions (household_id, member_id);

-- A copy of a plan on its way to another household: as a plan file, pictures inside. Taken once.
CREATE TABLE gifts (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  digest text PRIMARY KEY,
  plan_name text NOT NULL,
  -- empty once it is taken
  file text NOT NULL,
  by_whom text NOT NULL,
  from_name text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL,
  taken_at timestamptz,
  taken_by text
);

-- Receipts: what was given or taken, when, by whom. In both households.
CREATE TABLE receipts (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  id text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  words text NOT NULL,
  PRIMARY KEY (household_id, id)
);

-- Plans others on this server may begin from: files, as they were when they were put out.
CREATE TABLE templates (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  id text PRIMARY KEY,
  name text NOT NULL CHECK (length(btrim(name)) BETWEEN 1 AND 120),
  words text NOT NULL CHECK (length(words) <= 400),
  from_name text NOT NULL,
  file text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);

-- The rows of every change, for servers and windows that were away for a moment; older ones are dropped.
CREATE TABLE plan_changes (
  plan_id text NOT NULL,
  revision integer NOT NULL,
  command_id text NOT NULL,
  changes jsonb NOT NULL,
  undo text,
  redo text,
  PRIMARY KEY (plan_id, revision)
);

-- Who did what: the name stays when somebody leaves, the words when a plan goes.
CREATE TABLE acts (
  household_id text NOT NULL REFERENCES households (id) ON DELETE CASCADE,
  id text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  -- a plan, or empty: the household itself
  about text NOT NULL,
  plan_name text NOT NULL,
  words text NOT NULL,
  by_whom text NOT NULL DEFAULT coalesce(current_setting('heronstone.who', true), ''),
  PRIMARY KEY (household_id, id)
);
CREATE INDEX acts_by_time ON acts (household_id, at);

-- whose step of undo it would be
ALTER TABLE command_log
  ADD COLUMN member_id text DEFAULT nullif(current_setting('heronstone.member', true), '');

-- Wrong tries, so that every server knows of them; nobody's data.
CREATE TABLE tries (
  key text PRIMARY KEY,
  hits integer NOT NULL,
  resets_at timestamptz NOT NULL
);

-- Questions a passkey is to answer, one use each; nobody's data.
CREATE TABLE challenges (
  digest text PRIMARY KEY,
  challenge text NOT NULL,
  ends_at timestamptz NOT NULL
);
