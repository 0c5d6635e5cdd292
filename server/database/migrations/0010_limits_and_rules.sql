-- The book judged by default, whatever the shop's own limits: from now on the shop's do where they are tighter.
UPDATE checks SET working = 'tighter' WHERE working = 'book';

-- A fitted piece is taken out, lapped, and put back: it does not pass through the drawer.
ALTER TABLE lap ADD COLUMN trial_id text REFERENCES trial;

-- Plastic strips are printed on both sides, each in its own round figures.
UPDATE gauge SET sizes = '[25000,25400,38000,38100,50800,51000,63500,64000,76000,76200]' WHERE id = 'strip-green' AND sizes = '[25000,38000,51000,64000,76000]';
UPDATE gauge SET sizes = '[50800,51000,76000,76200,101600,102000,127000,152000,152400]' WHERE id = 'strip-red' AND sizes = '[51000,76000,102000,127000,152000]';
UPDATE gauge SET sizes = '[101600,102000,127000,152000,152400,177800,178000,203000,203200,228600,229000]' WHERE id = 'strip-blue' AND sizes = '[102000,127000,152000,178000,203000,229000]';
