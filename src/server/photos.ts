import 'server-only';
import { createHash } from 'node:crypto';
import { imageSize } from 'image-size';
import type Database from 'better-sqlite3';
import { write } from './database';

interface Photo {
  mime: string;
  bytes: Buffer;
}

/** The bytes sent as a photo are none. */
export class NoPhoto extends Error {
  constructor(message = 'This is not a photo that can be kept: a JPEG, PNG or WebP file is needed.') {
    super(message);
    this.name = 'NoPhoto';
  }
}

/** A file of a few bytes can say that it has so many pixels that no phone can show it. */
const MOST_MEGAPIXELS = 100;

/**
 * The kind of a photo that can be kept and shown.
 *
 * @throws NoPhoto with a sentence for any other
 */
export function photoKind(bytes: Uint8Array): string {
  const mime = pictureKind(bytes);
  if (!mime) throw new NoPhoto();
  const megapixels = megapixelsOf(bytes);
  if (megapixels === null) throw new NoPhoto('This photo is damaged: it does not say how large it is.');
  if (megapixels > MOST_MEGAPIXELS)
    throw new NoPhoto(
      `This photo says that it has ${Math.round(megapixels)} megapixels; at most ${MOST_MEGAPIXELS} are kept.`,
    );
  return mime;
}

function megapixelsOf(bytes: Uint8Array): number | null {
  try {
    const { width, height } = imageSize(bytes);
    return (width * height) / 1e6;
  } catch {
    return null;
  }
}

/** The interface makes photos smaller before it sends them. */
export const MOST_PHOTO_BYTES = 16 * 1024 * 1024;

/** The kind of a picture by its first bytes; what a sender calls it does not count. Null for anything else. */
function pictureKind(bytes: Uint8Array): string | null {
  const text = Buffer.from(bytes.subarray(0, 12)).toString('latin1');
  if (text.startsWith('\xff\xd8\xff')) return 'image/jpeg';
  if (text.startsWith('\x89PNG\r\n\x1a\n')) return 'image/png';
  return text.startsWith('RIFF') && text.slice(8) === 'WEBP' ? 'image/webp' : null;
}

/** Ids of the photos that are named in what is written into a history or into facts. @param json compact JSON */
export function photosIn(json: string): string[] {
  return [...json.matchAll(/"photoId":"([0-9a-f]{32})"/g)].map(([, id]) => id!);
}

/** A photo that was kept and not used within a day was left in the middle of something. */
const UNUSED_FOR_MS = 24 * 60 * 60 * 1000;

/** Photos by id. They are never changed; the same bytes have the same id. */
export class PhotoRepository {
  constructor(
    private readonly db: Database.Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** Keeps a photo and gives its id. @throws NoPhoto when it is no JPEG, PNG or WebP */
  keep(bytes: Uint8Array): string {
    const mime = photoKind(bytes);
    const id = createHash('sha256').update(bytes).digest('hex').slice(0, 32);
    write(this.db, () => {
      this.removeUnused();
      // Kept anew, a photo that nothing uses yet has its day again.
      this.db
        .prepare(
          'INSERT INTO photos (id, mime, bytes, kept_at) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO UPDATE SET kept_at = excluded.kept_at',
        )
        .run(id, mime, bytes, this.now().toISOString());
    });
    return id;
  }

  find(id: string): Photo | undefined {
    return this.db.prepare('SELECT mime, bytes FROM photos WHERE id = ?').get(id) as Photo | undefined;
  }

  /** The photos that a show uses, by id; without a kind those that are not kept any more. */
  usedBy(showId: string): { id: string; mime: string | null }[] {
    return this.db
      .prepare<[string], { id: string; mime: string | null }>(
        `SELECT photo_id AS id, mime FROM photo_uses LEFT JOIN photos ON photos.id = photo_id
         WHERE show_id = ? ORDER BY photo_id`,
      )
      .all(showId);
  }

  /** Notes which photos a show uses. */
  noteUses(showId: string, photoIds: Iterable<string>): void {
    const insert = this.db.prepare('INSERT OR IGNORE INTO photo_uses (show_id, photo_id) VALUES (?, ?)');
    for (const photoId of photoIds) insert.run(showId, photoId);
  }

  /** A show and its history are gone: photos that no other one uses go with it. */
  forgetShow(showId: string): void {
    const used = 'SELECT photo_id FROM photo_uses WHERE show_id = ?';
    this.db
      .prepare(
        `DELETE FROM photos WHERE id IN (${used})
         AND id NOT IN (SELECT photo_id FROM photo_uses WHERE show_id <> ?)`,
      )
      .run(showId, showId);
    this.db.prepare('DELETE FROM photo_uses WHERE show_id = ?').run(showId);
  }

  private removeUnused(): void {
    this.db
      .prepare('DELETE FROM photos WHERE kept_at < ? AND id NOT IN (SELECT photo_id FROM photo_uses)')
      .run(new Date(this.now().getTime() - UNUSED_FOR_MS).toISOString());
  }
}
