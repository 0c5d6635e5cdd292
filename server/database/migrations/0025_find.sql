-- What is found by its words: all that is said of a job, worked out from its rows whenever it is looked for.
CREATE TABLE job_words (
  job_id text PRIMARY KEY REFERENCES job,
  day text NOT NULL,
  words tsvector NOT NULL
);
CREATE INDEX job_words_words ON job_words USING gin (words);
CREATE INDEX job_words_day ON job_words (day DESC, job_id);
-- Jobs of which something was written since their words were last worked out.
CREATE TABLE job_unread (job_id text PRIMARY KEY);
INSERT INTO job_unread SELECT id FROM job;

CREATE FUNCTION unread_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT id FROM new_rows ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT job_id FROM new_rows WHERE job_id IS NOT NULL ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_check() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT c.job_id FROM new_rows n JOIN checks c ON c.id = n.check_id ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
-- A reading changes a check, and seldom its words.
CREATE FUNCTION unread_changed_check() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT n.job_id FROM new_rows n JOIN old_rows o ON o.id = n.id
    WHERE (n.title, n.word, n.note, n.signed, n.accepted, n.removed_at) IS DISTINCT FROM (o.title, o.word, o.note, o.signed, o.accepted, o.removed_at)
    ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_unit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT job.id FROM new_rows n JOIN job ON job.unit_id = n.id ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_part() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT p.job_id FROM new_rows n JOIN part p ON p.id = n.part_id ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_signature() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT c.job_id FROM new_rows n JOIN sign_off s ON s.id = n.sign_off_id JOIN checks c ON c.id = s.check_id ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE FUNCTION unread_of_listing() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT c.job_id FROM new_rows n JOIN pack_listing l ON l.id = n.listing_id JOIN trial t ON t.id = l.trial_id
    JOIN checks c ON c.id = t.check_id ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE TRIGGER unread_new AFTER INSERT ON job REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_job();
CREATE TRIGGER unread_old AFTER UPDATE ON job REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_job();
CREATE TRIGGER unread_old AFTER UPDATE ON unit REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_unit();
CREATE TRIGGER unread_new AFTER INSERT ON checks REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_job();
CREATE TRIGGER unread_old AFTER UPDATE ON checks REFERENCING OLD TABLE AS old_rows NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_changed_check();
CREATE TRIGGER unread_new AFTER INSERT ON part REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_job();
CREATE TRIGGER unread_new AFTER INSERT ON part_change REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_part();
CREATE TRIGGER unread_new AFTER INSERT ON photo REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_job();
CREATE TRIGGER unread_old AFTER UPDATE ON photo REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_job();
CREATE TRIGGER unread_new AFTER INSERT ON sign_off REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_check();
CREATE TRIGGER unread_new AFTER INSERT ON clearing REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_check();
CREATE TRIGGER unread_new AFTER INSERT ON reopening REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_signature();
CREATE TRIGGER unread_new AFTER INSERT ON trial_piece REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_listing();
