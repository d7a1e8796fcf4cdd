ALTER TABLE passage ADD COLUMN source_id INTEGER NOT NULL DEFAULT 0;
ALTER TABLE passage ADD COLUMN page TEXT NOT NULL DEFAULT '';
CREATE TABLE source (
  id INTEGER PRIMARY KEY,
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  bytes BLOB NOT NULL
);
CREATE TABLE bar (
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  place INTEGER NOT NULL,
  text TEXT NOT NULL,
  PRIMARY KEY (passage_id, place)
);
CREATE TABLE picture (
  passage_id INTEGER PRIMARY KEY REFERENCES passage (id),
  name TEXT NOT NULL,
  bytes BLOB NOT NULL
);
