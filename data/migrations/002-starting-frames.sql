-- Frames a shop starts from: its own, beside the families' defaults. A name said again replaces the frame under it by a newer version.
CREATE TABLE starting_frame (
  id      TEXT PRIMARY KEY,
  name    TEXT NOT NULL CHECK (length(trim(name)) > 0),
  frame   TEXT NOT NULL CHECK (json_valid(frame)),
  by_whom TEXT NOT NULL,
  at      TEXT NOT NULL
) STRICT;
CREATE INDEX starting_frame_by_name ON starting_frame (name, at);
