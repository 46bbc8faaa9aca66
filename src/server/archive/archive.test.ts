import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { fromBufferPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { anyEdit } from '../../../tests/unit/edits';
import { aPng } from '../../../tests/unit/photos';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aLine, aShow } from '../../../tests/unit/shows';
import { nameRevision, namedRevisions } from '@/core/revisions/named';
import { Facts, currentFacts, type Fact } from '@/core/show/facts';
import { readShowFile, writeShowText } from '@/core/show/read';
import { openDatabase } from '../database';
import { Worker, type Job } from '../jobs/jobs';
import { PhotoRepository } from '../photos';
import { ShowRepository } from '../shows';
import { restored, withBodyAsFile } from './restore';
import { zipped } from './zip';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-archive-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

/** A program of its own: a database, and jobs that are done at once. */
function program(name = randomBytes(4).toString('hex')) {
  const home = path.join(folder, name);
  const db = openDatabase(home);
  const worker = new Worker(() => db);
  const jobs = {
    run: (job: Job) => {
      const pieces = worker.start(job, () => {});
      const next = () => Promise.resolve(pieces.next()).then(({ done, value }) => (done ? null : value!));
      return { next };
    },
  };
  const around = { shows: new ShowRepository(db), photos: new PhotoRepository(db), jobs: jobs as never };
  return {
    ...around,
    archive: async (id: string): Promise<Buffer> => {
      const { next } = jobs.run({ is: 'archive', showId: id });
      return buffer(await zipped(next));
    },
    restore: (bytes: Uint8Array) =>
      withBodyAsFile(home, new Blob([new Uint8Array(bytes)]).stream(), (file) => restored(file, around)),
    /** All that is kept. */
    tables: () =>
      ['shows', 'snapshots', 'changes', 'facts', 'photos', 'photo_uses', 'gone_records'].map((table) =>
        db.prepare(`SELECT COUNT(*) AS count FROM ${table}`).pluck().get(),
      ),
    left: () => fs.readdirSync(path.join(home, 'incoming')),
  };
}
type Program = ReturnType<typeof program>;

const fact = (id: string, value: Fact['value'], kind: Fact['kind'] = 'decision'): Fact => ({
  id,
  kind,
  list: 'props',
  recordId: 'rail',
  field: `log.${id}`,
  value,
  at: '2026-11-27T18:00:00Z',
});

/** A show with a history, notes and photos. */
function aNight({ shows, photos }: Program): string {
  const id = shows.create({ show: aShow({ props: [aLine('rail', 5)] }), facts: [] });
  const by = (base: number) => ({ changeId: `change-${base}`, window: 'here', base });
  shows.apply(id, by(0), { type: 'changeProp', propId: 'rail', change: { name: 'Pier rail' } });
  shows.apply(id, by(1), { type: 'renameShow', name: 'Second night' });
  shows.undo(id, by(2));
  shows.note(id, [
    fact('lid', { photoId: photos.keep(aPng(7)), words: 'Before the lid was closed' }, 'photo'),
    fact('why', { words: 'Too heavy', reason: 'wind' }),
    { ...nameRevision(id, 1, 'as hung'), id: 'named', at: '2026-11-27T18:00:00Z' },
  ]);
  return id;
}

it('brings a show back elsewhere with its history, its notes and its photos, as if it had been made there', async () => {
  const [here, there] = [program(), program()];
  const id = aNight(here);
  const bytes = await here.archive(id);
  expect(await there.restore(bytes)).toBe(id);
  expect(there.shows.get(id)).toEqual(here.shows.get(id));
  expect(there.shows.factsOf(id)).toEqual(here.shows.factsOf(id));
  expect(there.shows.history(id)).toEqual(here.shows.history(id));
  for (let at = 0; at <= 3; at += 1) expect(there.shows.at(id, at)).toEqual(here.shows.at(id, at));
  const photoId = there.photos.usedBy(id)[0]!.id;
  expect(there.photos.find(photoId)!.bytes).toEqual(aPng(7));
  // A step that was undone before can be redone there, and one that was done can be undone.
  there.shows.redo(id, { changeId: 'again', window: 'other', base: 3 });
  expect(there.shows.get(id).show.name).toBe('Second night');
  expect(there.left()).toEqual([]);
});

it('gives another id where its own is taken, and what is noted of the show goes with it', async () => {
  const here = program();
  const id = aNight(here);
  const again = await here.restore(await here.archive(id));
  expect(again).not.toBe(id);
  const facts = new Facts(currentFacts(here.shows.factsOf(again)));
  expect(namedRevisions(facts)).toMatchObject([{ sequence: 1, name: 'as hung' }]);
  expect(facts.ofKind('decision').find(({ list }) => list === 'show')!.recordId).toBe(again);
  expect(here.shows.at(again, 1).props[0]!.name).toBe('Pier rail');
});

it('carries the history of earlier versions of the show file, and reads it as they wrote it', async () => {
  const name = 'old';
  fs.mkdirSync(path.join(folder, name));
  fs.copyFileSync(
    path.resolve(__dirname, '../../../tests/databases/0005.sqlite'),
    path.join(folder, name, 'rapid-lantern.sqlite'),
  );
  const [here, there] = [program(name), program()];
  const { id } = here.shows.list()[0]!;
  const { sequence } = here.shows.get(id);
  here.shows.apply(
    id,
    { changeId: 'now', window: null, base: sequence },
    { type: 'renameShow', name: 'Now' },
  );
  expect(await there.restore(await here.archive(id))).toBe(id);
  for (const at of [0, 7, 50, 72, 73, sequence, sequence + 1])
    expect(there.shows.at(id, at)).toEqual(here.shows.at(id, at));
  // Changes made before the upgrade stay, there as here.
  expect(there.shows.open(id, 'other').steps).toEqual(here.shows.open(id, 'other').steps);
});

it('is the identity: what comes in goes out as it came', async () => {
  await fc.assert(
    fc.asyncProperty(
      anyBusyShow,
      fc.array(anyEdit, { maxLength: 8 }),
      fc.array(fc.nat(3), { maxLength: 3 }),
      fc.nat(3),
      async (show, edits, greys, undone) => {
        const [here, there] = [program(), program()];
        // As a show comes in: by a file.
        const id = here.shows.create(readShowFile(JSON.parse(writeShowText(show))));
        for (const [i, edit] of edits.entries())
          try {
            const { sequence, show: now } = here.shows.get(id);
            here.shows.apply(id, { changeId: `edit-${i}`, window: 'here', base: sequence }, edit(now));
          } catch {
            // Not every edit fits every show.
          }
        for (let i = 0; i < undone; i += 1)
          try {
            here.shows.undo(id, { changeId: `undo-${i}`, window: 'here', base: here.shows.get(id).sequence });
          } catch {
            // There may be nothing to undo.
          }
        here.shows.note(
          id,
          greys.map((grey, i) =>
            fact(`photo-${i}`, { photoId: here.photos.keep(aPng(grey)), words: `${grey}` }, 'photo'),
          ),
        );
        const bytes = await here.archive(id);
        const again = await there.restore(bytes);
        expect(again).toBe(id);
        const [before, after] = [await filesOf(bytes), await filesOf(await there.archive(again))];
        expect([...after.keys()]).toEqual([...before.keys()]);
        // Fields may stand in another order; whatever they say is the same, and photos are byte by byte.
        for (const [name, file] of before)
          if (name.endsWith('.json'))
            expect(JSON.parse(after.get(name)!.toString())).toEqual(JSON.parse(file.toString()));
          else expect(after.get(name)!.equals(file)).toBe(true);
        fs.rmSync(folder, { recursive: true, force: true });
      },
    ),
    { numRuns: tries(25) },
  );
}, 120_000);

/** The files of an archive by name. */
async function filesOf(bytes: Buffer): Promise<Map<string, Buffer>> {
  const zip = await fromBufferPromise(bytes);
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry())
    files.set(entry.fileName, await buffer(await zip.openReadStreamPromise(entry)));
  return files;
}

/** A zip of these files, whatever they are called. */
async function zipOf(files: Iterable<readonly [string, Buffer]>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, bytes] of files) zip.addBuffer(bytes, name);
  zip.end();
  return buffer(zip.outputStream);
}

const json = (value: unknown) => Buffer.from(JSON.stringify(value));
type Files = Map<string, Buffer>;
const changed = (name: string, change: (value: never) => unknown) => (files: Files) =>
  zipOf(files.set(name, json(change(JSON.parse(files.get(name)!.toString()) as never))));
const history = (
  change: (value: {
    undoFloor: number;
    copies: { version: number; document: { name: string } }[];
    changes: { sequence: number; id: string; change: object }[];
  }) => unknown,
) => changed('history.json', change as never);
const head = (change: (value: Record<string, unknown>) => unknown) =>
  changed('archive.json', change as never);
const photoName = (files: Files) => [...files.keys()].find((name) => name.startsWith('photos/'))!;

/** The archive with a name in it written over by one of the same length, as no writer of zip files would. */
const renamed = (from: string, to: string) => async (files: Files) => {
  const bytes = await zipOf(files);
  for (let at = bytes.indexOf(from); at !== -1; at = bytes.indexOf(from, at + 1))
    bytes.write(to, at, 'latin1');
  return bytes;
};

const BAD: readonly [string, (files: Files) => Promise<Buffer>, RegExp][] = [
  ['nothing', async () => Buffer.alloc(0), /no archive that can be read/],
  ['words', async () => Buffer.from('a show'), /no archive that can be read/],
  ['half of one', async (files) => (await zipOf(files)).subarray(0, 900), /no archive that can be read/],
  [
    'a byte that is another one',
    async (files) => {
      const bytes = await zipOf(files);
      bytes[bytes.indexOf('history.json') + 60]! ^= 0xff;
      return bytes;
    },
    /damaged|JSON|cannot|invalid/i,
  ],
  [
    'a letter that no longer fits its checksum',
    async (files) => {
      const bytes = await zipOf(files);
      // The name of an entry stands 46 bytes into its record of the central directory, and its CRC-32 at 16 (APPNOTE 4.3.12).
      bytes[bytes.lastIndexOf('show.json') - 46 + 16]! ^= 1;
      return bytes;
    },
    /“show.json” in the archive is damaged: its bytes are not those that were packed/,
  ],
  [
    'a way out of its folder',
    renamed('history.json', '../../.proxy'),
    /no archive that can be read.*relative path/,
  ],
  ['an absolute path', renamed('history.json', '/etc/cron.ds'), /no archive that can be read.*absolute path/],
  [
    'a file that no archive has',
    (files) => zipOf([...files, ['run.sh', Buffer.from('x')]]),
    /holds “run\.sh”/,
  ],
  [
    'a file twice',
    (files) => zipOf([...files, ['show.json', files.get('show.json')!]]),
    /“show\.json” twice/,
  ],
  ['no history', (files) => (files.delete('history.json'), zipOf(files)), /lacks “history\.json”/],
  ['a photo less', (files) => (files.delete(photoName(files)), zipOf(files)), /lacks “photos\//],
  [
    'a bomb',
    (files) => zipOf(files.set('archive.json', Buffer.alloc(40 * 1024 * 1024))),
    /“archive\.json” in the archive has 40 MB unpacked; at most 4 MB/,
  ],
  [
    'a photo that is too large',
    (files) => zipOf(files.set(photoName(files), Buffer.alloc(17 * 1024 * 1024))),
    /has 17 MB unpacked; at most 16 MB/,
  ],
  [
    'a photo that was changed',
    (files) => zipOf(files.set(photoName(files), aPng(8))),
    /is damaged: its bytes are not those that were kept/,
  ],
  ['another format', head((value) => ({ ...value, format: 'x' })), /archive\.json: format/],
  ['a newer version', head((value) => ({ ...value, version: 2 })), /archive\.json: version/],
  ['an id that is none', head((value) => ({ ...value, showId: '../x' })), /archive\.json: showId/],
  ['another name', head((value) => ({ ...value, name: 'Other' })), /tells of “Other” after 3 changes/],
  ['wrong types', changed('show.json', () => ({ format: 'rapid-lantern-show', version: 'one' })), /version/],
  ['a show that is none', changed('show.json', () => [1, 2]), /holds one JSON object/],
  ['a history that is none', changed('history.json', () => 7), /history\.json/],
  [
    'a history that leads elsewhere',
    history((value) => ({ ...value, changes: value.changes.slice(0, 1) })),
    /tells of .* after 3 changes; history\.json leads to .* after 1/,
  ],
  [
    'changes that do not fit',
    history((value) => {
      value.changes[0]!.change = [{ list: 'props', id: 'rail', fields: { name: { from: 'Arch', to: 'B' } } }];
      return value;
    }),
    /changes from 1 on do not fit/,
  ],
  [
    'a change with a number of its own',
    history((value) => {
      value.changes[1]!.sequence = 7;
      return value;
    }),
    /change 2 of it has the number 7/,
  ],
  [
    'two changes with one id',
    history((value) => {
      value.changes[1]!.id = value.changes[0]!.id;
      return value;
    }),
    /two changes have the same id/,
  ],
  [
    'a copy that is no show',
    history((value) => {
      value.copies[0]!.document.name = '';
      return value;
    }),
    /a copy in it is no show/,
  ],
  [
    'a copy of a version to come',
    history((value) => {
      value.copies[0]!.version = 99;
      return value;
    }),
    /version 99/,
  ],
  [
    'a change that reaches for what all objects share',
    history((value) => {
      value.copies[0]!.version = 1;
      value.changes[0]!.change = [
        { op: 'add', path: ['__proto__', 'polluted'], value: 'yes' },
        { op: 'add', path: ['constructor', 'prototype', 'polluted'], value: 'yes' },
      ];
      return value;
    }),
    /./,
  ],
];

it.each(BAD)('%s is refused in a sentence, and nothing is kept of it', async (_words, spoil, sentence) => {
  const [here, there] = [program(), program()];
  const files = await filesOf(await here.archive(aNight(here)));
  const bytes = await spoil(files);
  const before = there.tables();
  await expect(there.restore(bytes)).rejects.toThrow(sentence);
  expect(there.tables()).toEqual(before);
  expect(there.left()).toEqual([]);
  expect(({} as { polluted?: string }).polluted).toBeUndefined();
});

it('refuses whatever is broken in it, wherever that is', async () => {
  const [here, there] = [program(), program()];
  const id = aNight(here);
  const whole = await here.archive(id);
  const before = there.tables();
  await fc.assert(
    fc.asyncProperty(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), async (at, flip) => {
      const bytes = Buffer.from(whole);
      bytes[at]! ^= flip;
      const kept = await there.restore(bytes).catch((error: Error) => error);
      if (kept instanceof Error) {
        expect(kept.name).toBe('ShowError');
        expect(there.tables()).toEqual(before);
      } else {
        // Some bytes say nothing that is read, such as times and comments.
        expect(there.shows.get(kept)).toEqual(here.shows.get(id));
        // Notes about the show itself go with its new id.
        expect(there.shows.factsOf(kept)).toEqual(
          here.shows.factsOf(id).map((each) => (each.recordId === id ? { ...each, recordId: kept } : each)),
        );
        there.shows.remove(kept);
        before.splice(0, before.length, ...there.tables());
      }
    }),
    // The kept state goes on from run to run, so trying smaller cases after a failure would tell of another one.
    { numRuns: tries(150), endOnFailure: true },
  );
}, 60_000);

it('keeps no photo that no phone could show', () => {
  const { photos } = program();
  expect(() => photos.keep(aPng(1, 2, 2, { widthPx: 40_000, heightPx: 40_000 }))).toThrow(
    'says that it has 1600 megapixels; at most 100',
  );
  expect(() => photos.keep(Buffer.from([0xff, 0xd8, 0xff, 1]))).toThrow('is damaged');
  expect(() => photos.keep(Buffer.from('<svg/>'))).toThrow('is not a photo');
});
