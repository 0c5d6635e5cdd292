-- A part may be read warm; a pass of honing says its stone; a set is the pieces taken together.
ALTER TABLE reading
  ADD COLUMN celsius double precision,
  ADD COLUMN stone text,
  ADD COLUMN pieces jsonb,
  DROP CONSTRAINT one_form,
  ADD CONSTRAINT one_form CHECK (
    num_nonnulls(far_nm, figure_nm, low_nm, word, pieces) = 1
    AND (far_nm IS NULL OR num_nonnulls(start_nm, back_nm) = 2)
    AND (low_nm IS NULL OR high_nm >= low_nm)
    AND (figure_nm IS NOT NULL OR num_nonnulls(celsius, stone) = 0));
