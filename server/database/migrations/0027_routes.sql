-- The checks a kind of job goes through, each with what it begins with.
CREATE TABLE route (
  id text PRIMARY KEY,
  name text NOT NULL,
  unit_type text NOT NULL DEFAULT '',
  checks jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  removed_at timestamptz,
  created_at timestamptz NOT NULL DEFAULT now()
);
