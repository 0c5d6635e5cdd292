-- Lengths are whole nanometres (bigint). Rows that record what happened are append-only: see the triggers at the end.

CREATE TABLE unit (
  id text PRIMARY KEY,
  name text NOT NULL,
  description text NOT NULL DEFAULT '',
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE job (
  id text PRIMARY KEY,
  unit_id text NOT NULL REFERENCES unit,
  title text NOT NULL,
  notes text NOT NULL DEFAULT '',
  version integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE gauge (
  id text PRIMARY KEY,
  name text NOT NULL,
  kind text NOT NULL,
  unit text NOT NULL,
  graduation bigint NOT NULL,
  readable_fraction double precision NOT NULL,
  permissible_error bigint NOT NULL,
  repeatability bigint NOT NULL,
  hysteresis bigint NOT NULL,
  range_per_turn bigint,
  last_check text
);

CREATE TABLE checks (
  id text PRIMARY KEY,
  job_id text NOT NULL REFERENCES job,
  position integer NOT NULL,
  kind text NOT NULL,
  title text NOT NULL,
  entry_unit text NOT NULL,
  setup jsonb NOT NULL,
  working text NOT NULL,
  rule text NOT NULL,
  aim jsonb NOT NULL,
  pack_rules jsonb NOT NULL,
  family text NOT NULL,
  u_refit bigint NOT NULL,
  tip_angle double precision NOT NULL,
  gauge_id text NOT NULL REFERENCES gauge,
  stale text,
  version integer NOT NULL DEFAULT 1,
  -- what the last evaluation said, for the lists
  state text NOT NULL DEFAULT 'to-do',
  figure double precision,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX checks_job ON checks (job_id);

-- The newest row of a role counts.
CREATE TABLE limit_set (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  role text NOT NULL CHECK (role IN ('book', 'shop')),
  kind text CHECK (kind IN ('two-sided', 'upper', 'lower', 'figure', 'none')),
  lower_nm bigint,
  upper_nm bigint,
  lower_excluded boolean,
  upper_excluded boolean,
  figure_nm bigint,
  unit text,
  source jsonb,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX limit_set_check ON limit_set (check_id);

CREATE TABLE lot (
  id text PRIMARY KEY,
  family text NOT NULL,
  nominal_nm bigint NOT NULL CHECK (nominal_nm > 0),
  measured_nm bigint CHECK (measured_nm > 0),
  tolerance_plus_nm bigint,
  tolerance_minus_nm bigint,
  kept integer NOT NULL DEFAULT 0 CHECK (kept >= 0),
  mark text NOT NULL DEFAULT '',
  colour text NOT NULL DEFAULT '',
  tags jsonb NOT NULL DEFAULT '[]',
  cost integer,
  shape text NOT NULL DEFAULT 'flat',
  version integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX lot_family ON lot (family);

CREATE TABLE trial (
  id text PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  ordinal integer NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  predicted_play double precision,
  predicted_u double precision,
  predicted_u_own double precision,
  UNIQUE (check_id, ordinal)
);

-- What is in a fitting; a correction is a new listing, and the newest counts. No listing: the pack is not known.
CREATE TABLE pack_listing (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  trial_id text NOT NULL REFERENCES trial,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX pack_listing_trial ON pack_listing (trial_id);
CREATE TABLE trial_piece (
  listing_id bigint NOT NULL REFERENCES pack_listing,
  lot_id text NOT NULL REFERENCES lot,
  count integer NOT NULL CHECK (count > 0),
  PRIMARY KEY (listing_id, lot_id)
);

CREATE TABLE series (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  trial_id text NOT NULL REFERENCES trial,
  gauge_id text NOT NULL REFERENCES gauge,
  opened_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX series_trial ON series (trial_id);

CREATE TABLE reading (
  id text PRIMARY KEY,
  series_id bigint NOT NULL REFERENCES series,
  ordinal bigint GENERATED ALWAYS AS IDENTITY,
  point text NOT NULL,
  start_nm bigint NOT NULL,
  far_nm bigint NOT NULL,
  back_nm bigint NOT NULL,
  spring_back boolean NOT NULL DEFAULT false,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX reading_series ON reading (series_id);

CREATE TABLE reading_void (
  reading_id text PRIMARY KEY REFERENCES reading,
  reason text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE step_tick (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  trial_id text REFERENCES trial,
  step text NOT NULL,
  ticked boolean NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX step_tick_check ON step_tick (check_id);

-- On hand is the sum of movements.
CREATE TABLE movement (
  id text PRIMARY KEY,
  lot_id text NOT NULL REFERENCES lot,
  change integer NOT NULL,
  why text NOT NULL CHECK (why IN ('take-in', 'count', 'fit', 'return')),
  note text NOT NULL DEFAULT '',
  trial_id text REFERENCES trial,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX movement_lot ON movement (lot_id);

CREATE TABLE sign_off (
  id text PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  at timestamptz NOT NULL DEFAULT now(),
  by_name text NOT NULL,
  reason text,
  core_version text NOT NULL,
  -- inputs, uncertainty budget and verdict as they were signed
  record jsonb NOT NULL
);
CREATE INDEX sign_off_check ON sign_off (check_id);
CREATE TABLE reopening (
  sign_off_id text PRIMARY KEY REFERENCES sign_off,
  reason text NOT NULL,
  by_name text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);

-- One row a write; the id is made by whoever wrote, so that sending twice is harmless.
CREATE TABLE event (
  id text PRIMARY KEY,
  subject text NOT NULL,
  version integer NOT NULL,
  what text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX event_subject ON event (subject, version);

CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'rows of % are never changed or removed', TG_TABLE_NAME;
END $$;

CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON limit_set FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON trial FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON pack_listing FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON trial_piece FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON series FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON reading FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON reading_void FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON step_tick FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON movement FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON sign_off FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON reopening FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON event FOR EACH ROW EXECUTE FUNCTION refuse_change();
