-- Changes are of records. Each carries an id made by whoever made it, so that a change that is sent twice is kept once.
CREATE TABLE changes (
  show_id TEXT NOT NULL REFERENCES shows (id),
  sequence INTEGER NOT NULL,
  id TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('edit', 'undo', 'redo', 'upgrade')),
  label TEXT NOT NULL,
  -- The window in which it was made; NULL for callers over HTTP that have none.
  window TEXT,
  -- The edit that it makes, takes back or brings again.
  root INTEGER NOT NULL,
  -- How it is written: 1 as JSON patches (RFC 6902 without the pointers), from 2 on as records.
  version INTEGER NOT NULL,
  change TEXT NOT NULL,
  made_at TEXT NOT NULL,
  PRIMARY KEY (show_id, sequence)
) STRICT;

CREATE UNIQUE INDEX changes_by_id ON changes (show_id, id);
CREATE INDEX changes_by_root ON changes (show_id, root, sequence);
CREATE INDEX changes_by_window ON changes (show_id, window, sequence);

INSERT INTO changes (show_id, sequence, id, kind, label, window, root, version, change, made_at)
SELECT show_id, sequence, 'change-' || sequence, kind, label, NULL, sequence, 1, patches, made_at FROM edits;

DROP TABLE edits;

-- In which version of the show file the latest copy is. An older one is brought up to date when it is opened.
ALTER TABLE shows ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
-- Changes up to this one cannot be taken back.
ALTER TABLE shows ADD COLUMN undo_floor INTEGER NOT NULL DEFAULT 0;
-- The row of a removed show stays, so that its id never means another one.
ALTER TABLE shows ADD COLUMN removed_at TEXT;
ALTER TABLE shows DROP COLUMN undo_top;
ALTER TABLE shows DROP COLUMN redo_top;
ALTER TABLE snapshots ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

-- Ids of records that are gone, which are not given to others.
CREATE TABLE gone_records (
  show_id TEXT NOT NULL REFERENCES shows (id),
  list TEXT NOT NULL,
  record_id TEXT NOT NULL,
  PRIMARY KEY (show_id, list, record_id)
) STRICT, WITHOUT ROWID;

-- What was seen and done on site. Rows are only ever added; the latest about the same thing counts.
CREATE TABLE facts (
  number INTEGER PRIMARY KEY AUTOINCREMENT,
  show_id TEXT NOT NULL REFERENCES shows (id),
  id TEXT NOT NULL,
  kind TEXT NOT NULL,
  list TEXT NOT NULL,
  record_id TEXT NOT NULL,
  field TEXT NOT NULL,
  -- JSON; null takes back what was noted before.
  value TEXT NOT NULL,
  unit TEXT,
  by_whom TEXT,
  noted_at TEXT NOT NULL,
  change_id TEXT,
  UNIQUE (show_id, id)
) STRICT;

CREATE INDEX facts_by_subject ON facts (show_id, kind, list, record_id, field, number);

-- Which shows a photo is part of, by their history or their facts. One that no show uses is removed.
CREATE TABLE photo_uses (
  show_id TEXT NOT NULL REFERENCES shows (id),
  photo_id TEXT NOT NULL,
  PRIMARY KEY (show_id, photo_id)
) STRICT, WITHOUT ROWID;

INSERT OR IGNORE INTO photo_uses (show_id, photo_id)
SELECT snapshots.show_id, photos.id FROM snapshots JOIN photos ON instr(snapshots.document, photos.id);
INSERT OR IGNORE INTO photo_uses (show_id, photo_id)
SELECT changes.show_id, photos.id FROM changes JOIN photos ON instr(changes.change, photos.id);
