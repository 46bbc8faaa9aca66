import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { planReport } from './planReport';
import { totalsWords } from './totals';
import { planShow } from '../plan/plan';
import { CHANNEL_MAP_COLUMNS, channelMapRows } from './channelMap';
import { SPAN_COLUMNS, spanRows } from './spanList';

const show = onPorts(
  aShow({
    props: [
      aLine('rail', 171, { name: 'Pier rail' }),
      aGrid('net', 2, 2, { pattern: 'serpentine' }),
      aLine('loose', 1),
    ],
    controllers: [aController({ skippedPixelsTakeChannels: true })],
  }),
  ['rail', 1, 2, 1],
  ['net', 1, 2],
);
const plan = planShow(show);

it('has one line a pixel, with what it lacks left empty', () => {
  const rows = [...channelMapRows(plan)];
  expect(rows).toHaveLength(176);
  // One skipped pixel comes first, so the first lit one is at channel 4, and pixel 170 begins the next universe.
  expect(rows[0]).toEqual(['Pier rail', 1, 1, 'A2', 1, 1, 4, 4, 25, 0, 0]);
  expect(rows[169]).toEqual(['Pier rail', 1, 170, 'A2', 1, 2, 1, 511, 8475, 0, 0]);
  // The net is seen from the front: its first pixel is at the top left, 50 mm up.
  expect(rows[171]).toEqual(['net', 1, 1, 'A2', 2, 2, 7, 517, 0, 50, 0]);
  expect(rows[173]).toEqual(['net', 1, 3, 'A2', 2, 2, 13, 523, 100, 0, 0]);
  expect(rows[175]).toEqual(['loose', 1, 1, '', '', '', '', '', 25, 0, 0]);
  for (const row of rows) expect(row).toHaveLength(CHANNEL_MAP_COLUMNS.length);
});

it('has one line a span, skipped pixels named as such', () => {
  expect([...spanRows(plan)]).toEqual([
    ['Pier rail', 1, 'skipped', 'skipped', 'A2', 1, 1, 1, 3, 3, 1, 3],
    ['Pier rail', 1, 1, 169, 'A2', 1, 1, 4, 510, 507, 4, 510],
    ['Pier rail', 1, 170, 171, 'A2', 1, 2, 1, 6, 6, 511, 516],
    ['net', 1, 1, 4, 'A2', 2, 2, 7, 18, 12, 517, 528],
  ]);
  expect(SPAN_COLUMNS).toHaveLength(12);
});

it('says in its spans what its pixels say', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const planned = planShow(any);
      const lit = [...spanRows(planned)].filter((row) => row[2] !== 'skipped');
      const channels = lit.reduce((sum, row) => sum + Number(row[9]), 0);
      expect(channels).toBe(planned.channelCount);
      for (const row of lit) {
        expect(Number(row[8]) - Number(row[7]) + 1).toBe(row[9]);
        expect(Number(row[11]) - Number(row[10]) + 1).toBe(row[9]);
        expect(Number(row[3])).toBeGreaterThanOrEqual(Number(row[2]));
      }
    }),
    { numRuns: tries(40) },
  );
});

it('answers other programs with totals that add up', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const report = planReport(planShow(any));
      const sum = (numbers: number[]) => numbers.reduce((total, each) => total + each, 0);
      expect(sum(report.props.map((prop) => prop.pixels))).toBe(report.totals.pixels);
      expect(sum(report.props.flatMap((prop) => prop.runs.map((run) => run.pixels)))).toBe(
        report.totals.pixels,
      );
      expect(sum(report.ports.map((port) => port.pixels))).toBe(report.totals.pixels);
      expect(report.totals.runsOnPorts).toBe(report.totals.runs);
      expect(JSON.parse(JSON.stringify(report))).toEqual(report);
    }),
    { numRuns: tries(30) },
  );
});

it('says how many universes there are, and of what size', () => {
  expect(totalsWords(plan)).toBe('2 universes of 510 · 1,020 channels');
  const ddp = onPorts({ ...show, controllers: [aController({ protocol: 'ddp' })] }, ['net', 1, 1]);
  expect(totalsWords(planShow(ddp))).toBe("1 device without universes · 12 channels");
});
