-- A check may come to several results, in several places, read in several ways; what it rests on may be replaced.

ALTER TABLE gauge
  ADD COLUMN range_low bigint,
  ADD COLUMN range_high bigint,
  ADD COLUMN sense text NOT NULL DEFAULT 'climbs' CHECK (sense IN ('climbs', 'falls')),
  ADD COLUMN sizes jsonb NOT NULL DEFAULT '[]',
  ADD COLUMN due text,
  ADD COLUMN zeroed_on text,
  ADD COLUMN version integer NOT NULL DEFAULT 1;

CREATE TABLE check_gauge (
  check_id text NOT NULL REFERENCES checks,
  kind text NOT NULL,
  gauge_id text NOT NULL REFERENCES gauge,
  PRIMARY KEY (check_id, kind)
);
INSERT INTO check_gauge (check_id, kind, gauge_id) SELECT id, 'dial-indicator', gauge_id FROM checks;

-- Result, or kind of result, the limits belong to: clearance, clearance@3.
ALTER TABLE limit_set ADD COLUMN result text NOT NULL DEFAULT 'play';
ALTER TABLE limit_set ALTER COLUMN result DROP DEFAULT;

ALTER TABLE pack_listing ADD COLUMN place text NOT NULL DEFAULT 'pack';
ALTER TABLE pack_listing ALTER COLUMN place DROP DEFAULT;

-- Places taken apart for a fitting.
CREATE TABLE trial_refit (
  trial_id text NOT NULL REFERENCES trial,
  place text NOT NULL,
  PRIMARY KEY (trial_id, place)
);
INSERT INTO trial_refit (trial_id, place) SELECT id, 'pack' FROM trial WHERE ordinal > 1;

CREATE TABLE prediction (
  trial_id text NOT NULL REFERENCES trial,
  result text NOT NULL,
  play double precision NOT NULL,
  u double precision NOT NULL,
  u_own double precision NOT NULL,
  PRIMARY KEY (trial_id, result)
);
INSERT INTO prediction (trial_id, result, play, u, u_own) SELECT id, 'play', predicted_play, predicted_u, predicted_u_own FROM trial WHERE predicted_play IS NOT NULL;
ALTER TABLE trial DROP COLUMN predicted_play, DROP COLUMN predicted_u, DROP COLUMN predicted_u_own;

-- A word or a hand uses no gauge.
ALTER TABLE series ALTER COLUMN gauge_id DROP NOT NULL;

ALTER TABLE reading
  ALTER COLUMN start_nm DROP NOT NULL,
  ALTER COLUMN far_nm DROP NOT NULL,
  ALTER COLUMN back_nm DROP NOT NULL,
  ADD COLUMN figure_nm bigint,
  ADD COLUMN low_nm bigint,
  ADD COLUMN high_nm bigint,
  ADD COLUMN leaves integer,
  ADD COLUMN word text,
  ADD CONSTRAINT one_form CHECK (
    num_nonnulls(far_nm, figure_nm, low_nm, word) = 1
    AND (far_nm IS NULL OR num_nonnulls(start_nm, back_nm) = 2)
    AND (low_nm IS NULL OR high_nm >= low_nm));

-- The parts of a job, and which of them each check rests on.
CREATE TABLE part (
  id text PRIMARY KEY,
  job_id text NOT NULL REFERENCES job,
  name text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX part_job ON part (job_id);
CREATE TABLE check_part (
  check_id text NOT NULL REFERENCES checks,
  role text NOT NULL,
  part_id text NOT NULL REFERENCES part,
  PRIMARY KEY (check_id, role)
);
INSERT INTO part (id, job_id, name)
  SELECT j.id || ':' || r.role, j.id, r.name FROM job j, (VALUES ('shaft', 'Shaft'), ('bearing', 'Bearings'), ('housing', 'Housing and cover')) AS r (role, name)
  WHERE EXISTS (SELECT 1 FROM checks c WHERE c.job_id = j.id);
INSERT INTO check_part (check_id, role, part_id) SELECT c.id, p.role, c.job_id || ':' || p.role FROM checks c, (VALUES ('shaft'), ('bearing'), ('housing')) AS p (role);

-- A part was replaced or reworked; without a part, everything the one check rests on.
CREATE TABLE part_change (
  id text PRIMARY KEY,
  part_id text REFERENCES part,
  check_id text REFERENCES checks,
  reason text NOT NULL,
  by_name text NOT NULL DEFAULT '',
  at timestamptz NOT NULL DEFAULT now(),
  CHECK (num_nonnulls(part_id, check_id) = 1)
);
CREATE INDEX part_change_part ON part_change (part_id);
INSERT INTO part_change (id, check_id, reason) SELECT id || ':stale', id, stale FROM checks WHERE stale IS NOT NULL;

-- What the last evaluation said, in words, for the lists.
ALTER TABLE checks ADD COLUMN word text NOT NULL DEFAULT 'To do', ADD COLUMN note text NOT NULL DEFAULT '';
UPDATE checks SET note = COALESCE(stale, ''), word = CASE state
  WHEN 'below' THEN 'Tight' WHEN 'above' THEN 'Loose' WHEN 'in' THEN 'In' WHEN 'close' THEN 'Too close to call' WHEN 'no-limit' THEN 'No limit known'
  WHEN 'not-valid' THEN 'Not valid' WHEN 'provisional' THEN 'Provisional' WHEN 'stale' THEN 'Stale' ELSE 'To do' END;
ALTER TABLE checks DROP COLUMN gauge_id, DROP COLUMN stale;

CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON trial_refit FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON prediction FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON part_change FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- One of each common kind, so that an empty workshop can measure at once. Figures are common practice for their class.
INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_low, range_high, sizes) VALUES
  ('mic-25-50', 'Micrometer 25–50 mm', 'micrometer', 'mm', 10000, 0.1, 3000, 1000, 0, 25000000, 50000000, '[]'),
  ('mic-50-75', 'Micrometer 50–75 mm', 'micrometer', 'mm', 10000, 0.1, 3000, 1000, 0, 50000000, 75000000, '[]'),
  ('bore-50-100', 'Bore gauge 50–100 mm', 'bore-gauge', 'mm', 2000, 0.5, 3000, 1500, 0, 50000000, 100000000, '[]'),
  ('feelers-metric', 'Feelers, 0.05 mm steps', 'feeler-set', 'mm', 50000, 1, 3000, 5000, 0, NULL, NULL, '[50000,100000,150000,200000,250000,300000,400000,500000]'),
  ('feelers-thou', 'Feelers, 1 thou steps', 'feeler-set', 'thou', 25400, 1, 2500, 5000, 0, NULL, NULL, '[38100,50800,76200,101600,127000,152400,177800,203200,254000,304800,381000,508000]'),
  ('strip-green', 'Strip, green 0.025–0.076 mm', 'plastic-strip', 'mm', 13000, 1, 0, 5000, 0, NULL, NULL, '[25000,38000,51000,64000,76000]'),
  ('strip-red', 'Strip, red 0.051–0.152 mm', 'plastic-strip', 'mm', 25000, 1, 0, 8000, 0, NULL, NULL, '[51000,76000,102000,127000,152000]'),
  ('strip-blue', 'Strip, blue 0.102–0.229 mm', 'plastic-strip', 'mm', 25000, 1, 0, 10000, 0, NULL, NULL, '[102000,127000,152000,178000,203000,229000]');
