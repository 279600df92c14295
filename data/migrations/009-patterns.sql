-- Repairs that the shop keeps as its own. They are never changed: a better one is another pattern, and one that is dropped says why.
CREATE TABLE pattern (
  id      TEXT PRIMARY KEY,
  name    TEXT NOT NULL CHECK (length(trim(name)) > 0),
  version INTEGER NOT NULL CHECK (version > 0),
  body    TEXT NOT NULL CHECK (json_valid(body)),
  by_whom TEXT NOT NULL,
  at      TEXT NOT NULL
) STRICT;
CREATE TRIGGER pattern_keeps BEFORE UPDATE ON pattern BEGIN SELECT RAISE(ABORT, 'patterns are never changed: keep another'); END;
CREATE TRIGGER pattern_stays BEFORE DELETE ON pattern BEGIN SELECT RAISE(ABORT, 'patterns are never erased: drop them'); END;
CREATE TABLE pattern_dropped (
  id         TEXT PRIMARY KEY,
  pattern_id TEXT NOT NULL UNIQUE REFERENCES pattern (id),
  why        TEXT NOT NULL CHECK (length(trim(why)) > 0),
  by_whom    TEXT NOT NULL,
  at         TEXT NOT NULL
) STRICT;

-- When a unit was built: units of one family and one run of years fail alike.
ALTER TABLE unit ADD COLUMN built_year INTEGER CHECK (built_year BETWEEN 1900 AND 2100);
