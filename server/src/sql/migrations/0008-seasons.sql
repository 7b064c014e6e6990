-- Months in which a supply is wanted, where it rests out of its season, and what is to be seen.

ALTER TABLE supplies
  ADD COLUMN months integer[] NOT NULL DEFAULT '{}' CHECK (months <@ ARRAY[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]),
  ADD COLUMN on_show boolean NOT NULL DEFAULT false;

ALTER TABLE homes
  DROP CONSTRAINT homes_share_check,
  ADD CONSTRAINT homes_share_check CHECK (share IN ('working', 'backstock', 'resting'));

ALTER TABLE moves
  DROP CONSTRAINT moves_share_check,
  ADD CONSTRAINT moves_share_check CHECK (share IN ('working', 'backstock', 'resting'));
