-- A show is a chain of edits. Nothing is ever rewritten: an undo is a row of its own that carries the inverse change.
CREATE TABLE shows (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  sequence INTEGER NOT NULL,
  -- The row that the next undo takes back, and the undo that the next redo takes back; NULL when there is none.
  undo_top INTEGER,
  redo_top INTEGER,
  created_at TEXT NOT NULL,
  changed_at TEXT NOT NULL
) STRICT;

CREATE TABLE edits (
  show_id TEXT NOT NULL REFERENCES shows (id) ON DELETE CASCADE,
  sequence INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('edit', 'undo', 'redo')),
  label TEXT NOT NULL,
  -- JSON: the change from the show before to the show after, and back.
  patches TEXT NOT NULL,
  inverse TEXT NOT NULL,
  -- Of the show, before this row: how the stacks of undo and redo go on below it.
  undo_below INTEGER,
  redo_below INTEGER,
  made_at TEXT NOT NULL,
  PRIMARY KEY (show_id, sequence)
) STRICT, WITHOUT ROWID;

CREATE TABLE snapshots (
  show_id TEXT NOT NULL REFERENCES shows (id) ON DELETE CASCADE,
  sequence INTEGER NOT NULL,
  document TEXT NOT NULL,
  PRIMARY KEY (show_id, sequence)
) STRICT, WITHOUT ROWID;
