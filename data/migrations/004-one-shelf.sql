-- All evidence on one shelf: kind, version and body. What a kind means is its schema's to say (core), and bodies of older versions are
-- brought up to date as they are read; so a new kind of evidence needs no table. Numbers are written with seventeen digits: not one bit is lost.
CREATE TABLE evidence_anew (
  id      TEXT PRIMARY KEY,
  job_id  TEXT NOT NULL REFERENCES job (id),
  kind    TEXT NOT NULL CHECK (length(kind) > 0),
  version INTEGER NOT NULL CHECK (version > 0),
  number  INTEGER NOT NULL,
  body    TEXT NOT NULL CHECK (json_valid(body)),
  UNIQUE (job_id, number)
) STRICT;
INSERT INTO evidence_anew SELECT id, job_id, kind, 1, number, body FROM evidence JOIN evidence_body USING (id);
INSERT INTO evidence_anew
  SELECT id, job_id, kind, 1, number, json_patch(
    json_object('id', id, 'memberId', member_id, 'stationMm', json(printf('%!.17g', station_mm)), 'face', face,
      'heightMm', json(printf('%!.17g', height_mm)), 'thicknessMm', json(printf('%!.17g', thickness_mm)),
      'method', method, 'by', by_whom, 'at', at, 'note', note),
    CASE WHEN calibration_id IS NULL THEN '{}' ELSE json_object('calibrationId', calibration_id) END)
  FROM evidence JOIN reading USING (id);
INSERT INTO evidence_anew
  SELECT id, job_id, kind, 1, number,
    json_object('id', id, 'memberId', member_id, 'path', json(path), 'startFound', json(iif(start_found, 'true', 'false')),
      'finishFound', json(iif(finish_found, 'true', 'false')), 'seenBy', seen_by, 'by', by_whom, 'at', at, 'note', note)
  FROM evidence JOIN crack USING (id);
DROP TABLE reading;
DROP TABLE crack;
DROP TABLE evidence_body;
DROP TABLE evidence;
ALTER TABLE evidence_anew RENAME TO evidence;
CREATE TRIGGER evidence_keeps BEFORE UPDATE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never changed: strike it through'); END;
CREATE TRIGGER evidence_stays BEFORE DELETE ON evidence BEGIN SELECT RAISE(ABORT, 'evidence is never erased: strike it through'); END;

-- Frame and practice apart: a rate changed is no change of frame. A job's highest revision of each is current.
CREATE TABLE job_frame (
  job_id   TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL CHECK (revision > 0),
  version  INTEGER NOT NULL CHECK (version > 0),
  frame    TEXT NOT NULL CHECK (json_valid(frame)),
  by_whom  TEXT NOT NULL,
  at       TEXT NOT NULL,
  PRIMARY KEY (job_id, revision)
) STRICT;
INSERT INTO job_frame
  SELECT job_id, revision, 1, frame, by_whom, at FROM job_setup AS now
  WHERE frame IS NOT (SELECT before.frame FROM job_setup AS before WHERE before.job_id = now.job_id AND before.revision < now.revision ORDER BY before.revision DESC LIMIT 1);

-- The shop's practice, revision by revision. None yet: revision 0 is the product's own defaults.
CREATE TABLE shop_practice (
  revision INTEGER PRIMARY KEY CHECK (revision > 0),
  version  INTEGER NOT NULL CHECK (version > 0),
  practice TEXT NOT NULL CHECK (json_valid(practice)),
  by_whom  TEXT NOT NULL,
  at       TEXT NOT NULL
) STRICT;

-- A job keeps the shop's practice it was judged by, and where it differs from that.
CREATE TABLE job_practice (
  job_id        TEXT NOT NULL REFERENCES job (id),
  revision      INTEGER NOT NULL CHECK (revision > 0),
  shop_revision INTEGER NOT NULL CHECK (shop_revision >= 0),
  version       INTEGER NOT NULL CHECK (version > 0),
  overrides     TEXT NOT NULL CHECK (json_valid(overrides)),
  by_whom       TEXT NOT NULL,
  at            TEXT NOT NULL,
  PRIMARY KEY (job_id, revision)
) STRICT;
INSERT INTO job_practice
  SELECT job_id, revision, 0, 1, practice, by_whom, at FROM job_setup AS now
  WHERE practice IS NOT (SELECT before.practice FROM job_setup AS before WHERE before.job_id = now.job_id AND before.revision < now.revision ORDER BY before.revision DESC LIMIT 1);
DROP TABLE job_setup;

CREATE TRIGGER job_frame_keeps BEFORE UPDATE ON job_frame BEGIN SELECT RAISE(ABORT, 'a frame is never changed: write the next revision'); END;
CREATE TRIGGER job_frame_stays BEFORE DELETE ON job_frame BEGIN SELECT RAISE(ABORT, 'a frame is never erased'); END;
CREATE TRIGGER shop_practice_keeps BEFORE UPDATE ON shop_practice BEGIN SELECT RAISE(ABORT, 'a practice is never changed: write the next revision'); END;
CREATE TRIGGER shop_practice_stays BEFORE DELETE ON shop_practice BEGIN SELECT RAISE(ABORT, 'a practice is never erased'); END;
CREATE TRIGGER job_practice_keeps BEFORE UPDATE ON job_practice BEGIN SELECT RAISE(ABORT, 'a practice is never changed: write the next revision'); END;
CREATE TRIGGER job_practice_stays BEFORE DELETE ON job_practice BEGIN SELECT RAISE(ABORT, 'a practice is never erased'); END;

-- Repairs and starting frames say which version they were written in.
ALTER TABLE repair_version ADD COLUMN form INTEGER NOT NULL DEFAULT 1 CHECK (form > 0);
ALTER TABLE starting_frame ADD COLUMN version INTEGER NOT NULL DEFAULT 1 CHECK (version > 0);
