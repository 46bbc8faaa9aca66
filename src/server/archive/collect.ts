import type Database from 'better-sqlite3';
import { writeShowText } from '@/core/show/read';
import { PhotoRepository } from '../photos';
import { ShowRepository } from '../shows';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type ArchiveHead, type ArchivedPhoto } from './format';
import { historyText } from './texts';

/**
 * Everything of a show, for an archive: what it is, the show file with all facts, its history and its photos. All but the photos, which never
 * change, is read at one moment.
 *
 * @returns pieces: the head as JSON, the show file, the history, and then each photo that the head names
 * @throws NoSuchShow
 */
export function* collected(db: Database.Database, showId: string): Generator<Uint8Array> {
  const shows = new ShowRepository(db);
  const photos = new PhotoRepository(db);
  const { head, show, history } = db.transaction(() => {
    const now = shows.get(showId);
    const uses = photos.usedBy(showId);
    const kept = uses.filter((photo): photo is ArchivedPhoto => photo.mime !== null);
    return {
      head: {
        format: ARCHIVE_FORMAT,
        version: ARCHIVE_VERSION,
        showId,
        name: now.show.name,
        sequence: now.sequence,
        photos: kept,
        missing: uses.filter(({ mime }) => mime === null).map(({ id }) => id),
      } satisfies ArchiveHead,
      show: writeShowText(now.show, shows.factsOf(showId)),
      history: historyText(shows.historyOf(showId)),
    };
  })();
  const encoder = new TextEncoder();
  yield encoder.encode(JSON.stringify(head));
  yield encoder.encode(show);
  yield encoder.encode(history);
  for (const { id } of head.photos) {
    const photo = photos.find(id);
    if (!photo) throw new Error('The show was removed while its archive was made.');
    yield new Uint8Array(photo.bytes);
  }
}
