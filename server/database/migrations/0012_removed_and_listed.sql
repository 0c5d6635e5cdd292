-- What was entered by mistake can be taken away while nothing rests on it, and brought back: the row stays.
ALTER TABLE lot ADD COLUMN removed_at timestamptz;
ALTER TABLE checks ADD COLUMN removed_at timestamptz;
ALTER TABLE job ADD COLUMN removed_at timestamptz;

-- What the lists show of a signature.
ALTER TABLE checks ADD COLUMN signed boolean NOT NULL DEFAULT false, ADD COLUMN accepted boolean NOT NULL DEFAULT false;
UPDATE checks c SET signed = true, accepted = s.reason IS NOT NULL FROM sign_off s
  WHERE s.check_id = c.id AND NOT EXISTS (SELECT 1 FROM reopening r WHERE r.sign_off_id = s.id);
-- How much a check presses to be carried on with, the least figure first.
ALTER TABLE checks ADD COLUMN pressing smallint NOT NULL GENERATED ALWAYS AS (CASE state WHEN 'above' THEN 1 WHEN 'below' THEN 2 WHEN 'stale' THEN 3
  WHEN 'not-valid' THEN 4 WHEN 'close' THEN 5 WHEN 'provisional' THEN 6 WHEN 'in' THEN 7 WHEN 'no-limit' THEN 8 ELSE 9 END) STORED;
CREATE INDEX checks_pressing ON checks (pressing, created_at DESC, position, id) WHERE NOT signed AND removed_at IS NULL;
CREATE INDEX checks_waiting ON checks (job_id, state) WHERE NOT signed AND removed_at IS NULL;

-- A job is open while a check of it is not signed, or it has none yet.
ALTER TABLE job ADD COLUMN open boolean NOT NULL DEFAULT true;
CREATE FUNCTION keep_job_open() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE job SET open = NOT EXISTS (SELECT 1 FROM checks WHERE job_id = NEW.job_id AND removed_at IS NULL AND signed)
    OR EXISTS (SELECT 1 FROM checks WHERE job_id = NEW.job_id AND removed_at IS NULL AND NOT signed)
    WHERE id = NEW.job_id;
  RETURN NULL;
END $$;
CREATE TRIGGER job_open_new AFTER INSERT ON checks FOR EACH ROW WHEN (NEW.signed) EXECUTE FUNCTION keep_job_open();
CREATE TRIGGER job_open AFTER UPDATE OF signed, removed_at ON checks FOR EACH ROW
  WHEN (OLD.signed <> NEW.signed OR (OLD.removed_at IS NULL) <> (NEW.removed_at IS NULL)) EXECUTE FUNCTION keep_job_open();
UPDATE job j SET open = false WHERE EXISTS (SELECT 1 FROM checks WHERE job_id = j.id) AND NOT EXISTS (SELECT 1 FROM checks WHERE job_id = j.id AND NOT signed);
CREATE INDEX job_listed ON job (open DESC, created_at DESC, id) WHERE removed_at IS NULL;
CREATE INDEX job_removed ON job (id) WHERE removed_at IS NOT NULL;

-- Pieces found in a check with no drawer of its own had none either.
UPDATE lot SET family = 'Unsorted' WHERE family = '';

-- What a file brings in comes in pieces, so that nobody waits for it, and is seen once all of it is here: until then it counts as
-- removed, and belongs to the import that is under way.
ALTER TABLE job ADD COLUMN arriving text;
ALTER TABLE lot ADD COLUMN arriving text;
ALTER TABLE gauge ADD COLUMN arriving text;
