import 'server-only';
import { createHash } from 'node:crypto';
import { crc32 } from 'node:zlib';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { ShowError } from '@/core/fields/problem';
import { MOST_FILE_BYTES } from '@/core/show/read';
import { parseJson } from '@/core/fields/parseJson';
import { zodProblems } from '@/core/fields/zodProblems';
import { groupDigits } from '@/core/units/number';
import { messageOf } from '@/core/units/messageOf';
import { MOST_PHOTO_BYTES, photoKind } from '../photos';
import {
  ARCHIVE_FILES,
  ARCHIVE_LIMITS,
  headSchema,
  photoFile,
  type ArchiveHead,
  type ArchivedPhoto,
} from './format';

const MOST_BYTES: Readonly<Record<string, number>> = {
  [ARCHIVE_FILES.head]: ARCHIVE_LIMITS.headBytes,
  [ARCHIVE_FILES.show]: MOST_FILE_BYTES,
  [ARCHIVE_FILES.history]: ARCHIVE_LIMITS.historyBytes,
};

/** An archive that is open: its head is read and every entry is one that it may have; nothing is unpacked beyond its bounds. */
export class OpenArchive {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly head: ArchiveHead,
  ) {}

  /** @throws ShowError for what is no archive of this program, with a sentence that says why */
  static async open(file: string): Promise<OpenArchive> {
    const zip = await said(() => openPromise(file, { autoClose: false }));
    try {
      const entries = await entriesOf(zip);
      const head = readHead(await bytesOf(zip, need(entries, ARCHIVE_FILES.head)));
      const wanted = new Set([...Object.values(ARCHIVE_FILES), ...head.photos.map(photoFile)]);
      for (const name of entries.keys())
        if (!wanted.has(name))
          throw new ShowError(`The archive holds “${shown(name)}”, which an archive of a show does not.`);
      for (const name of wanted) need(entries, name);
      return new OpenArchive(zip, entries, head);
    } catch (error) {
      zip.close();
      throw error;
    }
  }

  close(): void {
    this.zip.close();
  }

  /** @throws ShowError */
  read(name: string): Promise<Buffer> {
    return bytesOf(this.zip, need(this.entries, name));
  }

  /** A photo as it was kept. @throws ShowError where it is damaged or none */
  async photo(photo: ArchivedPhoto): Promise<Buffer> {
    const name = photoFile(photo);
    const bytes = await this.read(name);
    if (createHash('sha256').update(bytes).digest('hex').slice(0, 32) !== photo.id)
      throw new ShowError(`The photo ${name} is damaged: its bytes are not those that were kept.`);
    if (kindOf(bytes, name) !== photo.mime) throw new ShowError(`${name} is no photo of that kind.`);
    return bytes;
  }
}

function kindOf(bytes: Uint8Array, name: string): string {
  try {
    return photoKind(bytes);
  } catch (error) {
    throw new ShowError(`${name}: ${messageOf(error)}`);
  }
}

/** The error of the zip reader, as a sentence about the archive. */
async function said<Result>(work: () => Promise<Result>): Promise<Result> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof ShowError) throw error;
    throw new ShowError(
      `This is no archive that can be read: it is damaged, or not a zip file (${messageOf(error)}).`,
    );
  }
}

function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  return said(async () => {
    if (zip.entryCount > ARCHIVE_LIMITS.entries)
      throw new ShowError(
        `The archive holds ${groupDigits(zip.entryCount)} files; at most ${groupDigits(ARCHIVE_LIMITS.entries)} are read.`,
      );
    const entries = new Map<string, Entry>();
    let unpacked = 0;
    for await (const entry of zip.eachEntry()) {
      const name = entry.fileName;
      if (entries.has(name)) throw new ShowError(`The archive holds “${shown(name)}” twice.`);
      const most = MOST_BYTES[name] ?? MOST_PHOTO_BYTES;
      if (entry.uncompressedSize > most)
        throw new ShowError(
          `“${shown(name)}” in the archive has ${groupDigits(Math.ceil(entry.uncompressedSize / 1024 / 1024))} MB unpacked; at most ${groupDigits(most / 1024 / 1024)} MB are read.`,
        );
      unpacked += entry.uncompressedSize;
      if (unpacked > ARCHIVE_LIMITS.unpackedBytes)
        throw new ShowError(
          `The archive has more than ${groupDigits(ARCHIVE_LIMITS.unpackedBytes / 1024 / 1024)} MB unpacked, the most that is read.`,
        );
      if (entry.isEncrypted()) throw new ShowError(`“${shown(name)}” in the archive is encrypted.`);
      entries.set(name, entry);
    }
    return entries;
  });
}

/** A name as it is told: it may be anything. */
const shown = (name: string) => name.replace(/[\p{C}]/gu, '?').slice(0, 80);

function need(entries: ReadonlyMap<string, Entry>, name: string): Entry {
  const entry = entries.get(name);
  if (!entry)
    throw new ShowError(`The archive lacks “${name}”: it is no archive of a show, or it is damaged.`);
  return entry;
}

/** Contents of an entry, held against its checksum. Whatever it says of its size, no more than that is unpacked. */
function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return said(async () => {
    const stream = await zip.openReadStreamPromise(entry);
    const pieces: Buffer[] = [];
    for await (const piece of stream) pieces.push(piece as Buffer);
    const bytes = Buffer.concat(pieces);
    // The zip reader leaves this to its user: a letter of a note could be another one, and still be read.
    if (crc32(bytes) !== entry.crc32)
      throw new ShowError(
        `“${shown(entry.fileName)}” in the archive is damaged: its bytes are not those that were packed.`,
      );
    return bytes;
  });
}

function readHead(bytes: Buffer): ArchiveHead {
  const input = parseJson(bytes.toString('utf8'), `${ARCHIVE_FILES.head} is not JSON`);
  const head = headSchema.safeParse(input);
  if (head.success) return head.data;
  throw new ShowError(
    zodProblems(head.error, input).map((problem) => ({
      ...problem,
      message: `${ARCHIVE_FILES.head}: ${problem.message}`,
    })),
  );
}
