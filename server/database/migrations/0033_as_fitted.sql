-- A piece as it was when it was fitted: what it was reckoned as, whether a micrometer said so, and how it was marked. Null: nobody kept it.
ALTER TABLE trial_piece ADD COLUMN size bigint, ADD COLUMN measured boolean, ADD COLUMN mark text, ADD COLUMN since boolean NOT NULL DEFAULT false;
-- Degrees of freedom of a prediction; null: they have no bound, or nobody kept them.
ALTER TABLE prediction ADD COLUMN nu double precision;
-- What taking it apart once more costs, in readings; and by result how much the pieces moved it at an earlier service.
ALTER TABLE checks ADD COLUMN refit_cost integer, ADD COLUMN slopes jsonb;
-- How far fittings came from what was foretold, of checks signed here: what refitting does in this shop.
CREATE TABLE proof (
  check_id text NOT NULL REFERENCES checks (id),
  trial_id text NOT NULL REFERENCES trial (id),
  result text NOT NULL,
  difference double precision NOT NULL,
  known double precision NOT NULL,
  PRIMARY KEY (trial_id, result)
);
CREATE INDEX proof_check ON proof (check_id);
