import { ShowError } from '@/core/show/problem';
import { MOST_BODY_BYTES, Refusal, answer, csvResponse, readChange, readJson } from './http';
import { NoSuchShow, NothingThere } from './shows';

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

describe('readChange', () => {
  it('takes a change with and without an edit', async () => {
    expect(await readChange(post('{"baseSequence": 3}'))).toEqual({ baseSequence: 3 });
    expect(await readChange(post('{"baseSequence": 0, "edit": {"type": "x"}}'))).toMatchObject({
      edit: { type: 'x' },
    });
  });

  it.each(['{}', '{"baseSequence": -1}', '{"baseSequence": 1.5}', '{"baseSequence": "1"}', '[]', 'null'])(
    'refuses %s',
    async (body) => {
      await expect(readChange(post(body))).rejects.toMatchObject({ status: 400 });
    },
  );
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
    expect(log).toHaveBeenCalled();
    log.mockRestore();
  });
});

describe('csvResponse', () => {
  function* rows(count: number) {
    for (let i = 0; i < count; i += 1) yield [`Prop ${i}`, i, ''];
  }

  it.each([0, 1, 999, 1000, 1001, 2500])('writes a head and %d rows', async (count) => {
    const text = await csvResponse('x.csv', ['prop', 'run', 'port'], rows(count)).text();
    const lines = text.trimEnd().split('\r\n');
    expect(lines).toHaveLength(count + 1);
    expect(lines[0]).toBe('prop,run,port');
    if (count > 0) expect(lines.at(-1)).toBe(`Prop ${count - 1},${count - 1},`);
  });

  it('makes rows only as fast as they are taken', async () => {
    let made = 0;
    const counted = (function* () {
      for (;;) {
        made += 1;
        yield ['Prop', made];
      }
    })();
    const reader = csvResponse('x.csv', ['prop', 'run'], counted).body!.getReader();
    await reader.read();
    await reader.read();
    expect(made).toBeLessThan(5000);
    await reader.cancel();
  });

  it('quotes what needs it, and lets no name become a formula', async () => {
    const names = ['Rail, long', 'The "big" net', '=1+1', '-rail', 'two\nlines'];
    const text = await csvResponse('x.csv', ['prop'], names.map((name) => [name])[Symbol.iterator]()).text();
    expect(text).toBe(
      'prop\r\n"Rail, long"\r\n"The ""big"" net"\r\n"\'=1+1"\r\n"\'-rail"\r\n"two\nlines"\r\n',
    );
  });
});
