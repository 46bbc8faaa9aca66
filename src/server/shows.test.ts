import { aPng } from '../../tests/unit/photos';
import { aLine } from '../../tests/unit/shows';
import { applyChanges } from '@/core/show/changes';
import { type Edit } from '@/core/show/edits/registry';
import { tickOf, type Fact } from '@/core/show/facts';
import { ShowError } from '@/core/fields/problem';
import type { Show } from '@/core/show/schema';
import { ShowClash } from './clash';
import { openDatabase } from './database';
import { PhotoRepository } from './photos';
import { MustReload, NoSuchChange, NoSuchShow, NothingThere } from './showErrors';
import { type ShowEvent } from './shared';
import { ShowRepository } from './shows';

import { by, eachInItsFolder, kept, railAndNet, rename } from '../../tests/unit/keptShows';
const { path: folder, open } = eachInItsFolder();
const show = railAndNet;
const nameOf = (shows: ShowRepository, id: string, prop = 0) => shows.get(id).show.props[prop]!.name;

describe('shows', () => {
  it('are kept under an id made from their name, which never means another one', () => {
    const shows = open();
    const file = { show: { ...show(), name: 'Quay night' }, facts: [] };
    expect(shows.create(file)).toBe('quay-night');
    expect(shows.create(file)).toBe('quay-night-2');
    expect(shows.list()).toHaveLength(2);
    expect(() => shows.get('nowhere')).toThrow(NoSuchShow);
    shows.remove('quay-night-2');
    expect(() => shows.get('quay-night-2')).toThrow(NoSuchShow);
    expect(shows.create(file)).toBe('quay-night-3');
    expect(
      shows
        .list()
        .map((each) => each.id)
        .toSorted(),
    ).toEqual(['quay-night', 'quay-night-3']);
  });

  it('are opened as a copy and the changes since, as they are kept', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('here', 0), rename('Railing'));
    const opened = shows.open(id, 'here');
    const changesSince = opened.changes.map((text) => JSON.parse(text).change);
    expect(applyChanges(JSON.parse(opened.document.toString()) as Show, changesSince)).toEqual(
      shows.get(id).show,
    );
    expect(opened).toMatchObject({
      sequence: 1,
      copyOf: 0,
      steps: { undo: [{ label: 'rail: rename to Railing' }] },
    });
  });

  it('tell those who listen what changed, and that they are gone', () => {
    const shows = open();
    const id = kept(shows);
    const heard: ShowEvent[] = [];
    const stop = shows.listen(id, 'here', (event) => heard.push(event));
    shows.apply(id, by('here', 0), rename('Once'));
    shows.note(id, [aFact('f')]);
    shows.remove(id);
    stop();
    expect(heard).toMatchObject([
      { is: 'changed', changes: [{ sequence: 1, window: 'here' }] },
      { is: 'noted', facts: [{ id: 'f' }] },
      { is: 'removed' },
    ]);
  });

  it('notice a change that another process made', () => {
    const [mine, theirs] = [open(), open()];
    const id = kept(mine);
    theirs.apply(id, by(null, 0), rename('From elsewhere'));
    expect(nameOf(mine, id)).toBe('From elsewhere');
  });

  it('bring back any earlier state, over copies that were thinned', () => {
    const shows = open();
    const id = kept(shows);
    for (let i = 0; i < 1300; i += 1) shows.apply(id, by('here', i), rename(`Name ${i + 1}`));
    const again = open();
    expect(nameOf(again, id)).toBe('Name 1300');
    for (const sequence of [0, 1, 199, 200, 201, 555, 999, 1299, 1300])
      expect(again.at(id, sequence).props[0]!.name).toBe(sequence === 0 ? 'rail' : `Name ${sequence}`);
    expect(() => again.at(id, 1301)).toThrow(NoSuchChange);
    expect(again.history(id, 1298).map((entry) => entry.label)).toHaveLength(2);
  });
});

describe('an edit', () => {
  it('changes nothing when it does not fit, and makes no entry when it says what is there', () => {
    const shows = open();
    const id = kept(shows);
    expect(() =>
      shows.apply(id, by('here', 0), { type: 'putRun', propId: 'rail', run: 1, controllerId: 'a', port: 9 }),
    ).toThrow(ShowError);
    expect(shows.apply(id, by('here', 0), rename('rail'))).toMatchObject({ sequence: 0, changes: [] });
    expect(shows.get(id)).toEqual({ sequence: 0, show: show() });
  });

  it('that is sent again after a lost answer is made once, and no conflict with itself', () => {
    const shows = open();
    const id = kept(shows);
    const author = by('here', 0);
    const first = shows.apply(id, author, rename('Once'));
    expect(shows.apply(id, author, rename('Once'))).toEqual(first);
    const undo = by('here', 1);
    expect(shows.undo(id, undo)).toEqual(shows.undo(id, undo));
    expect(shows.get(id)).toEqual({ sequence: 2, show: show() });
  });

  it('that was made on an older show is laid on the current one where others touched something else', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('there', 0), rename('Theirs', 'net'));
    const answer = shows.apply(id, by('here', 0), rename('Mine'));
    expect(answer.changes.map((each) => [each.sequence, each.window])).toEqual([
      [1, 'there'],
      [2, 'here'],
    ]);
    expect(shows.get(id).show.props.map((prop) => prop.name)).toEqual(['Mine', 'Theirs']);
  });

  it('that touches what others touched is refused with the record and both values', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('there', 0), rename('Theirs'));
    try {
      shows.apply(id, by('here', 0), rename('Mine'));
      throw new Error('It was accepted.');
    } catch (error) {
      expect(error).toBeInstanceOf(ShowClash);
      expect((error as ShowClash).clash).toEqual({
        list: 'props',
        id: 'rail',
        name: 'Theirs',
        field: 'name',
        mine: '“Mine”',
        theirs: '“Theirs”',
        change: 'rail: rename to Theirs',
      });
      expect((error as Error).message).toBe(
        'Theirs was changed elsewhere in the meantime (rail: rename to Theirs).',
      );
    }
    expect(shows.get(id).sequence).toBe(1);
  });

  it('names of measures only those that either side changed, with their units', () => {
    const shows = open();
    const id = kept(shows);
    const shape = show().props[1]!.shape as object;
    shows.apply(id, by('there', 0), { type: 'setShape', propId: 'net', shape: { ...shape, rows: 9 } });
    const mine: Edit = { type: 'setShape', propId: 'net', shape: { ...shape, columnSpacingMm: 150 } };
    expect(() => shows.apply(id, by('here', 0), mine)).toThrow(
      expect.objectContaining({
        clash: expect.objectContaining({
          field: 'measures',
          mine: 'column spacing 150 mm, rows 5',
          theirs: 'column spacing 100 mm, rows 9',
        }),
      }),
    );
  });

  it('on other records that breaks a rule of the show is refused with the rule', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('there', 0), rename('Railing'));
    expect(() => shows.apply(id, by('here', 0), rename('RAILING', 'net'))).toThrow(/“RAILING” is used twice/);
    shows.apply(id, by('there', 1), { type: 'removeController', controllerId: 'a' });
    expect(() =>
      shows.apply(id, by('here', 1), { type: 'putRun', propId: 'net', run: 1, controllerId: 'a', port: 1 }),
    ).toThrow(/names the controller “a”, which the show does not have/);
    expect(shows.get(id).sequence).toBe(2);
  });

  it('does not give the id of what is gone to something else', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('here', 0), { type: 'removeProp', propId: 'rail' });
    expect(() => shows.apply(id, by('here', 1), { type: 'addProp', prop: aLine('rail', 3) })).toThrow(
      /belonged to something that was removed/,
    );
    shows.undo(id, by('here', 1));
    expect(shows.get(id).show).toEqual(show());
  });

  it('of a show from before a time that is known is answered with the wish to open it anew', () => {
    const shows = open();
    const id = kept(shows);
    expect(() => shows.apply(id, by('here', 5), rename('x'))).toThrow(MustReload);
    expect(() => shows.since(id, 'here', 5)).toThrow(MustReload);
  });
});

describe('undo', () => {
  it('and redo go on after a restart', () => {
    const first = open();
    const id = kept(first);
    first.apply(id, by('here', 0), rename('Railing'));
    first.apply(id, by('here', 1), rename('Pier railing'));

    const second = open();
    expect(second.since(id, 'here', 2).steps.undo.map((step) => step.label)).toEqual([
      'Railing: rename to Pier railing',
      'rail: rename to Railing',
    ]);
    second.undo(id, by('here', 2));
    expect(nameOf(second, id)).toBe('Railing');
    second.undo(id, by('here', 3));
    expect(second.get(id).show).toEqual(show());

    const third = open();
    expect(() => third.undo(id, by('here', 4))).toThrow(NothingThere);
    third.redo(id, by('here', 4));
    expect(nameOf(third, id)).toBe('Railing');
    third.redo(id, by('here', 5));
    expect(nameOf(third, id)).toBe('Pier railing');
    expect(() => third.redo(id, by('here', 6))).toThrow(NothingThere);
    expect(third.history(id).map((entry) => entry.kind)).toEqual([
      'edit',
      'edit',
      'undo',
      'undo',
      'redo',
      'redo',
    ]);
  });

  it('cannot bring again what a new edit went past', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('here', 0), rename('One'));
    shows.undo(id, by('here', 1));
    expect(shows.apply(id, by('here', 2), rename('Two')).steps.redo).toEqual([]);
    shows.undo(id, by('here', 3));
    expect(shows.get(id).show).toEqual(show());
  });

  it('takes back one’s own, and never what another window did', () => {
    const shows = open();
    const id = kept(shows);
    const stops = ['here', 'there'].map((window) => shows.listen(id, window, () => {}));
    shows.apply(id, by('here', 0), rename('Mine'));
    shows.apply(id, by('there', 1), rename('Theirs', 'net'));
    expect(shows.since(id, 'new', 2).steps.undo).toEqual([]);
    shows.undo(id, by('here', 2));
    expect(shows.get(id).show.props.map((prop) => prop.name)).toEqual(['rail', 'Theirs']);
    expect(() => shows.undo(id, by('here', 3))).toThrow(NothingThere);
    shows.undo(id, by('there', 3));
    expect(shows.get(id).show).toEqual(show());
    shows.redo(id, by('here', 4));
    expect(shows.get(id).show.props.map((prop) => prop.name)).toEqual(['Mine', 'net']);
    stops.forEach((stop) => stop());
  });

  it('of what no open window owns is for a new window', () => {
    const shows = open();
    const id = kept(shows);
    const stop = shows.listen(id, 'there', () => {});
    shows.apply(id, by('there', 0), rename('Theirs'));
    expect(() => shows.undo(id, by('new', 1))).toThrow(NothingThere);
    stop();
    shows.undo(id, by('new', 1));
    expect(shows.get(id).show).toEqual(show());
  });

  it('is refused where others changed the same since, with both values', () => {
    const shows = open();
    const id = kept(shows);
    shows.apply(id, by('here', 0), rename('Mine'));
    shows.apply(id, by('there', 1), rename('Theirs'));
    expect(() => shows.undo(id, by('here', 2))).toThrow(
      'Theirs was changed since: name is “Theirs”, no longer “Mine”.',
    );
    // Another field of the same record is no obstacle.
    shows.undo(id, by('there', 2));
    shows.apply(id, by('there', 3), { type: 'changeProp', propId: 'rail', change: { frameClearanceMm: 40 } });
    shows.undo(id, by('here', 4));
    expect(shows.get(id).show.props[0]).toMatchObject({ name: 'rail', frameClearanceMm: 40 });
  });

  it('of a named change takes just that one back, once', () => {
    const shows = open();
    const id = kept(shows);
    const one = by(null, 0);
    shows.apply(id, one, rename('One'));
    shows.apply(id, by(null, 1), rename('Two', 'net'));
    shows.undo(id, by(null, 2), one.changeId);
    expect(shows.get(id).show.props.map((prop) => prop.name)).toEqual(['rail', 'Two']);
    expect(() => shows.undo(id, by(null, 3), one.changeId)).toThrow(/it is not done any more/);
    expect(() => shows.undo(id, by(null, 3), 'nobody')).toThrow(/no change “nobody”/);
  });
});

const aFact = (id: string, value: string | null = '12'): Fact => ({
  ...tickOf('a', 'port.1.pixels', value),
  id,
  at: '2026-11-20T18:00:00Z',
});

describe('facts', () => {
  it('are kept outside of undo, once each, and the latest about a thing counts', () => {
    const shows = open();
    const id = kept(shows);
    expect(shows.note(id, [aFact('one'), aFact('two', '13')])).toHaveLength(2);
    expect(shows.note(id, [aFact('two', '13')])).toEqual([]);
    expect(shows.open(id, null).facts).toEqual([aFact('two', '13')]);
    shows.note(id, [aFact('three', null)]);
    expect(open().open(id, null).facts).toEqual([]);
    expect(shows.factsOf(id).map((fact) => fact.id)).toEqual(['one', 'two', 'three']);
    expect(shows.get(id).sequence).toBe(0);
  });
  it('come along with a file', () => {
    const shows = open();
    const id = shows.create({ show: show(), facts: [aFact('one')] });
    expect(shows.factsOf(id)).toEqual([aFact('one')]);
  });
});

describe('photos', () => {
  const behind = (photoId: string) => {
    const prop = aLine('sign', 1);
    const backdrop = { photoId, widthMm: 1000, heightMm: 500, xMm: 0, yMm: 0, opacity: 1 };
    return { ...prop, kind: 'freeform', shape: { xMm: [1], yMm: [1], pieces: [1], source: '', backdrop } };
  };
  it('go with the last show whose history or facts hold them', () => {
    const shows = open();
    const photos = new PhotoRepository(openDatabase(folder()));
    const [one, two] = [photos.keep(aPng(1)), photos.keep(aPng(2))];
    const use = (id: string, photoId: string) =>
      shows.note(id, [{ ...aFact(`of-${id}`), kind: 'photo', value: { photoId } }]);
    const ids = [kept(shows), kept(shows)];
    ids.forEach((id) => use(id, one));
    shows.note(ids[0]!, [{ ...aFact('sign'), kind: 'photo', value: { photoId: two } }]);
    expect(JSON.stringify(behind(two))).toMatch(/"photoId":"[0-9a-f]{32}"/);
    shows.remove(ids[0]!);
    expect([photos.find(one), photos.find(two)].map(Boolean)).toEqual([true, false]);
    shows.remove(ids[1]!);
    expect(photos.find(one)).toBeUndefined();
  });
  it('that were never used go after a day', () => {
    const db = openDatabase(folder());
    let now = new Date('2026-11-20T18:00:00Z');
    const photos = new PhotoRepository(db, () => now);
    const left = photos.keep(aPng(1));
    now = new Date('2026-11-22T18:00:00Z');
    photos.keep(aPng(2));
    expect(photos.find(left)).toBeUndefined();
  });
});
