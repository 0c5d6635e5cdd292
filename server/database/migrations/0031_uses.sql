-- Where a size was used, newest first, without reading what every other size was used for.
CREATE INDEX trial_piece_lot ON trial_piece (lot_id, listing_id DESC);
