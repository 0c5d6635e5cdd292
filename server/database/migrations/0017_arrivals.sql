-- An import that is here whole, and is being shown job by job: from this row on it is finished, whatever happens, and not removed.
CREATE TABLE arrived (id text PRIMARY KEY);
CREATE INDEX job_arriving ON job (arriving) WHERE arriving IS NOT NULL;
