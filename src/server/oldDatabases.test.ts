import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { applyChanges } from '@/core/show/changes';
import { Facts, currentFacts } from '@/core/show/facts';
import { readShow, readShowFile, withOrder, writeShowText } from '@/core/show/read';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import { openDatabase } from './database';
import { NoSuchChange, NothingThere } from './showErrors';
import { ShowRepository } from './shows';

const FOLDER = path.resolve(__dirname, '../../tests/databases');
/** The show in each of them, as the version that kept it had it. */
const expected = JSON.parse(fs.readFileSync(path.join(FOLDER, 'expected.json'), 'utf8')) as {
  show: object;
  sequence: number;
  at3: object;
};
const ID = 'marrow-quay-lantern-night';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-old-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const withoutName = (show: Show) => ({ ...show, name: '' });

describe.each(fs.readdirSync(FOLDER).filter((name) => name.endsWith('.sqlite')))(
  'the database of an earlier version, %s',
  (file) => {
    // A database of a later version went through upgrades before.
    const upgrades = {
      '0001.sqlite': 1,
      '0002.sqlite': 1,
      '0003.sqlite': 2,
      '0004.sqlite': 3,
      '0005.sqlite': 4,
      '0006.sqlite': 5,
    }[file]!;
    const open = () => {
      const copy = path.join(folder, 'rapid-lantern.sqlite');
      if (!fs.existsSync(copy)) fs.copyFileSync(path.join(FOLDER, file), copy);
      return new ShowRepository(openDatabase(folder));
    };
    const by = (window: string, base: number) => ({ changeId: `mine-${base}`, window, base });

    it('opens: the show is brought up to date once, as a change of its own', () => {
      const shows = open();
      const { sequence, show } = shows.get(ID);
      expect(sequence).toBe(expected.sequence + upgrades);
      expect(show.version).toBe(SHOW_VERSION);
      expect(show).toEqual(readShow(JSON.parse(JSON.stringify(expected.show))));
      expect(shows.history(ID).at(-1)).toMatchObject({ kind: 'upgrade' });
      expect(open().get(ID)).toEqual({ sequence, show });
      const opened = shows.open(ID, 'here');
      expect(opened).toMatchObject({ copyOf: sequence, changes: [], steps: { undo: [], redo: [] } });
      expect(withOrder(JSON.parse(opened.document.toString()) as Show)).toEqual(show);
    });

    it('keeps what was noted on site, as facts', () => {
      const shows = open();
      shows.get(ID);
      const facts = new Facts(currentFacts(shows.factsOf(ID)));
      const box = shows.get(ID).show.controllers[0]!;
      expect(facts.isTyped(box.id, 'port.1.pixels', '12')).toBe(true);
      expect(facts.isStepDone(box.id, 'saved', {})).toBe(true);
      expect(facts.ofKind('found')).toHaveLength(1);
    });

    it('is edited, and undone back to where it was opened and no further', () => {
      const shows = open();
      const { sequence, show } = shows.get(ID);
      shows.apply(ID, by('here', sequence), { type: 'removeProp', propId: show.props[2]!.id });
      shows.apply(ID, by('here', sequence + 1), { type: 'renameShow', name: 'New' });
      shows.undo(ID, by('here', sequence + 2));
      shows.undo(ID, by('here', sequence + 3));
      expect(shows.get(ID).show).toEqual(show);
      expect(() => shows.undo(ID, by('here', sequence + 4))).toThrow(NothingThere);
      expect(() => shows.undo(ID, by('here', sequence + 4), 'change-3')).toThrow(NoSuchChange);
    });

    it('has its old history, readable state by state', () => {
      const shows = open();
      expect(shows.history(ID)).toHaveLength(expected.sequence + upgrades);
      expect(shows.at(ID, 3)).toEqual(readShow(JSON.parse(JSON.stringify(expected.at3))));
      expect(shows.at(ID, 0).props).toHaveLength(shows.at(ID, 1).props.length + 1);
      for (const sequence of [7, 20, 49, 50, 51, expected.sequence])
        expect(withoutName(shows.at(ID, sequence)).props.length).toBeGreaterThan(0);
    });

    it('goes out as a file that comes in again', () => {
      const shows = open();
      const { show } = shows.get(ID);
      const facts = shows.factsOf(ID);
      const file = readShowFile(JSON.parse(writeShowText(show, facts)));
      expect(file.show.props.map((prop) => prop.id)).toEqual(show.props.map((prop) => prop.id));
      const again = shows.create(file);
      expect(shows.factsOf(again)).toEqual(facts);
      expect(applyChanges(shows.get(again).show, [])).toEqual(file.show);
    });
  },
);

// From the second version of the file on, changes are of records.
it.each(['0003.sqlite', '0004.sqlite', '0005.sqlite', '0006.sqlite'])(
  'edits that were made with the version of %s are there when it is opened with this one',
  (file) => {
    const copy = path.join(folder, 'rapid-lantern.sqlite');
    fs.copyFileSync(path.join(FOLDER, file), copy);
    const db = new Database(copy);
    const before = db.prepare('SELECT name, sequence, version FROM shows').get() as {
      name: string;
      sequence: number;
      version: number;
    };
    const change = JSON.stringify([
      { list: 'show', id: ID, fields: { name: { from: before.name, to: 'Renamed then' } } },
    ]);
    const sequence = before.sequence + 1;
    db.prepare(
      `INSERT INTO changes (show_id, sequence, id, kind, label, window, root, version, change, made_at)
       VALUES (?, ?, 'then', 'edit', 'Renamed', NULL, ?, ?, ?, '2026-01-01T00:00:00Z')`,
    ).run(ID, sequence, sequence, before.version, change);
    db.prepare('UPDATE shows SET sequence = ?').run(sequence);
    db.close();
    const shows = new ShowRepository(openDatabase(folder));
    expect(shows.get(ID).show.name).toBe('Renamed then');
    expect(shows.at(ID, sequence).name).toBe('Renamed then');
    expect(shows.at(ID, sequence - 1).name).toBe(before.name);
  },
);
