CREATE TABLE take (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  passage_id INTEGER NOT NULL,
  made TEXT NOT NULL,
  name TEXT NOT NULL,
  note TEXT NOT NULL,
  seconds REAL NOT NULL,
  per_minute REAL NOT NULL,
  whose TEXT NOT NULL
);
CREATE INDEX take_of_passage ON take (passage_id);
