-- Read warm, and nobody knows how warm.
ALTER TABLE reading ADD COLUMN hot boolean NOT NULL DEFAULT false;
