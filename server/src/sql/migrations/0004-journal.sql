-- Which journal the database goes with, and the last change of it that is in the tables. Empty and 0: none yet.
CREATE TABLE journal_state (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  lineage text NOT NULL DEFAULT '',
  applied bigint NOT NULL DEFAULT 0 CHECK (applied >= 0)
);
INSERT INTO journal_state DEFAULT VALUES;

-- When a plan was thrown away; it is kept for a while and can be brought back until then.
ALTER TABLE plans ADD COLUMN away_since timestamptz;
