-- The id of a try is never given again. What was said of one that was taken out is of no other.
CREATE TABLE try_ (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  date TEXT NOT NULL,
  chunk TEXT NOT NULL,
  drill TEXT NOT NULL,
  per_minute INTEGER NOT NULL,
  seconds INTEGER NOT NULL,
  verdict TEXT NOT NULL,
  breakage TEXT NOT NULL,
  note TEXT NOT NULL,
  clicks REAL NOT NULL DEFAULT -1
);
INSERT INTO try_ (id, passage_id, date, chunk, drill, per_minute, seconds, verdict, breakage, note, clicks)
  SELECT id, passage_id, date, chunk, drill, per_minute, seconds, verdict, breakage, note, clicks FROM journal;
DROP TABLE journal;
ALTER TABLE try_ RENAME TO journal;
