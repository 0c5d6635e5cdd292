-- The same id sent again is harmless only when the same is sent.
ALTER TABLE event ADD COLUMN content text;
