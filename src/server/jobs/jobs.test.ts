import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { ShowError } from '@/core/fields/problem';
import { readPcap } from '@/core/protocols/pcap';
import type { Fact } from '@/core/show/facts';
import { readShowFileText, writeShowText } from '@/core/show/read';
import type { Edit } from '@/core/show/edits/registry';
import type { Show } from '@/core/show/schema';
import { openDatabase } from '../database';
import { NoSuchChange, NoSuchSheet, NoSuchShow } from '../showErrors';
import { ShowRepository } from '../shows';
import { Worker, type Job } from './jobs';

const ASKED = {
  origin: 'http://127.0.0.1:3000',
  showId: 'quay',
  printedAt: '2026-11-01T18:00:00.000Z',
};
const show: Show = onPorts(
  aShow({
    name: 'Quay night',
    props: [aLine('rail', 50, { name: 'Pier rail' }), aGrid('net', 4, 5)],
    controllers: [aController()],
  }),
  ['rail', 1, 1],
  ['net', 1, 2],
);

let folder: string;
let worker: Worker;
let shows: ShowRepository;
let id: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-test-'));
  shows = new ShowRepository(openDatabase(folder));
  id = shows.create({ show, facts: [] });
  worker = new Worker(() => openDatabase(folder));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

function done(job: Job): { bytes: Uint8Array; parts: number[] } {
  const parts: number[] = [];
  const pieces = worker.start(job, (part) => parts.push(part));
  const made: Uint8Array[] = [];
  for (let next = pieces.next(); !next.done; next = pieces.next()) made.push(Uint8Array.from(next.value));
  return { bytes: Uint8Array.from(Buffer.concat(made)), parts };
}
const textOf = (job: Job) => new TextDecoder().decode(done(job).bytes);
const jsonOf = (job: Job) => JSON.parse(textOf(job)) as Record<string, unknown>;
const linesOf = (job: Job) => textOf(job).trimEnd().split('\r\n');
let changes = 0;
const edit = (change: Edit) =>
  shows.apply(
    id,
    { changeId: `change-${(changes += 1)}`, window: null, base: shows.get(id).sequence },
    change,
  );
const imperial = () => edit({ type: 'setLengths', lengths: 'imperial' });
const longer = () =>
  edit({
    type: 'setShape',
    propId: 'rail',
    shape: { legs: [{ lengthMm: 6000, headingDeg: 0, pixels: { by: 'count', count: 60 } }] },
  });

it('makes tables a row at a time: every channel, and every stretch of channels', () => {
  // A row for each of 70 pixels, behind the heads.
  expect(linesOf({ is: 'channelMap', showId: id })).toHaveLength(1 + 70);
  expect(linesOf({ is: 'spans', showId: id })).toHaveLength(1 + 2);
});

it('answers about a show in words', () => {
  expect(jsonOf({ is: 'report', showId: id })).toMatchObject({ totals: { pixels: 70 } });
  expect(textOf({ is: 'lookUp', showId: id, query: 'A1 3' })).toContain('Pier rail');
  expect(textOf({ is: 'glance', showId: id }).length).toBeGreaterThan(2);
});

it('lists sheets, and gives each as a table, as JSON and as a drawing', () => {
  const { sheets } = jsonOf({ is: 'sheets', showId: id, asked: ASKED }) as { sheets: { id: string }[] };
  expect(sheets.map((sheet) => sheet.id)).toContain('setting-out.rail');
  const sheet = (as: 'csv' | 'json' | 'svg', name = 'build.rail') =>
    ({ is: 'sheet', showId: id, sheet: name, as, asked: ASKED }) as const;
  const rows = jsonOf(sheet('json')) as unknown as { columns: unknown[]; rows: unknown[] };
  expect(linesOf(sheet('csv'))).toHaveLength(1 + rows.rows.length);
  expect(textOf(sheet('svg', 'threading.net'))).toMatch(/^<svg /);
  expect(() => done(sheet('csv', 'no-such'))).toThrow(NoSuchSheet);
  expect(() => done(sheet('svg', 'no-such'))).toThrow(NoSuchSheet);
});

it('writes lengths as each show has them, whichever was asked about before', () => {
  const facts = () => textOf({ is: 'sheet', showId: id, sheet: 'setting-out.rail', as: 'csv', asked: ASKED });
  const metric = facts();
  expect(metric).toContain('mm');
  const other = shows.create({ show: { ...show, name: 'In feet', lengths: 'imperial' }, facts: [] });
  const feet = textOf({ is: 'sheet', showId: other, sheet: 'setting-out.rail', as: 'csv', asked: ASKED });
  expect(feet).toMatch(/\d (in|ft)/);
  expect(facts()).toBe(metric);
  imperial();
  expect(facts()).toBe(feet);
});

it('prints a PDF with progress that only goes on', () => {
  const { bytes, parts } = done({
    is: 'print',
    showId: id,
    sheet: 'build.rail',
    of: {},
    asked: ASKED,
  });
  expect(new TextDecoder().decode(bytes.subarray(0, 5))).toBe('%PDF-');
  expect(parts.length).toBeGreaterThan(0);
  expect(parts.toSorted((a, b) => a - b)).toEqual(parts);
  expect(parts.at(-1)).toBeLessThanOrEqual(1);
});

it('says of two revisions what differs, and nothing of one beside itself', () => {
  longer();
  const sequence = shows.get(id).sequence;
  expect(textOf({ is: 'compare', showId: id, from: 0, to: sequence })).toContain('Pier rail');
  expect(textOf({ is: 'compare', showId: id, from: 0, to: 0 })).not.toContain('Pier rail');
  expect(() => done({ is: 'compare', showId: id, from: 0, to: sequence + 1 })).toThrow(NoSuchChange);
});

it('refuses a mark that is none, and one of a sheet that the show does not have', () => {
  const printed = (mark: string) => done({ is: 'printed', showId: id, mark, asked: ASKED });
  expect(() => printed('nonsense')).toThrow(ShowError);
  expect(() => printed('0-ZZZZZ')).toThrow('No sheet of revision 0 has the letters ZZZZZ');
  expect(() => printed('99-ZZZZZ')).toThrow(NoSuchChange);
});

it('gives the show as it is and as it was, with its facts where it is as it is', () => {
  const fact: Fact = {
    kind: 'decision',
    list: 'props',
    recordId: 'rail',
    field: 'hung',
    id: 'fact-1',
    at: '2026-11-01T18:00:00.000Z',
    value: 'before the rain',
  };
  shows.note(id, [fact]);
  longer();
  const now = readShowFileText(textOf({ is: 'showFile', showId: id, at: null }));
  expect(now.show.props[0]).toEqual(shows.get(id).show.props[0]);
  expect(now.facts).toHaveLength(1);
  expect(textOf({ is: 'showFile', showId: id, at: 0 })).toBe(writeShowText(shows.at(id, 0)));
  expect(linesOf({ is: 'log', showId: id })).toHaveLength(1 + 1);
});

it('captures what a test sends', () => {
  const asked = { pattern: 'red', on: { on: 'show' as const }, level: 1, frames: 3, rateHz: 40 };
  const { datagrams } = readPcap(done({ is: 'capture', showId: id, asked }).bytes);
  expect(datagrams).toHaveLength(3);
});

it('looks at files without a database, and says what is wrong with one', () => {
  const alone = new Worker(() => {
    throw new Error('No database is wanted here.');
  });
  const input = new TextEncoder().encode(writeShowText(show));
  const report = alone.start({ is: 'reportOfFile', input }, () => {}).next();
  expect(JSON.parse(new TextDecoder().decode(report.value as Uint8Array))).toMatchObject({
    totals: { pixels: 70 },
  });
  for (const is of ['reportOfFile', 'powerOfFile', 'rigOfFile', 'diagnoseFile', 'check'] as const)
    expect(() => alone.start({ is, input: new TextEncoder().encode('{') }, () => {}).next()).toThrow(
      ShowError,
    );
});

it('knows no show that was never kept', () => {
  for (const is of ['channelMap', 'spans', 'report', 'glance', 'log', 'archive'] as const)
    expect(() => done({ is, showId: 'nowhere' })).toThrow(NoSuchShow);
});
