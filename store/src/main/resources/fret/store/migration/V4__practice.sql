ALTER TABLE journal ADD COLUMN clicks REAL NOT NULL DEFAULT -1;
INSERT OR IGNORE INTO setting (name, value)
  SELECT 'minutes', minutes_per_day FROM audition ORDER BY date, id LIMIT 1;
