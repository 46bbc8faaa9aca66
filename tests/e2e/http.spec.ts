import { SHOW_VERSION } from '@/core/show/schema';
import { DEMO, author, demoShow, expect, keptShow, test, otherShows } from './lantern';

const edit = { type: 'changeProp', propId: 'net-curtain', change: { name: 'Curtain' } };

test('keeps, reads, changes and removes a show', async ({ request }) => {
  const id = await demoShow(request);
  const first = author(0);
  const made = await request.post(`/api/shows/${id}/edits`, { data: { ...first, edit } });
  const label = 'Net curtain: rename to Curtain';
  expect(await made.json()).toEqual({
    sequence: 1,
    steps: { undo: [{ id: first.changeId, label }], redo: [] },
    changes: [
      {
        sequence: 1,
        id: first.changeId,
        kind: 'edit',
        label,
        window: null,
        change: [
          { list: 'props', id: 'net-curtain', fields: { name: { from: 'Net curtain', to: 'Curtain' } } },
        ],
      },
    ],
  });
  const undo = author(1);
  const undone = await request.post(`/api/shows/${id}/undo`, {
    data: { ...undo, takesBack: first.changeId },
  });
  expect(await undone.json()).toMatchObject({ sequence: 2, steps: { undo: [], redo: [{ label }] } });
  // Sent again after a lost answer, it is no second undo.
  const again = await request.post(`/api/shows/${id}/undo`, { data: { ...undo, takesBack: first.changeId } });
  expect(await again.json()).toEqual(await undone.json());
  await request.post(`/api/shows/${id}/redo`, { data: { ...author(2), takesBack: undo.changeId } });
  expect((await keptShow(request, id)).props[2]!.name).toBe('Curtain');
  expect((await (await request.get(`/api/shows/${id}/show.json?at=0`)).json()).props[2].name).toBe(
    'Net curtain',
  );
  expect((await request.get(`/api/shows/${id}/show.json?at=77`)).status()).toBe(422);
  expect((await request.get(`/api/shows/${id}/show.json?at=`)).status()).toBe(400);
  const opened = await (await request.get(`/api/shows/${id}`)).json();
  expect(opened).toMatchObject({ id, sequence: 3, copyOf: 0, show: { name: 'A copy of the night' } });
  expect(opened.changes).toHaveLength(3);
  const since = await (await request.get(`/api/shows/${id}/changes?after=2`)).json();
  expect(since.changes.map((each: { kind: string }) => each.kind)).toEqual(['redo']);
  expect((await request.delete(`/api/shows/${id}`)).status()).toBe(204);
  expect((await request.get(`/api/shows/${id}`)).status()).toBe(404);
  // Its id never means another one.
  expect(await demoShow(request)).not.toBe(id);
});

test('keeps facts, once each, and gives them along with the file', { tag: '@full' }, async ({ request }) => {
  const id = await demoShow(request);
  const fact = {
    id: 'from-a-phone',
    kind: 'tick',
    list: 'controllers',
    recordId: 'pier-box',
    field: 'port.1.pixels',
    value: '111',
    by: 'Mara',
    at: '2026-11-20T18:00:00Z',
  };
  const note = () => request.post(`/api/shows/${id}/facts`, { data: { facts: [fact] } });
  expect(await (await note()).json()).toEqual({ added: 1, noted: 1 });
  expect(await (await note()).json()).toEqual({ added: 0, noted: 1 });
  expect(await (await request.get(`/api/shows/${id}/facts`)).json()).toEqual({ facts: [fact] });
  // A note made without a connection is not put over one that came meanwhile.
  const late = { ...fact, id: 'late', value: '110' };
  const noteLate = (heardOf: number[]) =>
    request.post(`/api/shows/${id}/facts`, { data: { facts: [late], late: { heardOf, own: [] } } });
  const clash = await noteLate([0]);
  expect(clash.status()).toBe(409);
  expect(await clash.json()).toMatchObject({ notes: [{ mine: late, theirs: fact }] });
  expect((await noteLate([0, 0])).status()).toBe(400);
  expect(await (await request.get(`/api/shows/${id}/facts`)).json()).toEqual({ facts: [fact] });
  const file = await keptShow(request, id);
  expect(file).toMatchObject({ facts: [fact] });
  const copy = (await (await request.post('/api/shows', { data: file })).json()) as { id: string };
  expect(await (await request.get(`/api/shows/${copy.id}/facts`)).json()).toEqual({ facts: [fact] });
});

test('lays an edit of an older show on the current one, and answers 409 where both touch the same', async ({
  request,
}) => {
  const id = await demoShow(request);
  await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit } });
  const other = { type: 'changeProp', propId: 'pier-railing', change: { name: 'Rail' } };
  const laid = await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit: other } });
  expect((await laid.json()).changes).toHaveLength(2);
  const mine = { ...edit, change: { name: 'Mine' } };
  const clash = await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit: mine } });
  expect(clash.status()).toBe(409);
  expect(await clash.json()).toEqual({
    error: 'Curtain was changed elsewhere in the meantime (Net curtain: rename to Curtain).',
    problems: [],
    clash: {
      list: 'props',
      id: 'net-curtain',
      name: 'Curtain',
      field: 'name',
      mine: '“Mine”',
      theirs: '“Curtain”',
      change: 'Net curtain: rename to Curtain',
    },
  });
});

test('refuses in sentences', async ({ request }) => {
  const id = await demoShow(request);
  const refused = async (response: Promise<import('@playwright/test').APIResponse>) => {
    const answer = await response;
    return [answer.status(), ((await answer.json()) as { error: string }).error] as const;
  };
  expect(await refused(request.post('/api/shows', { data: { ...DEMO, version: 9 } }))).toEqual([
    422,
    `This show file has version 9; this program reads versions 1 to ${SHOW_VERSION}.`,
  ]);
  expect(
    await refused(
      request.post('/api/shows', {
        data: Buffer.from('no'),
        headers: { 'content-type': 'application/json' },
      }),
    ),
  ).toEqual([422, expect.stringContaining('is not JSON')]);
  expect(
    await refused(
      request.post(`/api/shows/${id}/edits`, {
        data: Buffer.from('['.repeat(50_000)),
        headers: { 'content-type': 'application/json' },
      }),
    ),
  ).toEqual([400, expect.stringContaining('nested more than 60 deep')]);
  expect(
    await refused(
      request.post(`/api/shows/${id}/edits`, { data: { ...author(0), baseSequence: 'x', edit } }),
    ),
  ).toEqual([400, expect.stringContaining('baseSequence')]);
  expect(
    await refused(
      request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit: { type: 'explode' } } }),
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
  expect(
    await refused(
      request.post(`/api/shows/${id}/edits`, {
        data: Buffer.alloc(20 * 1024 * 1024, 'x'),
        headers: { 'content-type': 'application/json' },
      }),
    ),
  ).toEqual([413, expect.stringContaining('larger than 16 MB')]);
});

test('looks up both ways', { tag: '@full' }, async ({ request }) => {
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

test('plans a show file without keeping it', { tag: '@full' }, async ({ request }) => {
  const before = await otherShows(request, '');
  const plan = await (await request.post('/api/plan', { data: DEMO })).json();
  const pixels = plan.props.reduce((sum: number, prop: { pixels: number }) => sum + prop.pixels, 0);
  expect(plan.totals.pixels).toBe(pixels);
  expect(plan.spans.length).toBeGreaterThan(8);
  expect(await otherShows(request, '')).toEqual(before);
});

test('streams a channel map of 250,000 pixels', { tag: '@full' }, async ({ request }) => {
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

test('gives every sheet as a file, as it is on the screen', { tag: '@full' }, async ({ request }) => {
  const id = await demoShow(request);
  const { sheets } = (await (await request.get(`/api/shows/${id}/sheets`)).json()) as {
    sheets: { id: string; name: string }[];
  };
  expect(sheets.length).toBeGreaterThan(20);
  const { columns, rows } = await (await request.get(`/api/shows/${id}/sheets/ports.pier-box.json`)).json();
  expect(columns[0]).toMatchObject({ id: 'port', head: 'Port' });
  expect(rows[0]).toMatchObject({ port: 'A1', universe: 1, channel: 1 });
  const response = await request.get(`/api/shows/${id}/sheets/sender.csv`);
  expect(response.headers()['content-type']).toContain('text/csv');
  expect((await response.text()).split('\r\n')[0]).toContain('Universe (to type)');
  for (const each of sheets) {
    const one = await request.get(`/api/shows/${id}/sheets/${each.id}.csv`);
    expect([each.id, one.status()]).toEqual([each.id, 200]);
  }
  // Lengths are written as the show has them.
  await request.post(`/api/shows/${id}/edits`, {
    data: { ...author(0), edit: { type: 'setLengths', lengths: 'imperial' } },
  });
  expect(await (await request.get(`/api/shows/${id}/sheets/leads.csv`)).text()).toMatch(/\d ft/);
  const missing = await request.get(`/api/shows/${id}/sheets/nothing.csv`);
  expect([missing.status(), (await missing.json()).error]).toEqual([
    404,
    expect.stringContaining('no sheet “nothing”'),
  ]);
  expect((await request.get(`/api/shows/${id}/sheets/sender.xml`)).status()).toBe(404);
});

test(
  'tells of changes and facts of several shows over one stream',
  { tag: '@full' },
  async ({ request, baseURL }) => {
    const [id, other] = [await demoShow(request), await demoShow(request)];
    const stop = new AbortController();
    const response = await fetch(`${baseURL}/api/events?watch=${id}:here&watch=${other}`, {
      signal: stop.signal,
    });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    const told = new Set<string>();
    const next = async (): Promise<unknown> => {
      while (!text.includes('\n\n')) text += (await reader.read()).value;
      const [line] = text.split('\n\n', 1) as [string];
      text = text.slice(line.length + 2);
      // The state is sent again every few seconds.
      if (!line.startsWith('data: ') || told.has(line)) return next();
      if (line.includes('"is":"at"')) told.add(line);
      return JSON.parse(line.slice('data: '.length));
    };
    expect([await next(), await next()]).toEqual([
      { showId: id, is: 'at', sequence: 0, noted: 0 },
      { showId: other, is: 'at', sequence: 0, noted: 0 },
    ]);
    await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit } });
    expect(await next()).toMatchObject({
      showId: id,
      is: 'changed',
      changes: [{ sequence: 1, window: null }],
    });
    await request.delete(`/api/shows/${other}`);
    expect(await next()).toEqual({ showId: other, is: 'removed' });
    stop.abort();
    expect((await request.get('/api/events')).status()).toBe(400);
  },
);
