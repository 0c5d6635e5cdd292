-- A temperature stands in millionths of a kelvin from 0 °C, in the columns that held lengths in nm; the unit of gauge and limit says so.
INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_low, range_high, sizes) VALUES
  ('thermometer-1', 'Contact thermometer 0.1 °C', 'thermometer', '°C', 100000, 1, 1000000, 500000, 0, -20000000, 200000000, '[]')
ON CONFLICT (id) DO NOTHING;
