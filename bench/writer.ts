// Writes as fast as it can and says what was answered, until it is killed.
import fs from 'node:fs';
import { openDatabase } from '../src/server/database';
import { PhotoRepository } from '../src/server/photos';
import { ShowRepository } from '../src/server/shows';
import { manyProps } from './manyProps';
import { aPng } from '../tests/unit/photos';

const [what, folder, id] = process.argv.slice(2) as [string, string, string];
const db = openDatabase(folder);
const shows = new ShowRepository(db);
const photos = new PhotoRepository(db);
// At once and not through a buffer of this process, which would be lost with it.
const say = (line: string) => fs.writeSync(1, `${line}\n`);

const large = manyProps();
for (let turn = 0; ; turn += 1) {
  if (what === 'imports') {
    const newId = shows.create({ show: large, facts: [] });
    say(`${newId} ${large.props.length}`);
  } else if (what === 'photos') {
    // A picture of its own each time, and as heavy as those of a phone.
    const rest = Buffer.alloc(200_000, turn % 251);
    rest.writeUInt32BE(turn, 0);
    rest.writeUInt32BE(process.pid, 4);
    const bytes = Buffer.concat([aPng(turn % 251), rest]);
    say(`${photos.keep(bytes)} kept`);
  } else {
    const { sequence } = shows.get(id);
    const author = { changeId: `change-${sequence + 1}`, window: 'writer', base: sequence };
    if (sequence % 7 === 6) shows.undo(id, author);
    else shows.apply(id, author, { type: 'renameShow', name: `Name-${sequence + 1}` });
    say(`${sequence + 1} ${shows.get(id).show.name}`);
  }
}
