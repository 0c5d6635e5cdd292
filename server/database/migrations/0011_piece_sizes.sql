-- A size keeps the figures of its pieces, and how they scatter where somebody knows; a piece told apart is a size of its own.
ALTER TABLE lot
  ADD COLUMN sizes jsonb NOT NULL DEFAULT '[]',
  ADD COLUMN scatter_nm bigint CHECK (scatter_nm >= 0),
  ADD COLUMN apart boolean NOT NULL DEFAULT false;
UPDATE lot SET sizes = jsonb_build_array(measured_nm) WHERE measured_nm IS NOT NULL;
UPDATE lot SET apart = true WHERE id IN (SELECT lot_id FROM lap_end WHERE lot_id IS NOT NULL);
ALTER TABLE movement DROP CONSTRAINT movement_why_check, ADD CONSTRAINT movement_why_check CHECK (why IN ('take-in', 'count', 'fit', 'return', 'lap', 'made', 'sort'));
