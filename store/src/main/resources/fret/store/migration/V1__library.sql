CREATE TABLE audition (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL,
  date TEXT NOT NULL,
  ready_date TEXT NOT NULL,
  minutes_per_day INTEGER NOT NULL
);
CREATE TABLE passage (
  id INTEGER PRIMARY KEY,
  audition_id INTEGER NOT NULL,
  source_name TEXT NOT NULL,
  part_name TEXT NOT NULL,
  source BLOB NOT NULL,
  settings TEXT NOT NULL,
  marks TEXT NOT NULL
);
CREATE TABLE change (
  id INTEGER PRIMARY KEY,
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  kind TEXT NOT NULL,
  name TEXT NOT NULL,
  before TEXT NOT NULL,
  after TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0
);
CREATE INDEX change_of_passage ON change (passage_id, id);
CREATE TABLE journal (
  id INTEGER PRIMARY KEY,
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  date TEXT NOT NULL,
  chunk TEXT NOT NULL,
  drill TEXT NOT NULL,
  per_minute INTEGER NOT NULL,
  seconds INTEGER NOT NULL,
  verdict TEXT NOT NULL,
  breakage TEXT NOT NULL,
  note TEXT NOT NULL
);
CREATE TABLE setting (name TEXT PRIMARY KEY, value TEXT NOT NULL);
