-- What is newer is told by one count over everything that happened, and by no clock.
CREATE SEQUENCE happening;
ALTER TABLE reading ADD COLUMN seq bigint, ADD COLUMN taken text;
ALTER TABLE part_change ADD COLUMN seq bigint;
ALTER TABLE reopening ADD COLUMN seq bigint;

-- Every workshop has a name of its own; readings carry that of the workshop they were taken in, and teach only there.
CREATE TABLE workshop (
  id text PRIMARY KEY,
  begun_at timestamptz NOT NULL DEFAULT now()
);
INSERT INTO workshop (id) VALUES (gen_random_uuid()::text);

-- Rows from before take the order of their times, the only one they have.
ALTER TABLE reading DISABLE TRIGGER append_only;
ALTER TABLE part_change DISABLE TRIGGER append_only;
ALTER TABLE reopening DISABLE TRIGGER append_only;
CREATE TEMPORARY TABLE ordered AS
  SELECT what, id, row_number() OVER (ORDER BY at, what DESC, ordinal) AS seq FROM (
    SELECT 'reading' AS what, id, at, ordinal FROM reading
    UNION ALL SELECT 'change', id, at, 0 FROM part_change
    UNION ALL SELECT 'reopening', sign_off_id, at, 0 FROM reopening) everything;
UPDATE reading SET seq = o.seq FROM ordered o WHERE o.what = 'reading' AND o.id = reading.id;
UPDATE part_change SET seq = o.seq FROM ordered o WHERE o.what = 'change' AND o.id = part_change.id;
UPDATE reopening SET seq = o.seq FROM ordered o WHERE o.what = 'reopening' AND o.id = reopening.sign_off_id;
SELECT setval('happening', (SELECT count(*) + 1 FROM ordered), false);
DROP TABLE ordered;
-- Readings of a check that came from a file, unless they were taken here afterwards, are nobody's own.
UPDATE reading SET taken = w.id || '/' || reading.id FROM workshop w, series s, trial t
  WHERE s.id = reading.series_id AND t.id = s.trial_id
    AND NOT EXISTS (SELECT 1 FROM event e WHERE e.subject = t.check_id AND e.what = 'Read from a worksheet' AND e.at >= reading.at);
ALTER TABLE reading ALTER COLUMN seq SET NOT NULL, ALTER COLUMN seq SET DEFAULT nextval('happening');
ALTER TABLE part_change ALTER COLUMN seq SET NOT NULL, ALTER COLUMN seq SET DEFAULT nextval('happening');
ALTER TABLE reopening ALTER COLUMN seq SET NOT NULL, ALTER COLUMN seq SET DEFAULT nextval('happening');
ALTER TABLE reading ENABLE TRIGGER append_only;
ALTER TABLE part_change ENABLE TRIGGER append_only;
ALTER TABLE reopening ENABLE TRIGGER append_only;

-- A place may hold pieces nobody listed besides those that are.
ALTER TABLE pack_listing ADD COLUMN whole boolean NOT NULL DEFAULT true;

-- What the repeats of each check say of its gauges: sums of squares about their means, nm², and degrees of freedom.
CREATE TABLE spread (
  check_id text NOT NULL REFERENCES checks,
  gauge_id text NOT NULL REFERENCES gauge,
  kind text NOT NULL,
  squares double precision NOT NULL,
  nu integer NOT NULL CHECK (nu > 0),
  PRIMARY KEY (check_id, gauge_id)
);
CREATE INDEX spread_gauge ON spread (gauge_id, kind);
-- False: not worked out yet, a check from before.
ALTER TABLE checks ADD COLUMN spread_known boolean NOT NULL DEFAULT false;
ALTER TABLE checks ALTER COLUMN spread_known SET DEFAULT true;
