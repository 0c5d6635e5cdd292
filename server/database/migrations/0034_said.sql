-- What was said of a fitting belongs to it. A point that is not read in a fitting, and why; the newest word counts, none: it is asked for again.
CREATE TABLE left_out (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  trial_id text NOT NULL REFERENCES trial,
  point text NOT NULL,
  reason text
);
CREATE INDEX left_out_trial ON left_out (trial_id);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON left_out FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- What was said and holds no longer since a part was changed or the check opened again: ticks, states, points left out.
CREATE TABLE struck (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  trial_id text NOT NULL REFERENCES trial,
  what text NOT NULL CHECK (what IN ('state', 'step', 'left-out')),
  name text NOT NULL,
  said text,
  -- of what struck it out
  seq bigint NOT NULL
);
CREATE INDEX struck_check ON struck (check_id);
CREATE INDEX struck_trial ON struck (trial_id);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON struck FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- Set-up was ticked once for all fittings: it is said of each of them.
INSERT INTO step_tick (check_id, trial_id, step, ticked)
  SELECT k.check_id, t.id, k.step, true FROM (SELECT DISTINCT ON (x.check_id, x.step) x.* FROM step_tick x WHERE x.trial_id IS NULL ORDER BY x.check_id, x.step, x.id DESC) k
  JOIN trial t ON t.check_id = k.check_id WHERE k.ticked ORDER BY k.id, t.ordinal;
