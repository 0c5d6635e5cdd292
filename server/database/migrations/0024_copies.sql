-- Where copies are put by themselves (null: beside the data), and how many stay.
ALTER TABLE workshop ADD COLUMN copies_folder text, ADD COLUMN copies_keep integer NOT NULL DEFAULT 7 CHECK (copies_keep BETWEEN 1 AND 365);
