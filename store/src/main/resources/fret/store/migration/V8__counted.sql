-- The value that the tempo of a try counts. Until now it was that of the passage's target.
ALTER TABLE journal ADD COLUMN counted TEXT NOT NULL DEFAULT '';
UPDATE journal SET counted = coalesce(
  (SELECT json_extract(mark.form, '$.beat') FROM mark
    WHERE mark.passage_id = journal.passage_id AND mark.layer = 'setting.target' LIMIT 1), '');
