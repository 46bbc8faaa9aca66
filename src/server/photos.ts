import 'server-only';
import { createHash } from 'node:crypto';
import type Database from 'better-sqlite3';

export interface Photo {
  mime: string;
  bytes: Buffer;
}

/** The kind of a picture by its first bytes; what a sender calls it does not count. Null for anything else. */
export function pictureKind(bytes: Uint8Array): string | null {
  const text = Buffer.from(bytes.subarray(0, 12)).toString('latin1');
  if (text.startsWith('\xff\xd8\xff')) return 'image/jpeg';
  if (text.startsWith('\x89PNG\r\n\x1a\n')) return 'image/png';
  return text.startsWith('RIFF') && text.slice(8) === 'WEBP' ? 'image/webp' : null;
}

/** Photos by id. They are never changed; the same bytes have the same id. */
export class PhotoRepository {
  constructor(private readonly db: Database.Database) {}

  /** Keeps a photo and gives its id. @throws RangeError when it is no JPEG, PNG or WebP */
  keep(bytes: Uint8Array): string {
    const mime = pictureKind(bytes);
    if (!mime)
      throw new RangeError('This is not a photo that can be kept: a JPEG, PNG or WebP file is needed.');
    const id = createHash('sha256').update(bytes).digest('hex').slice(0, 32);
    this.db
      .prepare(
        'INSERT INTO photos (id, mime, bytes, kept_at) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
      )
      .run(id, mime, bytes, new Date().toISOString());
    return id;
  }

  find(id: string): Photo | undefined {
    return this.db.prepare('SELECT mime, bytes FROM photos WHERE id = ?').get(id) as Photo | undefined;
  }
}
