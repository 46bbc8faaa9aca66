import { aController, aGrid, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { applyEdit, labelOf, type Edit } from '@/core/show/edits/registry';
import type { Confirmation, Revision } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { Overtaken, Refused, type Change, type ShowClient } from './client';
import { createShowStore, keepPlanned } from './store';

const rename = (name: string): Edit => ({ type: 'changeProp', propId: 'rail', change: { name } });
const start = (): Revision => ({
  id: 'quay',
  sequence: 0,
  show: aShow({ props: [aLine('rail', 10), aGrid('net', 2, 2)], controllers: [aController()] }),
  undoLabel: null,
  redoLabel: null,
});

const withoutShow = ({ show: _, ...confirmation }: Revision): Confirmation => confirmation;

/** A server of one show: it answers when the test lets it, in the order of the calls. */
class SlowServer implements ShowClient {
  revision = start();
  readonly held: { resume: () => void; fail: (error: Error) => void }[] = [];
  private readonly before: Show[] = [];

  change(_id: string, baseSequence: number, change: Change): Promise<Confirmation | Revision> {
    return new Promise((resolve, reject) => {
      this.held.push({
        fail: reject,
        resume: () => {
          if (baseSequence !== this.revision.sequence)
            return reject(
              new Overtaken(this.revision, [{ sequence: 1, kind: 'edit', label: 'theirs', madeAt: '' }]),
            );
          resolve(change.kind === 'edit' ? withoutShow(this.apply(change.edit)) : this.undo());
        },
      });
    });
  }
  get = () => Promise.resolve(this.revision);

  apply(edit: Edit): Revision {
    this.before.push(this.revision.show);
    return (this.revision = {
      ...this.revision,
      sequence: this.revision.sequence + 1,
      show: applyEdit(this.revision.show, edit),
      undoLabel: labelOf(this.revision.show, edit),
    });
  }
  private undo(): Revision {
    return (this.revision = {
      ...this.revision,
      sequence: this.revision.sequence + 1,
      show: this.before.pop()!,
      undoLabel: null,
    });
  }
  /** Lets the next call be answered, and what follows from it happen. */
  async next(error?: Error): Promise<void> {
    // A try again comes after a pause, however long the machine makes it.
    while (this.held.length === 0) await new Promise((resume) => setTimeout(resume, 1));
    const call = this.held.shift()!;
    if (error) call.fail(error);
    else call.resume();
    await new Promise((resume) => setTimeout(resume, 5));
  }
}

function open() {
  const server = new SlowServer();
  const said: string[] = [];
  const store = createShowStore(start(), {
    client: server,
    notify: (message) => said.push(message),
    retryAfterMs: 1,
  });
  return { server, said, store, name: () => store.getState().show.props[0]!.name };
}

it('shows an edit at once and saves one after another', async () => {
  const { server, store, name } = open();
  store.getState().edit(rename('One'));
  store.getState().edit(rename('Two'));
  expect(name()).toBe('Two');
  expect(server.held).toHaveLength(1);
  expect(store.getState().saving).toBe('saving');
  await server.next();
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [], revision: { sequence: 2 } });
  expect(name()).toBe('Two');
});

it('knows the show that a short answer confirms, also behind an undo', async () => {
  const { server, store } = open();
  const confirmed = () => store.getState().revision.show;
  store.getState().edit(rename('One'));
  store.getState().edit({ type: 'changeProp', propId: 'net', change: { name: 'Two' } });
  await server.next();
  expect(confirmed()).toEqual(server.revision.show);
  store.getState().undo();
  store.getState().edit(rename('Three'));
  for (let i = 0; i < 3; i += 1) {
    await server.next();
    expect(confirmed()).toEqual(server.revision.show);
  }
  expect(store.getState().show).toEqual(server.revision.show);
  expect(confirmed().props.map((prop) => prop.name)).toEqual(['Three', 'net']);
});

it('throws what is not possible, and sends nothing', () => {
  const { server, store, name } = open();
  expect(() => store.getState().edit(rename('NET'))).toThrow(/used twice/);
  expect(name()).toBe('rail');
  expect(server.held).toHaveLength(0);
});

it('sends nothing for an edit that changes nothing', () => {
  const { server, store } = open();
  store.getState().edit(rename('rail'));
  expect(server.held).toHaveLength(0);
});

it('undoes what is still on its way, after it has arrived', async () => {
  const { server, store, name } = open();
  store.getState().edit(rename('One'));
  store.getState().undo();
  expect(name()).toBe('One');
  await server.next();
  await server.next();
  expect(name()).toBe('rail');
  expect(store.getState().saving).toBe('saved');
});

it('tells that there is nothing to undo', () => {
  const { store, said } = open();
  store.getState().undo();
  store.getState().redo();
  expect(said).toEqual(['There is nothing to undo.', 'There is nothing to do again.']);
});

describe('when others were first', () => {
  it.each(['mine', 'theirs'] as const)('asks, and does as told: %s', async (choice) => {
    const { server, store, name } = open();
    server.apply({ type: 'changeProp', propId: 'net', change: { name: 'Theirs' } });
    store.getState().edit(rename('Mine'));
    await server.next();
    expect(store.getState()).toMatchObject({
      saving: 'overtaken',
      conflict: { mine: ['rail: rename to Mine'] },
    });
    // Nothing is sent, and nothing lost, before there is an answer.
    store.getState().edit(rename('Mine too'));
    expect(server.held).toHaveLength(0);
    store.getState().resolve(choice);
    if (choice === 'mine') {
      await server.next();
      await server.next();
    }
    expect(name()).toBe(choice === 'mine' ? 'Mine too' : 'rail');
    expect(store.getState().show.props[1]!.name).toBe('Theirs');
    expect(store.getState()).toMatchObject({ saving: 'saved', conflict: null, waiting: [] });
  });

  it('names what does not fit on top of theirs', async () => {
    const { server, store, said } = open();
    server.apply({ type: 'removeProp', propId: 'rail' });
    store.getState().edit(rename('Mine'));
    await server.next();
    store.getState().resolve('mine');
    expect(said[0]).toMatch(/^Not possible any more: .*There is no prop “rail”/);
    expect(store.getState()).toMatchObject({ saving: 'saved', waiting: [] });
  });

  it('takes their change over where it has none of its own', async () => {
    const { server, store, said, name } = open();
    server.apply(rename('Theirs'));
    await store.getState().heard(1);
    expect(name()).toBe('Theirs');
    expect(said).toEqual(['Changed in another window: rail: rename to Theirs.']);
    await store.getState().heard(null);
    expect(store.getState().saving).toBe('removed');
  });
});

it('tries again when the server cannot be reached', async () => {
  const { server, store, name } = open();
  store.getState().edit(rename('One'));
  await server.next(new TypeError('Failed to fetch'));
  expect(store.getState().saving).toBe('unreachable');
  expect(name()).toBe('One');
  await server.next();
  expect(store.getState()).toMatchObject({ saving: 'saved', revision: { sequence: 1 } });
});

it('takes back what the server refuses, and says why', async () => {
  const { server, store, said, name } = open();
  store.getState().edit(rename('One'));
  await server.next(new Refused('It is too late for that.', 422));
  expect(name()).toBe('rail');
  expect(said).toEqual(['It is too late for that.']);
});

it('plans the latest show, and leaves out those that were overtaken', async () => {
  const { store } = open();
  const asked: Show[] = [];
  const answers: (() => void)[] = [];
  const stop = keepPlanned(store, {
    plan: (show) => {
      asked.push(show);
      return new Promise((resolve) => answers.push(() => resolve({ plan: planShow(show), findings: [] })));
    },
    stop: () => {},
  });
  store.getState().edit(rename('One'));
  store.getState().edit(rename('Two'));
  for (let i = 0; i < 2; i += 1) {
    answers[i]!();
    await new Promise((resume) => setTimeout(resume, 1));
  }
  expect(asked.map((show) => show.props[0]!.name)).toEqual(['rail', 'Two']);
  expect(store.getState().plan!.show.props[0]!.name).toBe('Two');
  stop();
  store.getState().edit(rename('Three'));
  expect(asked).toHaveLength(2);
});
