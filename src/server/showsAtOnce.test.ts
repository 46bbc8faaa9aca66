import fs from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { tries } from '../../tests/unit/tries';
import { aController, aLine, aShow } from '../../tests/unit/shows';
import { anyBatch, anyEdit } from '../../tests/unit/edits';
import { applyChanges } from '@/core/show/changes';
import { applyEdit } from '@/core/show/edits/registry';
import { ShowError } from '@/core/fields/problem';
import type { Confirmation } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { ShowClash } from './clash';
import { CannotKeep, openDatabase } from './database';
import { NoSuchChange, NothingThere } from './showErrors';
import { ShowRepository } from './shows';

import { by, eachInItsFolder, kept, railAndNet, rename } from '../../tests/unit/keptShows';
const { path: folder, open } = eachInItsFolder();
const show = railAndNet;
const nameOf = (shows: ShowRepository, id: string, prop = 0) => shows.get(id).show.props[prop]!.name;

describe('several at once', () => {
  it('twenty clients that edit a prop each are asked nothing, and leave no gap in the numbers', () => {
    const shows = open();
    const props = Array.from({ length: 20 }, (_, i) => aLine(`p${i}`, 5));
    const id = kept(shows, aShow({ props, controllers: [aController()] }));
    // All edit what they opened, and go on with what they are answered.
    const bases = props.map(() => 0);
    for (let round = 0; round < 5; round += 1)
      props.forEach((prop, i) => {
        bases[i] = shows.apply(id, by(`w${i}`, bases[i]!), rename(`${prop.id} ${round}`, prop.id)).sequence;
      });
    const entries = shows.history(id);
    expect(entries.map((entry) => entry.sequence)).toEqual(entries.map((_, i) => i + 1));
    expect(entries).toHaveLength(100);
    expect(shows.get(id).show.props.map((prop) => prop.name)).toEqual(props.map((prop) => `${prop.id} 4`));
  });

  it('twenty clients that edit the same prop are asked one question each', () => {
    const shows = open();
    const id = kept(shows);
    let questions = 0;
    for (let i = 0; i < 20; i += 1) {
      const ask = (base: number) => shows.apply(id, by(`w${i}`, base), rename(`Name ${i}`));
      try {
        ask(0);
      } catch (error) {
        if (!(error instanceof ShowClash)) throw error;
        questions += 1;
        ask(shows.since(id, `w${i}`, 0).sequence);
      }
    }
    expect(questions).toBe(19);
    expect(shows.get(id).sequence).toBe(20);
    expect(nameOf(shows, id)).toBe('Name 19');
  });

  /** A client that lays on what it has whatever it is told. */
  class Client {
    sequence = 0;
    constructor(
      readonly window: string,
      public has: Show,
    ) {}
    hear({ changes: heard }: Confirmation) {
      for (const each of heard.filter((one) => one.sequence > this.sequence)) {
        expect(each.sequence).toBe(this.sequence + 1);
        this.has = applyChanges(this.has, [JSON.parse(JSON.stringify(each.change))]);
        this.sequence = each.sequence;
      }
    }
  }

  it('end in the same show everywhere, whatever answers are lost, doubled or late', () => {
    const step = fc.record({
      client: fc.nat(2),
      edit: anyEdit,
      what: fc.constantFrom('edit', 'edit', 'edit', 'undo', 'redo'),
      lost: fc.boolean(),
      twice: fc.boolean(),
      looks: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
        const shows = new ShowRepository(openDatabase(fs.mkdtempSync(path.join(folder(), 'chain-'))));
        const id = kept(shows);
        const clients = ['one', 'two', 'three'].map((window) => new Client(window, show()));
        clients.forEach(({ window }) => shows.listen(id, window, () => {}));
        for (const { client: at, edit, what, lost, twice, looks } of steps) {
          const client = clients[at]!;
          if (looks) client.hear(shows.since(id, client.window, client.sequence));
          const author = by(client.window, client.sequence);
          const send = () =>
            what === 'edit'
              ? shows.apply(id, author, edit(client.has))
              : what === 'undo'
                ? shows.undo(id, author)
                : shows.redo(id, author);
          const before = shows.get(id);
          try {
            const answer = send();
            if (twice) expect(send().sequence).toBe(answer.sequence);
            if (!lost) client.hear(answer);
          } catch (error) {
            const known = [ShowError, ShowClash, NothingThere, NoSuchChange].some(
              (kind) => error instanceof kind,
            );
            if (!known) throw error;
            expect(shows.get(id)).toEqual(before);
          }
        }
        for (const client of clients) {
          client.hear(shows.since(id, client.window, client.sequence));
          expect(client.has).toEqual(shows.get(id).show);
        }
        // From the disk, not from what the repository remembers.
        expect(shows.at(id, shows.get(id).sequence)).toEqual(shows.get(id).show);
      }),
      { numRuns: tries(60) },
    );
  });
});

it('undoes any chain of edits back to the start, and does it again to the same end', () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(anyEdit, anyBatch), { maxLength: 12 }), (edits) => {
      const shows = new ShowRepository(openDatabase(fs.mkdtempSync(path.join(folder(), 'chain-'))));
      const id = kept(shows);
      let expected = show();
      for (const edit of edits) {
        const now = edit(expected);
        const author = by('here', shows.get(id).sequence);
        try {
          expected = applyEdit(expected, now);
          shows.apply(id, author, now);
          expect(shows.get(id).show).toEqual(expected);
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
          expect(() => shows.apply(id, author, now)).toThrow(ShowError);
        }
      }
      const end = shows.get(id).show;
      const step = (kind: 'undo' | 'redo') => {
        const { sequence } = shows.get(id);
        if (shows.since(id, 'here', sequence).steps[kind].length === 0) return false;
        shows[kind](id, by('here', sequence));
        return true;
      };
      while (step('undo'));
      expect(shows.get(id).show).toEqual(show());
      while (step('redo'));
      expect(shows.get(id).show).toEqual(end);
    }),
    { numRuns: tries(40) },
  );
});

describe('what cannot be kept', () => {
  it('says in one sentence why a data folder() cannot be used', () => {
    const file = path.join(folder(), 'file');
    fs.writeFileSync(file, '');
    expect(() => openDatabase(path.join(file, 'below'))).toThrow(
      /^The data folder() .* cannot be used: .*\.$/,
    );
  });
  it('names a file that is no database', () => {
    fs.writeFileSync(path.join(folder(), 'rapid-lantern.sqlite'), 'no database '.repeat(100));
    expect(() => openDatabase(folder())).toThrow(/is not a database that can be read/);
  });
  it('notices that the database was moved away, before it says that anything is saved', () => {
    const shows = open();
    const id = kept(shows);
    fs.renameSync(path.join(folder(), 'rapid-lantern.sqlite'), path.join(folder(), 'away.sqlite'));
    expect(() => shows.apply(id, by('here', 0), rename('Lost?'))).toThrow(/is not where it was/);
    fs.renameSync(path.join(folder(), 'away.sqlite'), path.join(folder(), 'rapid-lantern.sqlite'));
    expect(shows.apply(id, by('here', 0), rename('Kept')).sequence).toBe(1);
  });
  it('says that the disk is full, and keeps what was there', () => {
    const db = openDatabase(folder());
    const shows = new ShowRepository(db);
    const id = kept(shows);
    db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true })}`);
    const long = 'x'.repeat(79);
    expect(() => {
      for (let i = 0; i < 200; i += 1)
        shows.apply(id, by('here', shows.get(id).sequence), rename(`${long}${i % 9}`));
    }).toThrow(CannotKeep);
    const { sequence } = shows.get(id);
    db.pragma('max_page_count = 1000000');
    expect(shows.apply(id, by('here', sequence), rename('Room again')).sequence).toBe(sequence + 1);
  });
});
