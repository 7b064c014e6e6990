-- Who makes a supply; whether what was got out lies by the hand until done, by plan and by activity.

ALTER TABLE supplies
  ADD COLUMN maker text NOT NULL DEFAULT '';

ALTER TABLE plans
  ADD COLUMN leaving text NOT NULL DEFAULT 'untilDone' CHECK (leaving IN ('untilDone', 'atOnce'));

ALTER TABLE activities
  ADD COLUMN leaving text CHECK (leaving IN ('untilDone', 'atOnce'));
