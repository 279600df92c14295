-- Units outlive their jobs; evidence is append-only and corrected by strikes; set-ups and repairs are kept version by version.

CREATE TABLE unit (
  id            TEXT PRIMARY KEY,
  tag           TEXT NOT NULL UNIQUE COLLATE NOCASE,
  description   TEXT NOT NULL,
  kind          TEXT NOT NULL,
  exposure      TEXT NOT NULL,
  duty          TEXT NOT NULL,
  gross_mass_kg REAL CHECK (gross_mass_kg IS NULL OR gross_mass_kg > 0)
) STRICT;

CREATE TABLE notice (
  id      TEXT PRIMARY KEY,
  unit_id TEXT NOT NULL REFERENCES unit (id),
  words   TEXT NOT NULL,
  by_whom TEXT NOT NULL,
  at      TEXT NOT NULL
) STRICT;
CREATE INDEX notice_of_unit ON notice (unit_id, at);

CREATE TABLE job (
  id        TEXT PRIMARY KEY,
  unit_id   TEXT NOT NULL REFERENCES unit (id),
  title     TEXT NOT NULL,
  purpose   TEXT NOT NULL,
  complaint TEXT NOT NULL,
  opened_by TEXT NOT NULL,
  opened_at TEXT NOT NULL
) STRICT;
CREATE INDEX job_of_unit ON job (unit_id, opened_at);

-- The frame and the practice profile of a job; the highest revision is current.
CREATE TABLE job_setup (
  job_id   TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL CHECK (revision > 0),
  frame    TEXT NOT NULL CHECK (json_valid(frame)),
  practice TEXT NOT NULL CHECK (json_valid(practice)),
  by_whom  TEXT NOT NULL,
  at       TEXT NOT NULL,
  PRIMARY KEY (job_id, revision)
) STRICT;

CREATE TABLE evidence (
  id     TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES job (id),
  kind   TEXT NOT NULL CHECK (kind IN ('reading', 'crack')),
  number INTEGER NOT NULL,
  UNIQUE (job_id, number)
) STRICT;

CREATE TABLE reading (
  id           TEXT PRIMARY KEY REFERENCES evidence (id),
  member_id    TEXT NOT NULL,
  station_mm   REAL NOT NULL CHECK (station_mm >= 0),
  face         TEXT NOT NULL CHECK (face IN ('top', 'web', 'bottom', 'outer', 'inner', 'outer lip', 'inner lip')),
  height_mm    REAL NOT NULL CHECK (height_mm >= 0),
  thickness_mm REAL NOT NULL CHECK (thickness_mm >= 0 AND thickness_mm <= 50),
  method       TEXT NOT NULL,
  by_whom      TEXT NOT NULL,
  at           TEXT NOT NULL,
  note         TEXT NOT NULL
) STRICT;

CREATE TABLE crack (
  id           TEXT PRIMARY KEY REFERENCES evidence (id),
  member_id    TEXT NOT NULL,
  path         TEXT NOT NULL CHECK (json_valid(path)),
  start_found  INTEGER NOT NULL CHECK (start_found IN (0, 1)),
  finish_found INTEGER NOT NULL CHECK (finish_found IN (0, 1)),
  seen_by      TEXT NOT NULL,
  by_whom      TEXT NOT NULL,
  at           TEXT NOT NULL,
  note         TEXT NOT NULL
) STRICT;

-- One strike an evidence: struck is struck.
CREATE TABLE strike (
  id          TEXT PRIMARY KEY,
  evidence_id TEXT NOT NULL UNIQUE REFERENCES evidence (id),
  why         TEXT NOT NULL CHECK (length(trim(why)) >= 3),
  by_whom     TEXT NOT NULL,
  at          TEXT NOT NULL
) STRICT;

-- A repair as it was left each time; the highest version is current, a withdrawn one is gone from the plan but not from here.
CREATE TABLE repair_version (
  id        TEXT NOT NULL,
  version   INTEGER NOT NULL CHECK (version > 0),
  job_id    TEXT NOT NULL REFERENCES job (id),
  body      TEXT NOT NULL CHECK (json_valid(body)),
  withdrawn INTEGER NOT NULL CHECK (withdrawn IN (0, 1)),
  PRIMARY KEY (id, version)
) STRICT;
CREATE INDEX repair_of_job ON repair_version (job_id);

CREATE TRIGGER evidence_keeps BEFORE UPDATE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER evidence_stays BEFORE DELETE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;
CREATE TRIGGER reading_keeps BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER reading_stays BEFORE DELETE ON reading BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;
CREATE TRIGGER crack_keeps BEFORE UPDATE ON crack BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER crack_stays BEFORE DELETE ON crack BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;
CREATE TRIGGER strike_keeps BEFORE UPDATE ON strike BEGIN SELECT RAISE(ABORT, 'a strike is never changed'); END;
CREATE TRIGGER strike_stays BEFORE DELETE ON strike BEGIN SELECT RAISE(ABORT, 'a strike is never erased'); END;
CREATE TRIGGER notice_keeps BEFORE UPDATE ON notice BEGIN SELECT RAISE(ABORT, 'a notice is never changed'); END;
CREATE TRIGGER notice_stays BEFORE DELETE ON notice BEGIN SELECT RAISE(ABORT, 'a notice is never erased'); END;
CREATE TRIGGER setup_keeps BEFORE UPDATE ON job_setup BEGIN SELECT RAISE(ABORT, 'a set-up is never changed: write the next revision'); END;
CREATE TRIGGER setup_stays BEFORE DELETE ON job_setup BEGIN SELECT RAISE(ABORT, 'a set-up is never erased'); END;
CREATE TRIGGER repair_keeps BEFORE UPDATE ON repair_version BEGIN SELECT RAISE(ABORT, 'a repair is never changed: write the next version'); END;
CREATE TRIGGER repair_stays BEFORE DELETE ON repair_version BEGIN SELECT RAISE(ABORT, 'a repair is never erased'); END;
