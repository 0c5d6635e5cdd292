-- The box a bore gauge came in: anvils, washers, what is missing.
CREATE TABLE bore_kit (
  gauge_id text PRIMARY KEY REFERENCES gauge,
  kit jsonb NOT NULL
);
