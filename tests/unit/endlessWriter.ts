// A process that changes a show as fast as it can, and says what was answered, until it is killed: `sequence name`.
import fs from 'node:fs';
import { openDatabase } from '@/server/database';
import { ShowRepository } from '@/server/shows';

const [folder, id] = process.argv.slice(2) as [string, string];
const shows = new ShowRepository(openDatabase(folder));
for (;;) {
  const { sequence } = shows.get(id);
  const author = { changeId: `change-${sequence + 1}`, window: 'writer', base: sequence };
  // An undo now and then.
  if (sequence % 7 === 6) shows.undo(id, author);
  else shows.apply(id, author, { type: 'renameShow', name: `Name-${sequence + 1}` });
  // At once and not through a buffer of this process, which would be lost with it.
  fs.writeSync(1, `${sequence + 1} ${shows.get(id).show.name}\n`);
}
