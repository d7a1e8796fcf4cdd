-- What there is to learn in a passage as it stood at a revision: made anew whenever it is missing.
CREATE TABLE learning (
  passage_id INTEGER PRIMARY KEY REFERENCES passage (id),
  revision INTEGER NOT NULL,
  made_by TEXT NOT NULL,
  text TEXT NOT NULL
);
