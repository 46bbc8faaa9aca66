import 'server-only';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { ShowError } from '@/core/fields/problem';
import type { CheckedFile } from '../checkedFile';
import type { JobRunner } from '../jobs/runner';
import type { PhotoRepository } from '../photos';
import type { ShowRepository } from '../shows';
import { ARCHIVE_FILES, ARCHIVE_LIMITS } from './format';
import { rowsOfPieces } from './texts';
import { OpenArchive } from './unzip';
import { ownJson } from '@/core/fields/parseJson';

interface Surroundings {
  shows: ShowRepository;
  photos: PhotoRepository;
  jobs: Pick<JobRunner, 'run'>;
}

/**
 * Keeps the show of an archive as a show of its own: whole, or not at all.
 *
 * Everything is looked at before anything is kept. Then photos are kept one by one, and the show with its history and its notes in one go;
 * photos of a restore that was broken off are used by nothing, and are removed after a day as those of any other.
 *
 * @param job by which others can ask how far it is
 * @returns the id of the show
 * @throws ShowError with a sentence for what is wrong with it
 */
export async function restored(
  file: string,
  { shows, photos, jobs }: Surroundings,
  signal?: AbortSignal,
  job?: string | null,
): Promise<string> {
  const archive = await OpenArchive.open(file);
  try {
    const { head } = archive;
    const input = new Uint8Array(await archive.read(ARCHIVE_FILES.show));
    const history = new Uint8Array(await archive.read(ARCHIVE_FILES.history));
    const check = jobs.run({ is: 'checkArchive', input, history, head }, signal, job);
    const next = async () => {
      const piece = await check.next();
      return piece && new TextDecoder().decode(piece);
    };
    const { name, facts, photoIds } = ownJson<CheckedFile>((await next())!);
    const document = (await check.next())!;
    const rows = await rowsOfPieces(next);
    const known = new Set([...head.photos.map(({ id }) => id), ...head.missing]);
    const unknown = photoIds.find((id) => !known.has(id));
    if (unknown !== undefined)
      throw new ShowError(
        `The show names the photo ${unknown}, of which ${ARCHIVE_FILES.head} says nothing.`,
      );
    for (const photo of head.photos) {
      signal?.throwIfAborted();
      await archive.photo(photo);
    }
    for (const photo of head.photos) {
      signal?.throwIfAborted();
      photos.keep(await archive.photo(photo));
    }
    return shows.keepArchived({ showId: head.showId, name }, document, rows, facts, [...known]);
  } finally {
    archive.close();
  }
}

/** An archive that comes in is laid down here until it is read. */
const FOLDER = 'incoming';
/** Age of files that a killed program left behind. */
const FORGOTTEN_MS = 24 * 60 * 60 * 1000;

/**
 * Lays the body of a request down as a file, gives it to somebody, and takes it away again.
 *
 * @param folder of the data
 * @throws ShowError where it is larger than any archive
 */
export async function withBodyAsFile<Result>(
  folder: string,
  body: ReadableStream<Uint8Array> | null,
  take: (file: string) => Promise<Result>,
): Promise<Result> {
  const incoming = path.join(folder, FOLDER);
  fs.mkdirSync(incoming, { recursive: true });
  for (const name of fs.readdirSync(incoming)) {
    const left = path.join(incoming, name);
    if (Date.now() - fs.statSync(left).mtimeMs > FORGOTTEN_MS) fs.rmSync(left, { force: true });
  }
  const file = path.join(incoming, `${randomBytes(8).toString('hex')}.zip`);
  try {
    const handle = await open(file, 'wx', 0o600);
    try {
      let bytes = 0;
      const reader = body?.getReader();
      while (reader) {
        const { done, value } = await reader.read();
        if (done) break;
        bytes += value.byteLength;
        if (bytes > ARCHIVE_LIMITS.fileBytes) {
          await reader.cancel();
          throw new ShowError(
            `This is larger than ${ARCHIVE_LIMITS.fileBytes / 1024 / 1024} MB, the most that is read of an archive.`,
          );
        }
        await handle.write(value);
      }
    } finally {
      await handle.close();
    }
    return await take(file);
  } finally {
    fs.rmSync(file, { force: true });
  }
}
