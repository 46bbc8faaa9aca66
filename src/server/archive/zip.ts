import 'server-only';
import { Readable } from 'node:stream';
import { ZipFile } from 'yazl';
import { ARCHIVE_FILES, photoFile, type ArchiveHead } from './format';
import { ownJson } from '@/core/fields/parseJson';

/** Every entry has it, so that the same show gives the same archive. It is the earliest that the format knows. */
const MADE_AT = new Date(1980, 0, 1);

/**
 * Packs an archive into a stream, as fast as it is read.
 *
 * @param next the next piece of `collected`; null at the end
 * @throws what the first pieces throw; what comes later breaks the stream off, so that nobody takes a half for the whole
 */
export async function zipped(next: () => Promise<Uint8Array | null>): Promise<Readable> {
  const piece = async () => {
    const bytes = await next();
    if (!bytes) throw new Error('The archive ended before its end.');
    return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  };
  const [head, show, history] = [await piece(), await piece(), await piece()];
  const { photos } = ownJson<ArchiveHead>(head.toString('utf8'));
  const zip = new ZipFile();
  const packed = { mtime: MADE_AT, mode: 0o100644 };
  zip.addBuffer(head, ARCHIVE_FILES.head, packed);
  zip.addBuffer(show, ARCHIVE_FILES.show, packed);
  zip.addBuffer(history, ARCHIVE_FILES.history, packed);
  const stream = zip.outputStream as Readable;
  const fail = (error: Error) => void stream.destroy(error);
  zip.on('error', fail);
  // Photos are packed already. Each is fetched when it is its turn, so that hundreds are never in memory together.
  for (const photo of photos)
    zip.addReadStreamLazy(photoFile(photo), { ...packed, compress: false }, (take) => {
      piece().then((bytes) => take(null, Readable.from([bytes])), fail);
    });
  zip.end();
  return stream;
}
