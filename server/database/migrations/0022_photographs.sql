-- Photographs of a unit, of a job or of a check of it: small enough for the record, and without what the camera wrote into them.
CREATE TABLE photo (
  id text PRIMARY KEY,
  unit_id text REFERENCES unit,
  job_id text REFERENCES job,
  check_id text REFERENCES checks,
  caption text NOT NULL DEFAULT '',
  width integer NOT NULL CHECK (width > 0),
  height integer NOT NULL CHECK (height > 0),
  bytes bytea NOT NULL,
  who text NOT NULL DEFAULT '',
  version integer NOT NULL DEFAULT 1,
  removed_at timestamptz,
  at timestamptz NOT NULL DEFAULT now(),
  CHECK (num_nonnulls(unit_id, job_id) = 1),
  CHECK (check_id IS NULL OR job_id IS NOT NULL)
);
CREATE INDEX photo_job ON photo (job_id) WHERE job_id IS NOT NULL;
CREATE INDEX photo_unit ON photo (unit_id) WHERE unit_id IS NOT NULL;
