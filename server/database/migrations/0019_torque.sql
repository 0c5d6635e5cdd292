-- What a preload is told by: torque in nN·m, force in µN, in the columns that held lengths in nm. The unit of a gauge, or of a limit, says
-- which; of a figure in the lists its own column, empty for a length.
ALTER TABLE checks ADD COLUMN measure text;
INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_low, range_high, sizes) VALUES
  ('torque-1', 'Torque gauge 0.05–1 N·m', 'torque-gauge', 'N·m', 10000000, 0.5, 10000000, 5000000, 0, 50000000, 1000000000, '[]'),
  ('torque-5', 'Torque gauge 0.4–5 N·m', 'torque-gauge', 'N·m', 50000000, 0.5, 50000000, 25000000, 0, 400000000, 5000000000, '[]'),
  ('scale-5', 'Spring scale 5 kgf', 'spring-scale', 'kgf', 490333, 1, 245166, 245166, 0, 490333, 49033250, '[]')
ON CONFLICT (id) DO NOTHING;

-- A washer goes where its hole and its rim allow.
ALTER TABLE lot ADD COLUMN inside_nm bigint CHECK (inside_nm > 0), ADD COLUMN outside_nm bigint CHECK (outside_nm > 0);
