-- What a standing notice forbids, where it forbids one of the four things that everybody asks.
ALTER TABLE notice ADD COLUMN about TEXT CHECK (about IN ('drive', 'lift', 'beneath', 'repair'));

-- A notice stands until somebody lifts it and says why; it is never taken away.
CREATE TABLE notice_lifted (
  id        TEXT PRIMARY KEY,
  notice_id TEXT NOT NULL UNIQUE REFERENCES notice (id),
  why       TEXT NOT NULL,
  by_whom   TEXT NOT NULL,
  at        TEXT NOT NULL
) STRICT;
CREATE TRIGGER notice_lifted_keeps BEFORE UPDATE ON notice_lifted BEGIN SELECT RAISE(ABORT, 'what lifted a notice is never changed'); END;
CREATE TRIGGER notice_lifted_stays BEFORE DELETE ON notice_lifted BEGIN SELECT RAISE(ABORT, 'what lifted a notice is never taken away'); END;
