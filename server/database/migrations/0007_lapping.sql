-- How long a size takes to come, days.
ALTER TABLE lot ADD COLUMN lead_days integer CHECK (lead_days >= 0);

-- Printed width of a plastic strip's scale at its smallest gap.
ALTER TABLE gauge ADD COLUMN widest_nm bigint CHECK (widest_nm > 0);

-- A piece goes to be lapped; what is made of it comes back as a size of its own.
ALTER TABLE movement DROP CONSTRAINT movement_why_check, ADD CONSTRAINT movement_why_check CHECK (why IN ('take-in', 'count', 'fit', 'return', 'lap', 'made'));

-- A piece being brought to a thickness: from which size, for which place.
CREATE TABLE lap (
  id text PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  place text NOT NULL,
  lot_id text NOT NULL REFERENCES lot,
  target_nm bigint NOT NULL CHECK (target_nm > 0),
  low_nm bigint,
  high_nm bigint,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX lap_check ON lap (check_id);
-- Its thickness at four points after a pass.
CREATE TABLE lap_pass (
  id text PRIMARY KEY,
  lap_id text NOT NULL REFERENCES lap,
  ordinal integer GENERATED ALWAYS AS IDENTITY,
  figures jsonb NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX lap_pass_lap ON lap_pass (lap_id);
-- Done: the size it became; NULL, it was scrapped.
CREATE TABLE lap_end (
  lap_id text PRIMARY KEY REFERENCES lap,
  lot_id text REFERENCES lot,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON lap FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON lap_pass FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON lap_end FOR EACH ROW EXECUTE FUNCTION refuse_change();
