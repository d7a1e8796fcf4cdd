-- What was done, in order over all areas, so that the last thing can be taken back.
-- A step of a passage stands in its own log; here it has a row that says so.
CREATE TABLE deed (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  passage_id INTEGER NOT NULL DEFAULT 0,
  step INTEGER NOT NULL DEFAULT 0,
  form TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0
);
