-- Short names that can be printed and scanned, each of one thing.
CREATE TABLE code (
  number integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  thing text NOT NULL CHECK (thing IN ('job', 'set', 'bag', 'gauge', 'size')),
  thing_id text NOT NULL,
  UNIQUE (thing, thing_id)
);
