import { ShowError } from '@/core/fields/problem';
import { csvChunks } from './csv';
import { CannotKeep } from './database';
import { MOST_BODY_BYTES, Refusal, answer, readChange, readFacts, readJson, readReversal } from './http';
import { MustReload, NoSuchChange, NoSuchShow, NothingThere } from './showErrors';

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);

/** A body that never ends, piece by piece; `sent` tells how much of it was read. */
function endless(piece: number) {
  const state = { sent: 0, cancelled: false };
  const stream = new ReadableStream<Uint8Array>({
    pull(controller) {
      state.sent += piece;
      controller.enqueue(new Uint8Array(piece).fill(120));
    },
    cancel() {
      state.cancelled = true;
    },
  });
  return { state, stream };
}

describe('readJson', () => {
  it('reads a body that comes in pieces, cut in the middle of a letter', async () => {
    const bytes = new TextEncoder().encode(JSON.stringify({ name: 'Quay – nächtens' }));
    let at = 0;
    const stream = new ReadableStream<Uint8Array>({
      pull(controller) {
        if (at >= bytes.length) return controller.close();
        controller.enqueue(bytes.subarray(at, (at += 3)));
      },
    });
    expect(await readJson(post(stream))).toEqual({ name: 'Quay – nächtens' });
  });

  it('refuses what is not JSON, and an empty body', async () => {
    await expect(readJson(post('{"a":'))).rejects.toMatchObject({ status: 400 });
    await expect(readJson(post(''))).rejects.toMatchObject({ status: 400 });
  });

  it('refuses in a sentence what is nested too deep', async () => {
    await expect(readJson(post('['.repeat(100_000)))).rejects.toMatchObject({
      status: 400,
      message: expect.stringMatching(/nested more than 60 deep/),
    });
  });
  it('refuses a long body by what it says of its length, before reading it', async () => {
    const { state, stream } = endless(1024);
    const request = post(stream, { 'content-length': String(60 * 1024 * 1024) });
    await expect(readJson(request)).rejects.toMatchObject({
      status: 413,
      message: expect.stringContaining('16 MB'),
    });
    expect(state.sent).toBeLessThan(10 * 1024);
  });

  it('stops reading a body that says nothing of its length', async () => {
    const { state, stream } = endless(1024 * 1024);
    await expect(readJson(post(stream))).rejects.toMatchObject({ status: 413 });
    expect(state.sent).toBeLessThan(MOST_BODY_BYTES + 4 * 1024 * 1024);
    expect(state.cancelled).toBe(true);
  });
});

describe('the body of a change', () => {
  const change = { changeId: 'c-1', baseSequence: 3 };
  it('is read with its author', async () => {
    const body = JSON.stringify({ ...change, window: 'w', edit: { type: 'x' } });
    expect(await readChange(post(body))).toEqual({
      author: { changeId: 'c-1', window: 'w', base: 3 },
      edit: { type: 'x' },
    });
    expect(await readReversal(post(JSON.stringify({ ...change, takesBack: 'c-0' })))).toEqual({
      author: { changeId: 'c-1', window: null, base: 3 },
      takesBack: 'c-0',
    });
  });
  it.each(['{}', '{"baseSequence": -1}', '{"changeId": "A B", "baseSequence": 1}', '[]', 'null'])(
    'is refused where it is %s',
    async (body) => {
      await expect(readChange(post(body))).rejects.toMatchObject({ status: 400 });
    },
  );
  it('of an undo names what it takes back, where no window is named', async () => {
    await expect(readReversal(post(JSON.stringify(change)))).rejects.toMatchObject({
      status: 400,
      message: expect.stringContaining('the id of the change that is meant'),
    });
  });
  it('of facts holds some', async () => {
    await expect(readFacts(post('{"facts": []}'))).rejects.toMatchObject({ status: 400 });
  });
});

describe('answer', () => {
  const statusOf = async (error: unknown) => {
    const response = await answer(() => {
      throw error;
    });
    return [response.status, await response.json()] as const;
  };

  it('gives every error its status and its sentence', async () => {
    expect(await statusOf(new Refusal(413, 'Too long.'))).toEqual([
      413,
      { error: 'Too long.', problems: [] },
    ]);
    expect(await statusOf(new ShowError([{ path: 'props[0]', message: 'No.' }]))).toEqual([
      422,
      { error: 'No.', problems: [{ path: 'props[0]', message: 'No.' }] },
    ]);
    expect((await statusOf(new NoSuchShow('x')))[0]).toBe(404);
    expect((await statusOf(new NoSuchChange('There is no change 9.')))[0]).toBe(422);
    expect((await statusOf(new MustReload()))[0]).toBe(409);
    expect(await statusOf(new CannotKeep('The disk is full.'))).toEqual([
      503,
      { error: 'The disk is full.', problems: [] },
    ]);
    expect((await statusOf(new NothingThere('undo')))[1]).toMatchObject({
      error: 'There is nothing to undo.',
    });
  });

  it('says that it was the server where it was', async () => {
    const log = jest.spyOn(console, 'error').mockImplementation(() => {});
    expect(await statusOf(new Error('disk full'))).toEqual([
      500,
      { error: 'The server could not do this: disk full', problems: [] },
    ]);
    // An error of our own is ours, whatever class it has.
    expect((await statusOf(new RangeError('Maximum call stack size exceeded')))[0]).toBe(500);
    expect(log).toHaveBeenCalledTimes(2);
    log.mockRestore();
  });
});

describe('csvChunks', () => {
  function* rows(count: number) {
    for (let i = 0; i < count; i += 1) yield [`Prop ${i}`, i, ''];
  }
  const textOf = (columns: string[], list: Iterator<(string | number)[]>) =>
    Buffer.concat([...csvChunks(columns, list)]).toString();

  it.each([0, 1, 999, 1000, 1001, 2500])('writes a head and %d rows', (count) => {
    const lines = textOf(['prop', 'run', 'port'], rows(count)).trimEnd().split('\r\n');
    expect(lines).toHaveLength(count + 1);
    expect(lines[0]).toBe('prop,run,port');
    if (count > 0) expect(lines.at(-1)).toBe(`Prop ${count - 1},${count - 1},`);
  });
  it('makes rows only as fast as they are taken', () => {
    let made = 0;
    const counted = (function* () {
      for (;;) {
        made += 1;
        yield ['Prop', made];
      }
    })();
    const chunks = csvChunks(['prop', 'run'], counted);
    chunks.next();
    chunks.next();
    expect(made).toBeLessThan(5000);
  });
  it('quotes what needs it, and lets no name become a formula', () => {
    const names = ['Rail, long', 'The "big" net', '=1+1', '-rail', 'two\nlines'];
    expect(textOf(['prop'], names.map((name) => [name])[Symbol.iterator]())).toBe(
      'prop\r\n"Rail, long"\r\n"The ""big"" net"\r\n"\'=1+1"\r\n"\'-rail"\r\n"two\nlines"\r\n',
    );
  });
});
