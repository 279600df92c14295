-- Which set of records this is: what a browser holds for one set is never sent to another.
CREATE TABLE books (
  only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
  id       TEXT NOT NULL CHECK (length(id) = 32)
) STRICT;
INSERT INTO books VALUES (1, lower(hex(randomblob(16))));

-- Every change to a repair has a name; the next change says which one it was made on, so that an older page overwrites nothing unseen.
DROP TRIGGER repair_keeps;
ALTER TABLE repair_version ADD COLUMN change_id TEXT NOT NULL DEFAULT '';
UPDATE repair_version SET change_id = id || ' ' || version;
CREATE UNIQUE INDEX repair_change ON repair_version (change_id);
CREATE TRIGGER repair_keeps BEFORE UPDATE ON repair_version BEGIN SELECT RAISE(ABORT, 'a repair is never changed: write the next version'); END;

-- What was worked out of a job's records, beside the mark of the records it was worked out from. Nothing is lost when these go.
CREATE TABLE worked_out (
  job_id TEXT NOT NULL REFERENCES job (id),
  what   TEXT NOT NULL,
  mark   TEXT NOT NULL,
  body   TEXT NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (job_id, what)
) STRICT;
