-- Why a job differs from its shop, where it does.
ALTER TABLE job_practice ADD COLUMN why TEXT NOT NULL DEFAULT '';

-- People, bays, kits and consumables: revised like the practice, apart from it, since nothing is judged by them.
CREATE TABLE shop_lists (
  revision INTEGER PRIMARY KEY CHECK (revision > 0),
  version  INTEGER NOT NULL CHECK (version > 0),
  lists    TEXT NOT NULL CHECK (json_valid(lists)),
  by_whom  TEXT NOT NULL,
  at       TEXT NOT NULL
) STRICT;
CREATE TRIGGER shop_lists_keeps BEFORE UPDATE ON shop_lists BEGIN SELECT RAISE(ABORT, 'lists are never changed: write the next revision'); END;
CREATE TRIGGER shop_lists_stays BEFORE DELETE ON shop_lists BEGIN SELECT RAISE(ABORT, 'lists are never erased'); END;
