-- The state the unit is in while it is measured, fitting by fitting; the newest word counts.
CREATE TABLE trial_condition (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  trial_id text NOT NULL REFERENCES trial,
  condition text NOT NULL,
  state text NOT NULL
);
CREATE INDEX trial_condition_trial ON trial_condition (trial_id);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON trial_condition FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- What was pending and is done, or accepted as it is; the newest of an item counts.
CREATE TABLE clearing (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  check_id text NOT NULL REFERENCES checks,
  trial_id text NOT NULL REFERENCES trial,
  item text NOT NULL,
  how text NOT NULL CHECK (how IN ('done', 'accepted', 'open')),
  by_name text NOT NULL,
  at timestamptz NOT NULL,
  seq bigint NOT NULL DEFAULT nextval('happening')
);
CREATE INDEX clearing_check ON clearing (check_id);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON clearing FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- What the lists show: how much is pending.
ALTER TABLE checks ADD COLUMN pending integer NOT NULL DEFAULT 0;

-- A word may say at which torque it was so, nN·m.
ALTER TABLE reading ADD COLUMN torque_nnm bigint CHECK (torque_nnm > 0);
