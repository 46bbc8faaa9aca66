// Keeps photos and restores an archive again and again until it is killed, and says each that is done.
//   node --conditions react-server --import tsx tests/unit/endlessRestorer.ts FOLDER ARCHIVE
import { restored } from '@/server/archive/restore';
import { openDatabase } from '@/server/database';
import { Worker, type Job } from '@/server/jobs/jobs';
import { PhotoRepository } from '@/server/photos';
import { ShowRepository } from '@/server/shows';
import { aPng } from './photos';

const [folder, archive] = process.argv.slice(2) as [string, string];
const db = openDatabase(folder);
const photos = new PhotoRepository(db);
const worker = new Worker(() => db);
const jobs = {
  run: (job: Job) => {
    const pieces = worker.start(job, () => {});
    return { next: () => Promise.resolve(pieces.next()).then(({ done, value }) => (done ? null : value)) };
  },
};

async function main() {
  for (let i = 0; ; i += 1) {
    const photoId = photos.keep(aPng(i % 256, 300, 300 + i));
    const id = await restored(archive, { shows: new ShowRepository(db), photos, jobs: jobs as never });
    process.stdout.write(`${photoId} ${id}\n`);
  }
}

void main();
