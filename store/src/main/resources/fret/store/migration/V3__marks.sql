ALTER TABLE passage ADD COLUMN revision INTEGER NOT NULL DEFAULT 0;
CREATE TABLE mark (
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  layer TEXT NOT NULL,
  anchor TEXT NOT NULL,
  pass INTEGER NOT NULL,
  version TEXT NOT NULL,
  form TEXT NOT NULL,
  PRIMARY KEY (passage_id, layer, anchor, pass, version)
);
CREATE TABLE step (
  id INTEGER PRIMARY KEY,
  passage_id INTEGER NOT NULL REFERENCES passage (id),
  form TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0
);
CREATE INDEX step_of_passage ON step (passage_id, id);
