-- Photos behind drawings. The id is the first half of the hash of the bytes, so that the same photo is kept once and an id
-- always means the same picture.
CREATE TABLE photos (
  id TEXT PRIMARY KEY,
  mime TEXT NOT NULL CHECK (mime IN ('image/jpeg', 'image/png', 'image/webp')),
  bytes BLOB NOT NULL,
  kept_at TEXT NOT NULL
) STRICT;
