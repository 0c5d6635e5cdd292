-- Pieces promised to a place of an open check: not offered to another.
CREATE TABLE reserve (
  check_id text NOT NULL REFERENCES checks,
  place text NOT NULL,
  lot_id text NOT NULL REFERENCES lot,
  count integer NOT NULL CHECK (count > 0),
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (check_id, place, lot_id)
);
CREATE INDEX reserve_lot ON reserve (lot_id);
