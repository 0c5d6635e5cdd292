-- What was entered by mistake can be taken away while nothing rests on it, and brought back: the row stays.
ALTER TABLE lot ADD COLUMN removed_at timestamptz;
ALTER TABLE checks ADD COLUMN removed_at timestamptz;
ALTER TABLE job ADD COLUMN removed_at timestamptz;

-- What the lists show of a signature.
ALTER TABLE checks ADD COLUMN signed boolean NOT NULL DEFAULT false, ADD COLUMN accepted boolean NOT NULL DEFAULT false;
UPDATE checks c SET signed = true, accepted = s.reason IS NOT NULL FROM sign_off s
  WHERE s.check_id = c.id AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id);
CREATE INDEX checks_open ON checks (job_id) WHERE NOT signed AND removed_at IS NULL;
CREATE INDEX job_listed ON job (created_at DESC, id) WHERE removed_at IS NULL;

-- Pieces found in a check with no drawer of its own had none either.
UPDATE lot SET family = 'Unsorted' WHERE family = '';

-- What a file brings in comes in pieces, so that nobody waits for it, and is seen once all of it is here: until then it counts as
-- removed, and belongs to the import that is under way.
ALTER TABLE job ADD COLUMN arriving text;
ALTER TABLE lot ADD COLUMN arriving text;
ALTER TABLE gauge ADD COLUMN arriving text;
