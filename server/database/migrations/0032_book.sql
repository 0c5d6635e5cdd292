-- How many jobs and checks there are, and how many of the checks wait: told with every page of the book, counted where it changes.
CREATE TABLE book (jobs integer NOT NULL, checks integer NOT NULL, waiting integer NOT NULL);
CREATE UNIQUE INDEX book_is_one ON book ((true));
INSERT INTO book VALUES (0, 0, 0);

-- Of checks that are there, in jobs that are there: from nothing, where rows came in with the triggers off.
CREATE FUNCTION count_book() RETURNS void LANGUAGE sql AS $$
  UPDATE book SET
    jobs = (SELECT count(*) FROM job WHERE removed_at IS NULL),
    (checks, waiting) = (SELECT count(*), count(*) FILTER (WHERE NOT c.signed AND c.state <> 'to-do')
      FROM checks c JOIN job j ON j.id = c.job_id WHERE c.removed_at IS NULL AND j.removed_at IS NULL);
$$;
SELECT count_book();

CREATE FUNCTION book_new_jobs() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE book SET jobs = jobs + (SELECT count(*) FROM new_rows WHERE removed_at IS NULL);
  RETURN NULL;
END $$;
-- A job that goes or comes takes its checks with it.
CREATE FUNCTION book_changed_jobs() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  WITH moved AS (
    SELECT n.id, CASE WHEN n.removed_at IS NULL THEN 1 ELSE -1 END AS by FROM new_rows n JOIN old_rows o ON o.id = n.id
    WHERE (n.removed_at IS NULL) <> (o.removed_at IS NULL)
  ), theirs AS (
    SELECT COALESCE(sum(m.by), 0) AS checks, COALESCE(sum(m.by) FILTER (WHERE NOT c.signed AND c.state <> 'to-do'), 0) AS waiting
    FROM moved m JOIN checks c ON c.job_id = m.id WHERE c.removed_at IS NULL
  )
  UPDATE book b SET jobs = b.jobs + (SELECT sum(by) FROM moved), checks = b.checks + t.checks, waiting = b.waiting + t.waiting
    FROM theirs t WHERE EXISTS (SELECT 1 FROM moved);
  RETURN NULL;
END $$;
CREATE FUNCTION book_new_checks() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  WITH theirs AS (
    SELECT count(*) AS checks, count(*) FILTER (WHERE NOT n.signed AND n.state <> 'to-do') AS waiting
    FROM new_rows n JOIN job j ON j.id = n.job_id WHERE n.removed_at IS NULL AND j.removed_at IS NULL
  )
  UPDATE book b SET checks = b.checks + t.checks, waiting = b.waiting + t.waiting FROM theirs t WHERE t.checks > 0;
  RETURN NULL;
END $$;
CREATE FUNCTION book_changed_checks() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  WITH moved AS (
    SELECT (n.removed_at IS NULL)::integer - (o.removed_at IS NULL)::integer AS checks,
      (n.removed_at IS NULL AND NOT n.signed AND n.state <> 'to-do')::integer
        - (o.removed_at IS NULL AND NOT o.signed AND o.state <> 'to-do')::integer AS waiting
    FROM new_rows n JOIN old_rows o ON o.id = n.id JOIN job j ON j.id = n.job_id WHERE j.removed_at IS NULL
  ), sums AS (SELECT COALESCE(sum(checks), 0) AS checks, COALESCE(sum(waiting), 0) AS waiting FROM moved)
  UPDATE book b SET checks = b.checks + s.checks, waiting = b.waiting + s.waiting FROM sums s WHERE s.checks <> 0 OR s.waiting <> 0;
  RETURN NULL;
END $$;
CREATE TRIGGER book_new AFTER INSERT ON job REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION book_new_jobs();
CREATE TRIGGER book_old AFTER UPDATE ON job REFERENCING OLD TABLE AS old_rows NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION book_changed_jobs();
CREATE TRIGGER book_new AFTER INSERT ON checks REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION book_new_checks();
CREATE TRIGGER book_old AFTER UPDATE ON checks REFERENCING OLD TABLE AS old_rows NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION book_changed_checks();
-- Arrivals that were given up are deleted: hidden, and so never counted.

-- What is in one state, where few are.
CREATE INDEX checks_state ON checks (state, job_id) WHERE NOT signed AND removed_at IS NULL;

-- What is deleted is looked for wherever it may be named: an import that is given up would read all of these for each of its rows.
CREATE INDEX check_part_part ON check_part (part_id);
CREATE INDEX check_gauge_gauge ON check_gauge (gauge_id);
CREATE INDEX movement_trial ON movement (trial_id) WHERE trial_id IS NOT NULL;
CREATE INDEX step_tick_trial ON step_tick (trial_id) WHERE trial_id IS NOT NULL;
CREATE INDEX clearing_trial ON clearing (trial_id);
CREATE INDEX lap_trial ON lap (trial_id) WHERE trial_id IS NOT NULL;
CREATE INDEX part_change_check ON part_change (check_id) WHERE check_id IS NOT NULL;
CREATE INDEX photo_check ON photo (check_id) WHERE check_id IS NOT NULL;
