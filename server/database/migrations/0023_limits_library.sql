-- The shop's library of limits: every version of every entry stays; the newest counts.
CREATE TABLE limit_entry (
  id text NOT NULL,
  version integer NOT NULL,
  name text NOT NULL,
  check_kind text NOT NULL,
  result text NOT NULL,
  unit_type text NOT NULL DEFAULT '',
  role text NOT NULL CHECK (role IN ('book', 'shop')),
  kind text NOT NULL CHECK (kind IN ('two-sided', 'upper', 'lower', 'figure')),
  lower_nm bigint,
  upper_nm bigint,
  lower_excluded boolean,
  upper_excluded boolean,
  figure_nm bigint,
  unit text NOT NULL,
  source jsonb NOT NULL,
  rule jsonb NOT NULL,
  removed boolean NOT NULL DEFAULT false,
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (id, version)
);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON limit_entry FOR EACH ROW EXECUTE FUNCTION refuse_change();
-- Which checks took their limits from it.
CREATE INDEX limit_set_entry ON limit_set ((source -> 'entry' ->> 'id')) WHERE source ? 'entry';

-- What came out when a gauge was checked.
CREATE TABLE gauge_check (
  id text PRIMARY KEY,
  gauge_id text NOT NULL REFERENCES gauge,
  on_day text NOT NULL,
  good boolean NOT NULL,
  note text NOT NULL DEFAULT '',
  by_name text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
-- The day of a wrong check that no good one came after.
ALTER TABLE gauge ADD COLUMN found_wrong text;
CREATE INDEX gauge_check_gauge ON gauge_check (gauge_id);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON gauge_check FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE INDEX series_gauge ON series (gauge_id);
