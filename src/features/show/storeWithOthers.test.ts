import type { Edit } from '@/core/show/edits/registry';
import { pause } from '../../../tests/unit/wire';
import { open } from '../../../tests/unit/storeWindows';

const rename = (name: string, propId = 'rail'): Edit => ({ type: 'changeProp', propId, change: { name } });

describe('when others were first', () => {
  it('asks nothing where they touched something else, and shows both', async () => {
    const { server, store, name, elsewhere, kept } = open();
    elsewhere(rename('Theirs', 'net'), true);
    store.getState().edit(rename('Mine'));
    await server.next();
    expect(store.getState()).toMatchObject({ saving: 'saved', clash: null, sequence: 2 });
    expect([name(0), name(1)]).toEqual(['Mine', 'Theirs']);
    expect(kept()).toEqual(store.getState().show);
  });

  it('takes over what is heard while a change of its own is on its way', async () => {
    const { server, store, said, name, elsewhere } = open();
    store.getState().edit(rename('Mine'));
    elsewhere(rename('Theirs', 'net'));
    expect([name(0), name(1)]).toEqual(['Mine', 'Theirs']);
    await server.next();
    expect(store.getState()).toMatchObject({ saving: 'saved', sequence: 2 });
    expect(said).toEqual(['Changed elsewhere: net: rename to Theirs.']);
  });

  it('fetches what it missed where the news of it got lost', async () => {
    const { store, name, elsewhere, id } = open();
    elsewhere(rename('Theirs'), true);
    await store.getState().heard({ showId: id, is: 'at', sequence: 1, noted: 0 });
    await pause();
    expect(name()).toBe('Theirs');
    expect(store.getState().saving).toBe('saved');
  });

  it.each(['mine', 'theirs'] as const)(
    'asks where they touched the same, and does as told: %s',
    async (choice) => {
      const { server, store, name, elsewhere, kept } = open();
      elsewhere(rename('Theirs'), true);
      store.getState().edit(rename('Mine'));
      store.getState().edit(rename('Behind it', 'net'));
      await server.next();
      expect(store.getState()).toMatchObject({
        saving: 'clash',
        clash: { clash: { name: 'Theirs', field: 'name', mine: '“Mine”', theirs: '“Theirs”' } },
      });
      // Nothing is sent, and nothing lost, before there is an answer.
      store.getState().edit({ type: 'renameShow', name: 'Later' });
      expect(server.held).toHaveLength(0);
      void store.getState().resolve(choice);
      for (let i = 0; i < (choice === 'mine' ? 3 : 2); i += 1) await server.next();
      expect([name(0), name(1)]).toEqual([choice === 'mine' ? 'Mine' : 'Theirs', 'Behind it']);
      expect(kept()).toEqual(store.getState().show);
      expect(store.getState()).toMatchObject({ saving: 'saved', clash: null, waiting: [] });
    },
  );

  it.each(['mine', 'theirs'] as const)(
    'asks before it overwrites what others changed a moment ago, and does as told: %s',
    async (choice) => {
      const { server, store, name, elsewhere, kept } = open();
      elsewhere(rename('Theirs'));
      expect(name()).toBe('Theirs');
      store.getState().edit(rename('Mine'));
      await server.next();
      expect(store.getState()).toMatchObject({
        saving: 'clash',
        clash: { clash: { field: 'name', mine: '“Mine”', theirs: '“Theirs”' } },
      });
      void store.getState().resolve(choice);
      await (choice === 'mine' ? server.next() : pause());
      expect(name()).toBe(choice === 'mine' ? 'Mine' : 'Theirs');
      expect(kept()).toEqual(store.getState().show);
      // It was asked about: the next change of it is one's own.
      store.getState().edit(rename('Once more'));
      await server.next();
      expect(store.getState()).toMatchObject({ saving: 'saved', clash: null });
      expect(kept().props[0]!.name).toBe('Once more');
    },
  );

  it('asks nothing about another field, nor later than some seconds after', async () => {
    const { server, store, name, elsewhere, kept } = open();
    elsewhere(rename('Theirs'));
    store.getState().edit(rename('Net', 'net'));
    await server.next();
    expect(store.getState()).toMatchObject({ saving: 'saved', clash: null });
    const now = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 6000);
    store.getState().edit(rename('Mine'));
    await server.next();
    now.mockRestore();
    expect(store.getState()).toMatchObject({ saving: 'saved', clash: null });
    expect(name()).toBe('Mine');
    expect(kept()).toEqual(store.getState().show);
  });

  it('names what does not fit on top of theirs', async () => {
    const { server, store, said, elsewhere } = open();
    elsewhere({ type: 'removeProp', propId: 'rail' }, true);
    store.getState().edit(rename('Mine'));
    await server.next();
    void store.getState().resolve('mine');
    await pause();
    expect(said.at(-1)).toMatch(/^Not possible any more: .*There is no prop “rail”/);
    expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [] });
  });

  it('takes back only what a rule of the show refuses, and says which', async () => {
    const { server, store, said, name, elsewhere } = open();
    elsewhere(rename('Taken', 'net'), true);
    store.getState().edit(rename('Taken'));
    store.getState().edit({ type: 'renameShow', name: 'Kept' });
    await server.next();
    await server.next();
    expect(said.some((message) => /“Taken” is used twice/.test(message))).toBe(true);
    expect(name()).toBe('rail');
    expect(store.getState().show.name).toBe('Kept');
  });

  it('says that the show was removed, and sends nothing more', async () => {
    const { server, store, shows, id } = open();
    shows.remove(id);
    await pause();
    expect(store.getState().saving).toBe('removed');
    store.getState().edit(rename('Mine'));
    expect(server.held).toHaveLength(0);
  });
});
