-- The book judged by default, whatever the shop's own limits: from now on the shop's do where they are tighter.
UPDATE checks SET working = 'tighter' WHERE working = 'book';
