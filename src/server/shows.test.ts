import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import { aController, aGrid, aLine, aShow } from '../../tests/unit/shows';
import type { SingleEdit } from '@/core/show/edits/registry';
import { applyEdit } from '@/core/show/edits/registry';
import { ShowError } from '@/core/show/problem';
import { openDatabase } from './database';
import { NoSuchShow, NothingThere, ShowRepository, StaleRevision } from './shows';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-test-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const open = () => new ShowRepository(openDatabase(folder));
const show = () => aShow({ props: [aLine('rail', 50), aGrid('net', 4, 5)], controllers: [aController()] });
const rename = (name: string): SingleEdit => ({ type: 'changeProp', propId: 'rail', change: { name } });

describe('the chain of edits', () => {
  it('keeps a show under an id made from its name, and another one beside it', () => {
    const shows = open();
    expect(shows.create({ ...show(), name: 'Quay night' }).id).toBe('quay-night');
    expect(shows.create({ ...show(), name: 'Quay night' }).id).toBe('quay-night-2');
    expect(shows.list()).toHaveLength(2);
    expect(() => shows.get('nowhere')).toThrow(NoSuchShow);
  });

  it('undoes and does again after a restart', () => {
    const first = open();
    const { id } = first.create(show());
    first.apply(id, 0, rename('Railing'));
    first.apply(id, 1, rename('Pier railing'));

    const second = open();
    expect(second.get(id)).toMatchObject({ sequence: 2, undoLabel: 'Railing: rename to Pier railing' });
    expect(second.undo(id, 2).show.props[0]!.name).toBe('Railing');
    expect(second.undo(id, 3).show).toEqual(show());

    const third = open();
    expect(() => third.undo(id, 4)).toThrow(NothingThere);
    expect(third.redo(id, 4).show.props[0]!.name).toBe('Railing');
    expect(third.redo(id, 5).show.props[0]!.name).toBe('Pier railing');
    expect(() => third.redo(id, 6)).toThrow(NothingThere);
    expect(third.history(id).map((entry) => entry.kind)).toEqual([
      'edit',
      'edit',
      'undo',
      'undo',
      'redo',
      'redo',
    ]);
  });

  it('cannot do again what a new edit went past', () => {
    const shows = open();
    const { id } = shows.create(show());
    shows.apply(id, 0, rename('One'));
    shows.undo(id, 1);
    const after = shows.apply(id, 2, rename('Two'));
    expect(after.redoLabel).toBeNull();
    expect(shows.undo(id, 3).show).toEqual(show());
  });

  it('refuses a stale sequence number with the current show and what was missed', () => {
    const shows = open();
    const { id } = shows.create(show());
    shows.apply(id, 0, rename('Theirs'));
    try {
      shows.apply(id, 0, rename('Mine'));
      throw new Error('It was accepted.');
    } catch (error) {
      expect(error).toBeInstanceOf(StaleRevision);
      const { current, missed } = error as StaleRevision;
      expect(current.show.props[0]!.name).toBe('Theirs');
      expect(missed.map((entry) => entry.label)).toEqual(['rail: rename to Theirs']);
    }
    expect(shows.get(id).sequence).toBe(1);
  });

  it('changes nothing when an edit does not fit', () => {
    const shows = open();
    const { id } = shows.create(show());
    expect(() =>
      shows.apply(id, 0, { type: 'putRun', propId: 'rail', run: 1, controllerId: 'a', port: 9 }),
    ).toThrow(ShowError);
    expect(shows.get(id)).toMatchObject({ sequence: 0, show: show() });
  });

  it('brings back any earlier state, over snapshots', () => {
    const shows = open();
    const { id } = shows.create(show());
    for (let i = 0; i < 120; i += 1) shows.apply(id, i, rename(`Name ${i + 1}`));
    const again = open();
    expect(again.get(id).show.props[0]!.name).toBe('Name 120');
    for (const sequence of [0, 1, 49, 50, 51, 99, 100, 101])
      expect(again.at(id, sequence).props[0]!.name).toBe(sequence === 0 ? 'rail' : `Name ${sequence}`);
    expect(() => again.at(id, 121)).toThrow(RangeError);
  });

  it('tells those who listen, and forgets a show that is removed', () => {
    const shows = open();
    const { id } = shows.create(show());
    const heard: (number | null)[] = [];
    const stop = shows.listen(id, (sequence) => heard.push(sequence));
    shows.apply(id, 0, rename('Once'));
    shows.remove(id);
    stop();
    expect(heard).toEqual([1, null]);
    expect(() => shows.get(id)).toThrow(NoSuchShow);
  });

  it('notices a change that another process made', () => {
    const [mine, theirs] = [open(), open()];
    const { id } = mine.create(show());
    theirs.apply(id, 0, rename('From elsewhere'));
    expect(mine.get(id).show.props[0]!.name).toBe('From elsewhere');
  });
});

const anyEdit: fc.Arbitrary<SingleEdit> = fc.oneof(
  fc.string({ minLength: 1, maxLength: 5 }).map((name) => rename(`R${name.replace(/[^a-z]/gi, '')}`)),
  fc.record({
    type: fc.constant('putRun' as const),
    propId: fc.constantFrom('rail', 'net'),
    run: fc.integer({ min: 1, max: 3 }),
    controllerId: fc.constant('a'),
    port: fc.integer({ min: 1, max: 5 }),
    position: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
  }),
  fc.record({
    type: fc.constant('takeOffRun' as const),
    propId: fc.constantFrom('rail', 'net'),
    run: fc.constant(1),
  }),
  fc.record({ type: fc.constant('removeProp' as const), propId: fc.constantFrom('rail', 'net') }),
  fc
    .integer({ min: 1, max: 4 })
    .map((n): SingleEdit => ({ type: 'addProp', prop: aLine(`new-${n}`, n), index: 0 })),
  fc.integer({ min: 1, max: 4 }).map((runs): SingleEdit => ({
    type: 'setThreading',
    propId: 'net',
    threading: { firstPixel: 'topLeft', along: 'rows', pattern: 'straight', runs },
  })),
);

it('undoes any chain of edits back to the start, and does it again to the same end', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 12 }), (edits) => {
      const shows = new ShowRepository(openDatabase(fs.mkdtempSync(path.join(folder, 'chain-'))));
      const { id } = shows.create(show());
      let expected = show();
      for (const edit of edits) {
        const before = shows.get(id).sequence;
        try {
          expected = applyEdit(expected, edit);
          expect(shows.apply(id, before, edit).show).toEqual(expected);
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
          expect(() => shows.apply(id, before, edit)).toThrow(ShowError);
        }
      }
      let now = shows.get(id);
      while (now.undoLabel !== null) now = shows.undo(id, now.sequence);
      expect(now.show).toEqual(show());
      while (now.redoLabel !== null) now = shows.redo(id, now.sequence);
      expect(now.show).toEqual(expected);
      // From the disk, not from what the repository remembers.
      expect(shows.at(id, now.sequence)).toEqual(expected);
    }),
    { numRuns: 40 },
  );
});

it('says in one sentence why a data folder cannot be used', () => {
  const file = path.join(folder, 'file');
  fs.writeFileSync(file, '');
  expect(() => openDatabase(path.join(file, 'below'))).toThrow(/^The data folder .* cannot be used: .*\.$/);
});
