-- expand: an activity may be done out of the room, somebody may come to what others do, and a heater says what it is.

ALTER TABLE activities
  ADD COLUMN done_at text NOT NULL DEFAULT 'here' CHECK (done_at IN ('here', 'otherRoom', 'outside', 'away'));

ALTER TABLE stations ADD COLUMN comes double precision CHECK (comes >= 0);

ALTER TABLE fixtures
  ADD COLUMN heat text NOT NULL DEFAULT 'portable' CHECK (heat IN ('portable', 'water', 'electric', 'fire'));
