import { DEMO, demoShow, expect, test } from './lantern';

const edit = { type: 'changeProp', propId: 'net-curtain', change: { name: 'Curtain' } };

test('keeps, reads, changes and removes a show', async ({ request }) => {
  const id = await demoShow(request);
  const made = await request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 0, edit } });
  expect(await made.json()).toMatchObject({ id, sequence: 1, undoLabel: 'Net curtain: rename to Curtain' });
  expect(
    await (await request.post(`/api/shows/${id}/undo`, { data: { baseSequence: 1 } })).json(),
  ).toMatchObject({
    sequence: 2,
    undoLabel: null,
    redoLabel: 'Net curtain: rename to Curtain',
  });
  await request.post(`/api/shows/${id}/redo`, { data: { baseSequence: 2 } });
  expect((await (await request.get(`/api/shows/${id}/show.json`)).json()).props[2].name).toBe('Curtain');
  expect((await (await request.get(`/api/shows/${id}/show.json?at=0`)).json()).props[2].name).toBe(
    'Net curtain',
  );
  expect((await request.get(`/api/shows/${id}/show.json?at=77`)).status()).toBe(404);
  expect((await request.delete(`/api/shows/${id}`)).status()).toBe(204);
  expect((await request.get(`/api/shows/${id}`)).status()).toBe(404);
});

test('confirms an edit without the show where that is asked for', async ({ request }) => {
  const id = await demoShow(request);
  const brief = await request.post(`/api/shows/${id}/edits`, {
    data: { baseSequence: 0, edit, brief: true },
  });
  expect(await brief.json()).toEqual({
    id,
    sequence: 1,
    undoLabel: 'Net curtain: rename to Curtain',
    redoLabel: null,
  });
});

test('answers 409 with the current show to a stale sequence number', async ({ request }) => {
  const id = await demoShow(request);
  await request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 0, edit } });
  const stale = await request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 0, edit } });
  expect(stale.status()).toBe(409);
  expect(await stale.json()).toMatchObject({
    current: {
      sequence: 1,
      show: { props: expect.arrayContaining([expect.objectContaining({ name: 'Curtain' })]) },
    },
    missed: [{ sequence: 1, label: 'Net curtain: rename to Curtain' }],
  });
});

test('refuses in sentences', async ({ request }) => {
  const id = await demoShow(request);
  const refused = async (response: Promise<import('@playwright/test').APIResponse>) => {
    const answer = await response;
    return [answer.status(), ((await answer.json()) as { error: string }).error] as const;
  };
  expect(await refused(request.post('/api/shows', { data: { ...DEMO, version: 3 } }))).toEqual([
    422,
    'This show file has version 3; this program reads version 1.',
  ]);
  expect(
    await refused(
      request.post('/api/shows', {
        data: Buffer.from('no'),
        headers: { 'content-type': 'application/json' },
      }),
    ),
  ).toEqual([400, expect.stringContaining('is not JSON')]);
  expect(
    await refused(request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 'x', edit } })),
  ).toEqual([400, expect.stringContaining('baseSequence')]);
  expect(
    await refused(
      request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 0, edit: { type: 'explode' } } }),
    ),
  ).toEqual([422, expect.stringContaining('"explode"; allowed')]);
  expect(await refused(request.get('/api/shows/nowhere/spans.csv'))).toEqual([
    404,
    'There is no show “nowhere”.',
  ]);
  expect(await refused(request.get(`/api/shows/${id}/lookup`))).toEqual([
    400,
    expect.stringContaining('Say what to look up'),
  ]);
  expect(await refused(request.post('/api/plan', { data: Buffer.alloc(60 * 1024 * 1024, 'x') }))).toEqual([
    413,
    expect.stringContaining('larger than 16 MB'),
  ]);
});

test('looks up both ways', async ({ request }) => {
  const id = await demoShow(request);
  const look = async (q: string) => (await request.get(`/api/shows/${id}/lookup`, { params: { q } })).json();
  const [hit] = (await look('net curtain 2.17')).hits;
  expect(hit).toMatchObject({ kind: 'pixel', propId: 'net-curtain', run: 2, pixelInRun: 17 });
  const { wire } = hit;
  for (const q of [
    `${wire.portName} ${wire.place}`,
    `U${wire.e131.universe} ${wire.e131.channel}`,
    `ch ${wire.showChannel}`,
    `art ${wire.artNet.words} ${wire.artNet.channel}`,
    `ddp B ${wire.ddpOffset}`,
    `led B ${wire.ledIndex}`,
  ])
    expect((await look(q)).hits[0]).toEqual(hit);
  expect(await look('A1 9999')).toMatchObject({ hits: [], message: expect.stringContaining('outside') });
});

test('plans a show file without keeping it', async ({ request }) => {
  const before = await (await request.get('/api/shows')).json();
  const plan = await (await request.post('/api/plan', { data: DEMO })).json();
  const pixels = plan.props.reduce((sum: number, prop: { pixels: number }) => sum + prop.pixels, 0);
  expect(plan.totals.pixels).toBe(pixels);
  expect(plan.spans.length).toBeGreaterThan(8);
  expect(await (await request.get('/api/shows')).json()).toEqual(before);
});

test('streams a channel map of 250,000 pixels', async ({ request }) => {
  const net = DEMO.props.find((prop) => prop.kind === 'grid')!;
  const big = { ...net, id: 'big', name: '=Big', shape: { ...net.shape, columns: 500, rows: 500 } };
  const id = await demoShow(request, { props: [...DEMO.props, big] as typeof DEMO.props });
  const text = await (await request.get(`/api/shows/${id}/channel-map.csv`)).text();
  const lines = text.trimEnd().split('\r\n');
  const plan = await (await request.get(`/api/shows/${id}/plan`)).json();
  expect(lines).toHaveLength(1 + plan.totals.pixels);
  // A spreadsheet must not take a name for a formula.
  expect(lines.at(-1)).toMatch(/^"'=Big",2,125000,,,,,,/);
  const spans = (await (await request.get(`/api/shows/${id}/spans.csv`)).text()).trimEnd().split('\r\n');
  expect(spans).toHaveLength(1 + plan.spans.length);
});

test('tells of changes as they happen', async ({ request, baseURL }) => {
  const id = await demoShow(request);
  const stop = new AbortController();
  const response = await fetch(`${baseURL}/api/shows/${id}/events`, { signal: stop.signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  expect((await reader.read()).value).toBe('data: {"sequence":0}\n\n');
  await request.post(`/api/shows/${id}/edits`, { data: { baseSequence: 0, edit } });
  expect((await reader.read()).value).toBe('data: {"sequence":1}\n\n');
  await request.delete(`/api/shows/${id}`);
  expect((await reader.read()).value).toContain('event: removed');
  stop.abort();
});
