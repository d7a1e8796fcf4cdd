-- Seconds at the stand beside those that were played, and the first play of a passage in a day.
ALTER TABLE journal ADD COLUMN at_stand INTEGER NOT NULL DEFAULT 0;
ALTER TABLE journal ADD COLUMN cold INTEGER NOT NULL DEFAULT 0;
UPDATE journal SET at_stand = seconds;
