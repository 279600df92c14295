-- What is found on foot and felt by hand, and a gauge's calibrations, are evidence like readings and cracks: numbered in the job's order, never changed, struck through when wrong.
-- Kinds of evidence grow with the trade, so that they are no longer listed here; each has its own schema in core.
CREATE TABLE evidence_anew (
  id     TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES job (id),
  kind   TEXT NOT NULL CHECK (length(kind) > 0),
  number INTEGER NOT NULL,
  UNIQUE (job_id, number)
) STRICT;
INSERT INTO evidence_anew SELECT id, job_id, kind, number FROM evidence;
DROP TABLE evidence;
ALTER TABLE evidence_anew RENAME TO evidence;
CREATE TRIGGER evidence_keeps BEFORE UPDATE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER evidence_stays BEFORE DELETE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;

CREATE TABLE evidence_body (
  id   TEXT PRIMARY KEY REFERENCES evidence (id),
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE TRIGGER evidence_body_keeps BEFORE UPDATE ON evidence_body BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER evidence_body_stays BEFORE DELETE ON evidence_body BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;

-- The shop's changes to the list of what to look at, in the order they were made.
CREATE TABLE spot_change (
  id      TEXT PRIMARY KEY,
  number  INTEGER NOT NULL UNIQUE,
  rule_id TEXT NOT NULL,
  does    TEXT NOT NULL CHECK (does IN ('add', 'drop', 'restore')),
  rule    TEXT CHECK (rule IS NULL OR json_valid(rule)),
  by_whom TEXT NOT NULL,
  at      TEXT NOT NULL
) STRICT;

-- A job closed, or opened again; the last word counts.
CREATE TABLE job_closing (
  id      TEXT PRIMARY KEY,
  number  INTEGER NOT NULL UNIQUE,
  job_id  TEXT NOT NULL REFERENCES job (id),
  closed  INTEGER NOT NULL CHECK (closed IN (0, 1)),
  by_whom TEXT NOT NULL,
  at      TEXT NOT NULL
) STRICT;
CREATE INDEX closing_of_job ON job_closing (job_id, number);

-- A gauge's reading names the calibration it was taken under.
ALTER TABLE reading ADD COLUMN calibration_id TEXT;
