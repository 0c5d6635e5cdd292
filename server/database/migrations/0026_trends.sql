-- The figures of signed checks, as the unit came in and as it went out, for its trends. Worked out from what was signed.
CREATE TABLE service_figure (
  check_id text NOT NULL REFERENCES checks,
  result text NOT NULL,
  label text NOT NULL,
  measure text,
  found double precision,
  found_u double precision,
  left_at double precision NOT NULL,
  left_u double precision NOT NULL,
  state text NOT NULL,
  word text NOT NULL,
  lower_end double precision,
  upper_end double precision,
  PRIMARY KEY (check_id, result)
);
-- False: signed before there were such figures, and not worked out yet.
ALTER TABLE checks ADD COLUMN figures_known boolean NOT NULL DEFAULT false;
ALTER TABLE checks ALTER COLUMN figures_known SET DEFAULT true;
