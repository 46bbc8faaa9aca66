// A process that changes a show as fast as it can, and says each sequence number that was answered, until it is killed.
import fs from 'node:fs';
import { openDatabase } from '@/server/database';
import { ShowRepository } from '@/server/shows';

const shows = new ShowRepository(openDatabase(process.argv[2]!));
let { sequence } = shows.get('test');
for (;;) {
  ({ sequence } = shows.apply('test', sequence, { type: 'renameShow', name: `Name ${sequence + 1}` }));
  // At once and not through a buffer of this process, which would be lost with it.
  fs.writeSync(1, `${sequence}\n`);
}
