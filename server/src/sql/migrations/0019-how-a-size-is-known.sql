-- expand: how the sizes of units, and of what is on the walls, are known: by tape, by picture, usual or guessed.

ALTER TABLE units
  ADD COLUMN usual text[] NOT NULL DEFAULT '{}',
  ADD COLUMN unsure text[] NOT NULL DEFAULT '{}',
  ADD COLUMN pictured text[] NOT NULL DEFAULT '{}',
  ADD COLUMN plus_minus double precision NOT NULL DEFAULT 0 CHECK (plus_minus >= 0);

ALTER TABLE openings
  ADD COLUMN size_by text NOT NULL DEFAULT 'tape' CHECK (size_by IN ('tape', 'picture', 'usual', 'guess')),
  ADD COLUMN plus_minus double precision NOT NULL DEFAULT 0 CHECK (plus_minus >= 0);

ALTER TABLE fixtures
  ADD COLUMN size_by text NOT NULL DEFAULT 'tape' CHECK (size_by IN ('tape', 'picture', 'usual', 'guess')),
  ADD COLUMN plus_minus double precision NOT NULL DEFAULT 0 CHECK (plus_minus >= 0);
