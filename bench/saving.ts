// The cost of changes on disk, on the wire and in time, on a show of 2,000 props; and what the database of 10,000 edits weighs.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { applyChange, inverseOf } from '../src/core/show/changes';
import type { Edit } from '../src/core/show/edits/registry';
import { openDatabase } from '../src/server/database';
import { ShowRepository } from '../src/server/shows';
import { manyProps } from './manyProps';
import { goal, middleMs, sized, table } from './report';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-bench-'));
const db = openDatabase(folder);
const shows = new ShowRepository(db);
const id = shows.create({ show: manyProps(), facts: [] });
let made = 0;
const author = () => ({ changeId: `change-${(made += 1)}`, window: 'bench', base: shows.get(id).sequence });

const edits: [what: string, edit: (turn: number) => Edit][] = [
  ['rename a prop', (turn) => ({ type: 'changeProp', propId: 'prop-7', change: { name: `Name ${turn}` } })],
  [
    'measure a prop',
    (turn) => ({
      type: 'setShape',
      propId: 'prop-3',
      shape: { legs: [{ lengthMm: 7000, headingDeg: 0, pixels: { by: 'count', count: 126 + turn } }] },
    }),
  ],
  [
    'put a run elsewhere',
    (turn) => ({ type: 'putRun', propId: 'prop-9', run: 1, controllerId: 'box-3', port: (turn % 40) + 1 }),
  ],
  ['remove the first prop', (turn) => ({ type: 'removeProp', propId: `prop-${turn + 20}` })],
  [
    'move the last prop to the front',
    (turn) => ({ type: 'moveProp', propId: `prop-${1999 - turn}`, index: 0 }),
  ],
  [
    'change the policy of the show',
    (turn) => ({ type: 'setAddressing', change: { firstShowChannel: turn + 2 } }),
  ],
];

const rows: Record<string, string>[] = [];
for (const [what, edit] of edits) {
  let answer = '';
  const editMs = middleMs(
    sized(15, 3),
    (turn) => (answer = JSON.stringify(shows.apply(id, author(), edit(turn)))),
  );
  const { bytes } = db
    .prepare('SELECT octet_length(change) AS bytes FROM changes ORDER BY sequence DESC LIMIT 1')
    .get() as { bytes: number };
  let undone = '';
  const undoMs = middleMs(sized(9, 1), () => (undone = JSON.stringify(shows.undo(id, author()))));
  // The work of a window on the answer, before it plans.
  const { change } = (JSON.parse(undone) as { changes: { change: Parameters<typeof inverseOf>[0] }[] })
    .changes[0]!;
  const before = applyChange(shows.get(id).show, inverseOf(change));
  const layMs = middleMs(9, () => applyChange(before, change));
  rows.push({
    'edit, 2,000 props': what,
    'bytes on disk': bytes.toLocaleString('en'),
    'answer bytes': answer.length.toLocaleString('en'),
    'undo bytes': undone.length.toLocaleString('en'),
    'edit ms': editMs.toFixed(1),
    'undo ms': undoMs.toFixed(1),
    'laid in a window ms': layMs.toFixed(1),
    goal: goal('4,096 bytes, 2,048 sent, 20 ms', bytes <= 4096 && answer.length <= 2048 && editMs <= 20),
  });
}
table('saving', rows);

const EDITS = sized(10_000, 100);
const start = performance.now();
for (let i = 0; i < EDITS; i += 1)
  shows.apply(id, author(), {
    type: 'setShape',
    propId: `prop-${(i % 1900) + 60}`,
    shape: { legs: [{ lengthMm: 7000 + i, headingDeg: 0, pixels: { by: 'count', count: 126 + (i % 9) } }] },
  });
const seconds = (performance.now() - start) / 1000;
db.pragma('wal_checkpoint(TRUNCATE)');
const megabytes = fs.statSync(path.join(folder, 'rapid-lantern.sqlite')).size / 1024 / 1024;
const copies = (db.prepare('SELECT COUNT(*) AS count FROM snapshots').get() as { count: number }).count;
const openMs = middleMs(5, () => shows.open(id, 'bench'));
const middle = Math.floor(shows.get(id).sequence / 2);
const oldMs = middleMs(3, () => shows.at(id, middle));
table('saving-database', [
  {
    edits: EDITS.toLocaleString('en'),
    'database MB': megabytes.toFixed(1),
    'copies kept': copies,
    'edits a second': (EDITS / seconds).toFixed(0),
    'open ms': openMs.toFixed(1),
    'state in the middle ms': oldMs.toFixed(0),
    goal: goal('under 50 MB', megabytes < 50),
  },
]);
fs.rmSync(folder, { recursive: true, force: true });
