-- Who a size is bought from, and what they call it.
ALTER TABLE lot ADD COLUMN supplier text NOT NULL DEFAULT '', ADD COLUMN article text NOT NULL DEFAULT '';

-- What was ordered from a supplier at one time.
CREATE TABLE purchase (
  id text PRIMARY KEY,
  supplier text NOT NULL,
  reference text NOT NULL DEFAULT '',
  ordered_on text NOT NULL,
  -- the day it is to be here
  due text,
  version integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now()
);

-- Pieces of a size wanted for a place of a check, or for the drawer itself: on the list until they are ordered.
CREATE TABLE order_line (
  id text PRIMARY KEY,
  lot_id text NOT NULL REFERENCES lot,
  pieces integer NOT NULL CHECK (pieces > 0),
  check_id text REFERENCES checks,
  place text,
  purchase_id text REFERENCES purchase,
  -- why it will not come
  cancelled text,
  -- taken off the list before it was ordered
  dropped_at timestamptz,
  -- its place was fitted since it came
  settled_at timestamptz,
  who text NOT NULL DEFAULT '',
  created_at timestamptz NOT NULL DEFAULT now(),
  CHECK ((check_id IS NULL) = (place IS NULL)),
  CHECK (dropped_at IS NULL OR purchase_id IS NULL)
);
CREATE INDEX order_line_check ON order_line (check_id) WHERE check_id IS NOT NULL;
CREATE INDEX order_line_lot ON order_line (lot_id);
CREATE INDEX order_line_purchase ON order_line (purchase_id) WHERE purchase_id IS NOT NULL;
CREATE INDEX order_line_wanted ON order_line (created_at) WHERE purchase_id IS NULL AND dropped_at IS NULL;

-- Piece by piece what came, with what the micrometer said of it.
CREATE TABLE receipt (
  id text PRIMARY KEY,
  seq bigint GENERATED ALWAYS AS IDENTITY,
  line_id text NOT NULL REFERENCES order_line,
  -- where it went: the size that was ordered, or a piece told apart
  lot_id text NOT NULL REFERENCES lot,
  size_nm bigint CHECK (size_nm > 0),
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX receipt_line ON receipt (line_id);
CREATE TABLE receipt_void (
  receipt_id text PRIMARY KEY REFERENCES receipt,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON receipt FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON receipt_void FOR EACH ROW EXECUTE FUNCTION refuse_change();
