-- The reason of a part change is what was done; the part’s name is put before it where it is shown.
ALTER TABLE part_change DISABLE TRIGGER append_only;
UPDATE part_change c SET reason = substr(c.reason, length(p.name) + 3) FROM part p WHERE p.id = c.part_id AND starts_with(c.reason, lower(p.name) || ': ');
ALTER TABLE part_change ENABLE TRIGGER append_only;
