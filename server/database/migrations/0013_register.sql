-- A register that serves an inch bench and a metric one alike. Figures are common practice for their class.
INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_low, range_high, sizes) VALUES
  ('mic-0-25', 'Micrometer 0–25 mm', 'micrometer', 'mm', 10000, 0.1, 2000, 1000, 0, 0, 25000000, '[]'),
  ('mic-0-1', 'Micrometer 0–1 in', 'micrometer', 'in', 2540, 0.5, 2540, 1000, 0, 0, 25400000, '[]'),
  ('mic-1-2', 'Micrometer 1–2 in', 'micrometer', 'in', 2540, 0.5, 2540, 1000, 0, 25400000, 50800000, '[]'),
  ('mic-2-3', 'Micrometer 2–3 in', 'micrometer', 'in', 2540, 0.5, 2540, 1000, 0, 50800000, 76200000, '[]'),
  ('bore-2-4', 'Bore gauge 2–4 in', 'bore-gauge', 'thou', 2540, 0.5, 2540, 1500, 0, 50800000, 101600000, '[]'),
  ('calipers-metric', 'Calipers, 0.02 mm', 'calipers', 'mm', 20000, 1, 30000, 10000, 0, 0, 150000000, '[]'),
  ('calipers-inch', 'Calipers, 1 thou', 'calipers', 'in', 25400, 1, 25400, 10000, 0, 0, 152400000, '[]')
ON CONFLICT (id) DO NOTHING;
