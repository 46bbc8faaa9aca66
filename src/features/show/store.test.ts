import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyEdit } from '../../../tests/unit/edits';
import type { Edit } from '@/core/show/edits/registry';
import { tickOf } from '@/core/show/facts';
import { ShowError } from '@/core/fields/problem';
import { pause } from '../../../tests/unit/wire';
import { Refused } from './client';
import { aStart, freshRepository, open, openWindow } from '../../../tests/unit/storeWindows';

const rename = (name: string, propId = 'rail'): Edit => ({ type: 'changeProp', propId, change: { name } });

it('shows an edit at once and saves one after another', async () => {
  const { server, store, name, kept } = open();
  store.getState().edit(rename('One'));
  store.getState().edit(rename('Two'));
  expect(name()).toBe('Two');
  expect(server.held).toHaveLength(1);
  expect(store.getState().saving).toBe('saving');
  const shown = store.getState().show;
  await server.next();
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [], sequence: 2 });
  expect(kept()).toEqual(store.getState().show);
  // The show on screen is still the same object, so that nothing is planned or drawn again.
  expect(store.getState().show).toBe(shown);
  expect(store.getState().confirmed).toBe(shown);
});

it('throws what is not possible, and sends nothing for it or for what is there already', () => {
  const { server, store, name } = open();
  expect(() => store.getState().edit(rename('NET'))).toThrow(/used twice/);
  store.getState().edit(rename('rail'));
  store
    .getState()
    .edit({ type: 'setShape', propId: 'net', shape: structuredClone(aStart().props[1]!.shape) });
  expect(name()).toBe('rail');
  expect(server.held).toHaveLength(0);
});

it('makes a change once, though its answer is lost and it is sent again', async () => {
  const { server, store, said, shows, id, stop } = open();
  // News of it would tell as well that it was made.
  stop();
  store.getState().edit(rename('One'));
  await server.next('loseAnswer');
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', clash: null, sequence: 1 });
  expect(shows.history(id)).toHaveLength(1);
  expect(said).toEqual([]);
});

it('takes the news of its own change for the answer, where that is lost', async () => {
  const { server, store, shows, id } = open();
  store.getState().edit(rename('One'));
  await server.next('loseAnswer');
  await pause();
  expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [], sequence: 1 });
  expect(shows.history(id)).toHaveLength(1);
});

describe('an edit that is held', () => {
  it('is seen at once, and sent when it is decided, with what was done behind it', async () => {
    const { server, store, name, kept } = open();
    const held = store.getState().hold(rename('One'))!;
    store.getState().edit(rename('Grid', 'net'));
    const shown = store.getState().show;
    expect([name(0), name(1)]).toEqual(['One', 'Grid']);
    expect(store.getState().around(held)!.before.props[0]!.name).toBe('rail');
    expect(
      store
        .getState()
        .around(held)!
        .after.props.map((prop) => prop.name),
    ).toEqual(['One', 'net']);
    expect(server.held).toHaveLength(0);
    expect(store.getState().decide(held, rename('One'))).toBe(true);
    await server.next();
    await server.next();
    expect(kept().props.map((prop) => prop.name)).toEqual(['One', 'Grid']);
    expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [] });
    expect(store.getState().show).toEqual(shown);
    expect(store.getState().decide(held, null)).toBe(false);
  });

  it('keeps what is on screen as it is, where it is made as it was shown', () => {
    const { store } = open();
    const edit = rename('One');
    const held = store.getState().hold(edit)!;
    const shown = store.getState().show;
    store.getState().decide(held, edit);
    expect(store.getState().show).toBe(shown);
  });

  it('goes without a trace where it is not made, and leaves what was done behind it', async () => {
    const { server, store, kept } = open();
    const held = store.getState().hold(rename('One'))!;
    store.getState().edit(rename('Grid', 'net'));
    store.getState().decide(held, null);
    await server.next();
    expect(kept().props.map((prop) => prop.name)).toEqual(['rail', 'Grid']);
    expect(store.getState().show).toEqual(kept());
  });

  it('stands on what others did meanwhile', () => {
    const { store, elsewhere } = open();
    const held = store.getState().hold(rename('One'))!;
    elsewhere(rename('Grid', 'net'));
    expect(
      store
        .getState()
        .around(held)!
        .before.props.map((prop) => prop.name),
    ).toEqual(['rail', 'Grid']);
    expect(
      store
        .getState()
        .around(held)!
        .after.props.map((prop) => prop.name),
    ).toEqual(['One', 'Grid']);
  });

  it('is none where nothing changes', () => {
    expect(open().store.getState().hold(rename('rail'))).toBeNull();
  });
});

describe('undo', () => {
  it('takes back what is still on its way, after it has arrived', async () => {
    const { server, store, name } = open();
    store.getState().edit(rename('One'));
    store.getState().undo();
    expect(name()).toBe('One');
    await server.next();
    await server.next();
    expect(name()).toBe('rail');
    expect(store.getState().saving).toBe('saved');
  });

  it('pressed once too often loses nothing that is typed afterwards', async () => {
    const { server, store, said, name, kept } = open();
    store.getState().edit(rename('One'));
    await server.next();
    store.getState().undo();
    store.getState().undo();
    store.getState().edit(rename('Typed after'));
    await server.next();
    await server.next();
    expect(said).toEqual(['Undone: rail: rename to One', 'There is nothing to undo.']);
    expect(name()).toBe('Typed after');
    expect(kept().props[0]!.name).toBe('Typed after');
    expect(store.getState().saving).toBe('saved');
  });

  it('says that there is nothing', async () => {
    const { store, said } = open();
    store.getState().undo();
    store.getState().redo();
    await pause();
    expect(said).toEqual(['There is nothing to undo.', 'There is nothing to do again.']);
  });

  it('that another window went on from is passed over, and the one before it taken back', async () => {
    const { server, store, said, name, elsewhere } = open();
    store.getState().edit(rename('Curtain', 'net'));
    await server.next();
    store.getState().edit(rename('Mine'));
    await server.next();
    elsewhere(rename('Theirs'));
    store.getState().undo();
    await server.next();
    expect(said.at(-1)).toBe('Theirs was changed since: name is “Theirs”, no longer “Mine”.');
    store.getState().undo();
    await server.next();
    expect([name(0), name(1)]).toEqual(['Theirs', 'net']);
  });
});

it('opens the show anew where what it has cannot be read any more, and lays its own on top', async () => {
  const { server, store, name } = open();
  store.getState().edit(rename('Mine'));
  await server.next(new Refused('The show is kept in a newer form by now.', 409));
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [], sequence: 1 });
  expect(name()).toBe('Mine');
});

it('tries again when the server cannot be reached, or cannot write, and says why where it is told', async () => {
  const { server, store, name } = open();
  store.getState().edit(rename('One'));
  await server.next(new TypeError('Failed to fetch'));
  expect(store.getState()).toMatchObject({ saving: 'unreachable', trouble: null });
  await server.next(new Refused('The disk is full.', 503));
  expect(store.getState()).toMatchObject({ saving: 'unreachable', trouble: 'The disk is full.' });
  expect(name()).toBe('One');
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', trouble: null, sequence: 1 });
});

it('notes facts at once, sends them until they are kept, and hears those of others', async () => {
  const { server, store, shows, id } = open();
  const typed = (value: string) => store.getState().facts.isTyped('a', 'port.1.pixels', value);
  store.getState().note([tickOf('a', 'port.1.pixels', '10')]);
  expect(typed('10')).toBe(true);
  await server.next('loseAnswer');
  await server.next();
  expect(shows.factsOf(id)).toHaveLength(1);
  expect(store.getState()).toMatchObject({ saving: 'saved', sequence: 0 });
  shows.note(id, [{ ...tickOf('a', 'port.1.pixels', '12'), id: 'phone', at: '2026-11-20T18:00:00Z' }]);
  expect([typed('10'), typed('12')]).toEqual([false, true]);
});

it('fetches the facts that it missed, and keeps those of its own that are on their way', async () => {
  const { server, store, shows, id, stop } = open();
  const typed = (port: number, value: string) =>
    store.getState().facts.isTyped('a', `port.${port}.pixels`, value);
  const at = '2026-11-20T18:00:00Z';
  stop();
  shows.note(id, [{ ...tickOf('a', 'port.1.pixels', '12'), id: 'missed', at }]);
  store.getState().note([tickOf('a', 'port.2.pixels', '7')]);
  await store.getState().heard({ showId: id, is: 'at', ...shows.standing(id)! });
  expect([typed(1, '12'), typed(2, '7')]).toEqual([true, true]);
  // The news of a later one tells as well that some are missing.
  shows.note(id, [{ ...tickOf('a', 'port.3.pixels', '3'), id: 'missed-too', at }]);
  const later = shows.note(id, [{ ...tickOf('a', 'port.4.pixels', '4'), id: 'heard', at }]);
  await store.getState().heard({ showId: id, is: 'noted', facts: later, noted: shows.standing(id)!.noted });
  expect([typed(3, '3'), typed(4, '4'), typed(2, '7')]).toEqual([true, true, true]);
  await server.next();
  expect(store.getState().saving).toBe('saved');
});

it('does not show as noted what the server refused', async () => {
  const { server, store, said } = open();
  store.getState().note([tickOf('a', 'port.1.pixels', '10')]);
  await server.next(new Refused('That is no fact.', 400));
  expect(store.getState().facts.all).toEqual([]);
  expect(said).toEqual(['That is no fact.']);
});

it('ends where the server is, with two windows that do whatever they like', async () => {
  const step = fc.record({
    window: fc.nat(1),
    edit: anyEdit,
    what: fc.constantFrom('edit', 'edit', 'edit', 'undo', 'redo', 'wait'),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 20 }), async (steps) => {
      const shows = freshRepository();
      const id = shows.create({ show: aStart(), facts: [] });
      const windows = ['one', 'two'].map((window) => openWindow(shows, id, window, false));
      const settle = async () => {
        for (let i = 0; i < 200; i += 1) {
          await Promise.resolve();
          for (const { store } of windows) if (store.getState().clash) await store.getState().resolve('mine');
        }
        await pause();
      };
      for (const { window, edit, what } of steps) {
        const state = windows[window]!.store.getState();
        try {
          if (what === 'edit') state.edit(edit(state.show));
          else if (what === 'wait') await settle();
          else state[what]();
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
        }
      }
      await settle();
      for (const { store, stop } of windows) {
        expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [], clash: null });
        expect(store.getState().show).toEqual(shows.get(id).show);
        stop();
      }
    }),
    { numRuns: tries(40) },
  );
});
