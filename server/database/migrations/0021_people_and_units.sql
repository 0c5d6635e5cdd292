-- Who works here; initials pick a name. Whoever has left stays, as the record names them.
CREATE TABLE person (
  id text PRIMARY KEY,
  name text NOT NULL,
  initials text NOT NULL,
  version integer NOT NULL DEFAULT 1,
  removed_at timestamptz,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE UNIQUE INDEX person_initials ON person (lower(initials)) WHERE removed_at IS NULL;
-- Who did it; empty: nobody said.
ALTER TABLE event ADD COLUMN who text NOT NULL DEFAULT '';

-- A unit is of a type, and may count hours or miles.
ALTER TABLE unit ADD COLUMN type text NOT NULL DEFAULT '', ADD COLUMN meter text CHECK (meter IN ('h', 'km', 'mi')),
  ADD COLUMN notes text NOT NULL DEFAULT '', ADD COLUMN version integer NOT NULL DEFAULT 1;
CREATE INDEX job_unit ON job (unit_id);
-- Days are texts as people write them: 2026-05-04, in no time zone.
ALTER TABLE job ADD COLUMN reference text NOT NULL DEFAULT '', ADD COLUMN came_in text, ADD COLUMN promised text, ADD COLUMN handed_over text,
  ADD COLUMN meter_reading double precision CHECK (meter_reading >= 0),
  ADD COLUMN stage text NOT NULL DEFAULT 'in-work' CHECK (stage IN ('in-work', 'waiting', 'ready', 'handed-over'));
