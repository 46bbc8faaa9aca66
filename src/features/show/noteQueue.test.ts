import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import type { Fact } from '@/core/show/facts';
import { clashesOf, firstMissed, type Late } from '@/core/show/lateFacts';
import { NotesClashed, Refused } from './client';
import { NoteQueue, type NotesState } from './noteQueue';
import { browserOutbox } from './outbox';

const pause = (ms = 2) => new Promise((resume) => setTimeout(resume, ms));

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});

let made = 0;
const tick = (field: string, value: string | null): Fact => ({
  id: `fact-${(made += 1)}`,
  kind: 'tick',
  list: 'controllers',
  recordId: 'box',
  field,
  value,
  at: '2026-11-27T18:00:00Z',
});

type Fault = 'none' | 'cut' | 'answerLost' | 'refused';

/** The facts of a show, behind a line that fails as it is told to. */
class Laptop {
  readonly facts: Fact[] = [];
  readonly photos: Blob[] = [];
  /** Pages hear how many facts there are over a stream of their own. */
  readonly listeners: ((count: number) => void)[] = [];
  faults: Fault[] = [];
  isCut = false;
  async note(_id: string, facts: readonly Fact[], late: Late | null) {
    await pause(0);
    const fault = this.faults.shift() ?? 'none';
    if (this.isCut || fault === 'cut') throw new TypeError('Failed to fetch');
    if (fault === 'refused') throw new Refused('The access code has to be entered.', 401);
    if (late) {
      const clashes = clashesOf(facts, late, this.facts.slice(firstMissed(late) ?? 0));
      if (clashes.length > 0) throw new NotesClashed('otherwise', clashes);
    }
    const fresh = facts.filter(({ id }) => !this.facts.some((each) => each.id === id));
    this.facts.push(...fresh);
    for (const listener of this.listeners) listener(this.facts.length);
    if (fault === 'answerLost') throw new TypeError('Failed to fetch');
    return { added: fresh.length, noted: this.facts.length };
  }
  async keepPhoto(photo: Blob) {
    await pause(0);
    if (this.isCut || this.faults.shift() === 'cut') throw new TypeError('Failed to fetch');
    this.photos.push(photo);
    return 'a'.repeat(32);
  }
}

/** A page of the show on a phone. */
async function page(laptop: Laptop) {
  const outbox = browserOutbox();
  let state: NotesState | null = null;
  let noted = laptop.facts.length;
  laptop.listeners.push((count) => {
    noted = count;
  });
  const told: string[] = [];
  let isClosed = false;
  /** A page that is closed says nothing more, and hears nothing; what was on its way arrives all the same. */
  const whileOpen = async <Answer>(ask: () => Promise<Answer>): Promise<Answer> => {
    if (isClosed) return new Promise(() => {});
    return ask();
  };
  const queue = new NoteQueue(
    {
      showId: 'quay',
      client: {
        note: (id, facts, late) => whileOpen(() => laptop.note(id, facts, late)),
        keepPhoto: (photo) => whileOpen(() => laptop.keepPhoto(photo)),
      },
      outbox,
      retryAfterMs: 1,
      heardOf: () => noted,
      changed: (next) => {
        state = next;
      },
      taken: (answer) => {
        if (answer.noted - answer.added === noted) noted = answer.noted;
      },
      seen: () => {},
      refused: (message) => told.push(message),
      anew: async () => {},
      removed: () => {},
    },
    await outbox.waiting('quay'),
  );
  queue.hurry();
  return {
    queue,
    told,
    /** As soon as what was noted last is kept, which takes some milliseconds. */
    close: async () => {
      await outbox.waiting('quay');
      isClosed = true;
    },
    state: () => state ?? queue.now,
    /** Until nothing waits, or an answer is wanted. */
    settled: async () => {
      while (queue.now.waiting.length > 0 && queue.now.clashes.length === 0) await pause();
      // A kept note is forgotten a moment later.
      await outbox.waiting('quay');
    },
  };
}

it('sends what was noted once and in order, however the line breaks and pages are closed', async () => {
  const action = fc.oneof(
    {
      weight: 5,
      arbitrary: fc.record({ is: fc.constant('tick' as const), field: fc.constantFrom('a', 'b') }),
    },
    {
      weight: 3,
      arbitrary: fc.record({
        is: fc.constant('faults' as const),
        faults: fc.array(fc.constantFrom<Fault>('none', 'cut', 'answerLost', 'refused'), { maxLength: 4 }),
      }),
    },
    { weight: 1, arbitrary: fc.record({ is: fc.constant('close' as const) }) },
    { weight: 2, arbitrary: fc.record({ is: fc.constant('wait' as const) }) },
    { weight: 1, arbitrary: fc.record({ is: fc.constant('photo' as const) }) },
  );
  await fc.assert(
    fc.asyncProperty(fc.array(action, { maxLength: 16 }), async (actions) => {
      globalThis.indexedDB = new IDBFactory();
      const laptop = new Laptop();
      const all: string[] = [];
      let phone = await page(laptop);
      for (const each of actions) {
        if (each.is === 'tick') {
          const fact = tick(each.field, String(all.length));
          all.push(fact.id);
          phone.queue.add({ kind: 'note', facts: [fact] });
        } else if (each.is === 'photo') {
          const fact: Fact = { ...tick('log.x', null), kind: 'photo', value: { words: 'Lid' } };
          all.push(fact.id);
          phone.queue.add({ kind: 'photo', photo: new Blob(['p'], { type: 'image/png' }), fact });
        } else if (each.is === 'faults') laptop.faults.push(...each.faults);
        else if (each.is === 'wait') await pause(3);
        else {
          // The page is gone; what it sends still arrives or does not.
          await phone.close();
          phone = await page(laptop);
        }
      }
      laptop.faults = [];
      await phone.settled();
      // Another page finds nothing left.
      const last = await page(laptop);
      await last.settled();
      expect(laptop.facts.map(({ id }) => id)).toEqual(all);
      expect(last.state().waiting).toEqual([]);
    }),
    { numRuns: tries(60) },
  );
}, 60_000);

it('asks where others noted otherwise meanwhile, and sends nothing before the answer', async () => {
  const laptop = new Laptop();
  const phone = await page(laptop);
  laptop.isCut = true;
  const [mine, alone] = [tick('a', 'one'), tick('b', 'one')];
  phone.queue.add({ kind: 'note', facts: [mine] });
  phone.queue.add({ kind: 'note', facts: [alone] });
  await pause(5);
  expect(phone.state()).toMatchObject({ isUnreachable: true, clashes: [] });
  const theirs = tick('a', 'two');
  laptop.facts.push(theirs);
  laptop.isCut = false;
  await phone.settled();
  expect(phone.state().clashes).toEqual([{ mine, theirs }]);
  expect(laptop.facts).toEqual([theirs]);
  // A page that is opened meanwhile asks the same.
  const other = await page(laptop);
  await other.settled();
  expect(other.state().clashes).toHaveLength(1);
  phone.queue.resolve(new Set());
  await phone.settled();
  expect(laptop.facts).toEqual([theirs, alone]);
  expect(await browserOutbox().waiting('quay')).toEqual([]);
});

it('puts ours over theirs where that is the answer', async () => {
  const laptop = new Laptop();
  const phone = await page(laptop);
  laptop.isCut = true;
  const mine = tick('a', 'one');
  phone.queue.add({ kind: 'note', facts: [mine] });
  await pause(5);
  const theirs = tick('a', null);
  laptop.facts.push(theirs);
  laptop.isCut = false;
  await phone.settled();
  phone.queue.resolve(new Set([mine.id]));
  await phone.settled();
  expect(laptop.facts).toEqual([theirs, mine]);
});

it('does not ask about what it noted itself, nor where both say the same', async () => {
  const laptop = new Laptop();
  const phone = await page(laptop);
  const first = tick('a', 'one');
  phone.queue.add({ kind: 'note', facts: [first] });
  await phone.settled();
  laptop.isCut = true;
  const [undone, same] = [tick('a', null), tick('b', 'one')];
  phone.queue.add({ kind: 'note', facts: [undone, same] });
  await pause(5);
  const theirs = tick('b', 'one');
  laptop.facts.push(theirs);
  laptop.isCut = false;
  await phone.settled();
  expect(laptop.facts).toEqual([first, theirs, undone, same]);
});

it('leaves out only what is refused, and says so', async () => {
  const laptop = new Laptop();
  const phone = await page(laptop);
  const note = laptop.note.bind(laptop);
  laptop.note = (id, facts, late) =>
    facts.some(({ field }) => field === 'bad')
      ? Promise.reject(new Refused('“bad” is nothing that can be ticked.', 400))
      : note(id, facts, late);
  laptop.isCut = true;
  const [one, bad, two] = [tick('a', '1'), tick('bad', '1'), tick('b', '1')];
  for (const fact of [one, bad, two]) phone.queue.add({ kind: 'note', facts: [fact] });
  laptop.isCut = false;
  await phone.settled();
  expect(laptop.facts).toEqual([one, two]);
  expect(phone.told).toEqual(['“bad” is nothing that can be ticked.']);
});

it('says where nothing outlasts the page', async () => {
  globalThis.indexedDB = {
    open: () => {
      throw new Error('not in a private window');
    },
  } as unknown as IDBFactory;
  const laptop = new Laptop();
  const phone = await page(laptop);
  laptop.isCut = true;
  const fact = tick('a', '1');
  phone.queue.add({ kind: 'note', facts: [fact] });
  await pause(5);
  expect(phone.state().isKept).toBe(false);
  laptop.isCut = false;
  await phone.settled();
  expect(laptop.facts).toEqual([fact]);
});
