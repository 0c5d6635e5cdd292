-- Two ordinary dials, so that an empty workshop can measure at once. Figures are common practice for their class.
INSERT INTO gauge (id, name, kind, unit, graduation, readable_fraction, permissible_error, repeatability, hysteresis, range_per_turn, last_check) VALUES
  ('dial-thou', 'Dial, 1 thou', 'dial-indicator', 'thou', 25400, 0.2, 10000, 5000, 5000, 2540000, NULL),
  ('dial-metric', 'Dial, 0.01 mm', 'dial-indicator', 'mm', 10000, 0.2, 8000, 3000, 3000, 1000000, NULL);
