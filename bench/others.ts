// The wait of others while a large show is opened, planned, exported, imported and edited: the slowest answers of a small show.
// Build first: npm run build.
import { emptyShow, type Show } from '../src/core/show/schema';
import { readDemoShow, startDemoServer, type DemoServer } from '../scripts/lib/demoServer';
import { manyProps } from './manyProps';
import { goal, sized, table } from './report';

function pointsOf(props: number, points: number): Show {
  const round = (value: number) => Math.round(value * 100) / 100;
  return {
    ...emptyShow('Large'),
    pixelTypes: [{ id: 'rgb', name: 'RGB', chip: 'WS2811', colourOrder: 'RGB', volts: 12 }],
    props: Array.from({ length: props }, (_, p) => ({
      id: `p${p}`,
      name: `P ${p}`,
      placeId: 'site',
      pixelTypeId: 'rgb',
      kind: 'freeform' as const,
      shape: {
        xMm: Array.from({ length: points }, (_, i) => round(i * 1.37 + p)),
        yMm: Array.from({ length: points }, (_, i) => round((i % 977) * 3.11)),
        pieces: [points],
        source: 'bench',
      },
      threading: { firstPixel: 'start' as const, runs: 1 },
    })),
  };
}

/** 2,000 lines of 500 pixels on ports. */
function millionOnLines(): Show {
  const show = manyProps();
  return {
    ...show,
    props: show.props.map((prop) => ({
      ...prop,
      shape: { legs: [{ lengthMm: 25_000, headingDeg: 0, pixels: { by: 'count' as const, count: 500 } }] },
    })) as Show['props'],
  };
}

const json = { 'content-type': 'application/json' };
let made = 0;
const author = (baseSequence: number) => ({ baseSequence, changeId: `change-${(made += 1)}` });

/** The slowest answer of a small show, in milliseconds, while something else is going on. */
async function worstMeanwhile(
  server: DemoServer,
  small: string,
  work: () => Promise<unknown>,
): Promise<[number, number]> {
  let busy = true;
  let worst = 0;
  let sequence = (await (await fetch(`${server.address}/api/shows/${small}/changes?after=0`)).json())
    .sequence as number;
  const ask = async () => {
    for (let turn = 0; busy; turn += 1) {
      const start = performance.now();
      if (turn % 3 === 0)
        await (await fetch(`${server.address}/api/shows/${small}/changes?after=${sequence}`)).text();
      else if (turn % 3 === 1) await (await fetch(`${server.address}/api/shows/${small}/lookup?q=A1`)).text();
      else {
        const edit = { type: 'renameShow', name: `Name ${made}` };
        const answer = await fetch(`${server.address}/api/shows/${small}/edits`, {
          method: 'POST',
          headers: json,
          body: JSON.stringify({ ...author(sequence), edit }),
        });
        ({ sequence } = (await answer.json()) as { sequence: number });
      }
      worst = Math.max(worst, performance.now() - start);
      await new Promise((resume) => setTimeout(resume, 4));
    }
  };
  const asking = ask();
  await new Promise((resume) => setTimeout(resume, 300));
  worst = 0;
  const start = performance.now();
  await work();
  const tookMs = performance.now() - start;
  busy = false;
  await asking;
  return [worst, tookMs];
}

/** Its name, the show, and the goal in milliseconds. */
type Large = [what: string, make: () => Show, goalMs: number];

async function main(): Promise<void> {
  const server = await startDemoServer();
  try {
    const small = await server.keep(readDemoShow());
    // The first of a kind is slow for being the first.
    for (const what of ['lookup?q=A1', 'plan', 'show.json', 'channel-map.csv'])
      await (await fetch(`${server.address}/api/shows/${small}/${what}`)).text();
    const rows: Record<string, string>[] = [];
    const large: Large[] = [
      ['2,000 props, 1,000,000 pixels on ports', millionOnLines, 100],
      ['10 props, 1,000,000 free points', () => pointsOf(10, 100_000), 100],
      ['50 props, 5,000,000 free points', () => pointsOf(50, 100_000), 1000],
    ];
    for (const [what, make, goalMs] of sized(large, [
      ['2 props, 2,000 free points', () => pointsOf(2, 1000), 100] as Large,
    ])) {
      const text = JSON.stringify(make());
      let id = '';
      const read = async (address: string) => {
        const answer = await fetch(`${server.address}/api/shows/${id}/${address}`);
        for await (const chunk of answer.body!) void chunk;
        if (!answer.ok) throw new Error(`${address} was answered ${answer.status}.`);
      };
      const edit = async () => {
        const answer = await fetch(`${server.address}/api/shows/${id}/edits`, {
          method: 'POST',
          headers: json,
          body: JSON.stringify({ ...author(0), edit: { type: 'renameShow', name: 'Larger' } }),
        });
        if (!answer.ok) throw new Error(await answer.text());
      };
      const steps: [string, () => Promise<unknown>][] = [
        [
          'imported',
          async () => {
            const answer = await fetch(`${server.address}/api/shows`, {
              method: 'POST',
              headers: json,
              body: text,
            });
            id = ((await answer.json()) as { id: string }).id;
          },
        ],
        ['opened', () => read('')],
        ['planned', () => read('plan')],
        ['exported', () => read('show.json')],
        ['mapped', () => read('spans.csv')],
        ['edited first', edit],
      ];
      const cells: Record<string, string> = {};
      let slowest = 0;
      for (const [step, work] of steps) {
        const [worst, took] = await worstMeanwhile(server, small, work);
        slowest = Math.max(slowest, worst);
        cells[step] = `${worst.toFixed(0)} (${(took / 1000).toFixed(1)} s)`;
      }
      const megabytes = (text.length / 1e6).toFixed(1);
      const words = `≤ ${goalMs.toLocaleString('en')} ms`;
      rows.push({ 'large show': what, MB: megabytes, ...cells, goal: goal(words, slowest <= goalMs) });
    }
    table('others', rows);
  } finally {
    server.stop();
  }
}

void main();
