import { hasNgspice } from '../../../tests/unit/ngspice';
import { voltsOfShow } from '../../../tests/unit/netlist';
import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import type { FeedPiece } from '../catalogue/feed';
import { planShow } from '../plan/plan';
import type { Show } from '../show/schema';
import { propPower } from './propPower';
import { FULL_WHITE } from './shown';

const base = aShow();
/** Lines of one run whose pixels are 50 mm apart on 0.165 ohm a metre. */
const RAIL_OHM = 0.165 * 0.05;

interface Case {
  volts: number;
  counts: readonly number[];
  change: Partial<Show>;
}

const lead = (pixel: number, wire: FeedPiece['wire'], lengthMm: number, prop = 'line0') =>
  toPixel(prop, pixel, { wire, lengthMm });
const toBox: FeedPiece = {
  lengthMm: 800,
  wire: 'mm2-2.5',
  to: { kind: 'controller', controllerId: 'box' },
};

/** Each way of wiring, by the pixels of a line. */
const WAYS: [string, (count: number) => Omit<Case, 'volts'>][] = [
  [
    'a fuse and a plug',
    (count) => ({
      counts: [count],
      change: { feeds: [aFeed([lead(1, 'mm2-1.5', 2500)], { fuseAmps: 10, connector: 'round18' })] },
    }),
  ],
  [
    'plus cut between two supplies, ground joined along the line',
    (count) => ({
      counts: [count],
      change: {
        supplies: [aSupply(), aSupply({ id: 't', name: 'Supply 2' })],
        cuts: [{ id: 'c', propId: 'line0', run: 1, afterPixel: Math.floor(count / 2) }],
        feeds: [
          aFeed([lead(1, 'awg18', 2000)], { fuseAmps: 7.5 }),
          aFeed([lead(count, 'mm2-2.5', 4000)], { fuseAmps: 15, from: { kind: 'supply', supplyId: 't' } }),
        ],
      },
    }),
  ],
  [
    'a lead that joins grounds alone',
    (count) => ({
      counts: [count, 10],
      change: {
        supplies: [aSupply(), aSupply({ id: 't', name: 'Supply 2' })],
        feeds: [
          aFeed([lead(1, 'mm2-2.5', 3000)], { fuseAmps: 15 }),
          aFeed([lead(1, 'mm2-2.5', 3000, 'line1')], {
            fuseAmps: 5,
            from: { kind: 'supply', supplyId: 't' },
          }),
          aFeed([lead(5, 'awg22', 6000, 'line1')], { groundOnly: true }),
          aFeed([lead(count, 'awg22', 1000)], { groundOnly: true, from: { kind: 'supply', supplyId: 't' } }),
        ],
      },
    }),
  ],
  [
    'one lead with taps to three lines',
    (count) => ({
      counts: [count, 20, 20],
      change: {
        feeds: [
          aFeed(
            [lead(1, 'mm2-4', 3000), lead(1, 'mm2-1.5', 1500, 'line1'), lead(20, 'awg18', 900, 'line2')],
            {
              fuseAmps: 20,
              connector: 'barrel',
            },
          ),
        ],
      },
    }),
  ],
  [
    'a row of fuses',
    (count) => ({
      counts: [count],
      change: {
        supplies: [aSupply({ fuseRow: { positions: 4, wire: 'mm2-4', lengthMm: 700, fuseAmps: 20 } })],
        feeds: [
          aFeed([lead(1, 'mm2-1.5', 2500)], { fuseAmps: 10 }),
          aFeed([lead(count, 'mm2-1.5', 3500)], { fuseAmps: 7.5 }),
        ],
      },
    }),
  ],
  [
    'a port that passes power on',
    (count) => ({
      counts: [count],
      change: {
        feeds: [
          aFeed([toBox], { fuseAmps: 15 }),
          aFeed([lead(1, 'awg18', 1200)], {
            from: { kind: 'port', controllerId: 'box', port: 1 },
            connector: 'pigtail',
          }),
        ],
      },
    }),
  ],
  [
    'a ring that is fed twice',
    (count) => ({
      counts: [count],
      change: {
        feeds: [
          aFeed([lead(1, 'mm2-2.5', 2000), lead(count, 'mm2-2.5', 300)], { fuseAmps: 15 }),
          aFeed([lead(Math.ceil(count / 3), 'awg22', 2600)], { fuseAmps: 5 }),
        ],
      },
    }),
  ],
];

const CASES = WAYS.flatMap(([words, way]) =>
  (
    [
      [12, 30],
      [5, 80],
      [24, 150],
      [12, 220],
    ] as const
  ).map(([volts, count]): [string, Case] => [
    `${words}: ${count} pixels of ${volts} V`,
    { volts, ...way(count) },
  ]),
);

(hasNgspice ? describe : describe.skip)('ngspice finds the same volts from the show itself', () => {
  it.each(CASES)('%s', (_, { volts, counts, change }) => {
    const knee = { cutoffV: 0, kneeV: 0.6 * volts };
    const type = drawing(
      base.pixelTypes.find(({ id }) => id === 'rgb')!,
      60,
      {
        rail: { kind: 'copper', ohmPerM: typed(0.165) },
        knees: { R: knee, G: knee, B: knee },
      },
    );
    const shown = aShow({
      props: counts.map((count, i) => aLine(`line${i}`, count)),
      pixelTypes: base.pixelTypes.map((each) => (each.id === 'rgb' ? { ...type, volts } : each)),
      controllers: [aController({ id: 'box', power: { ownAmps: typed(0.4) } })],
      supplies: [aSupply()],
      ...change,
    });
    const show = { ...shown, supplies: shown.supplies.map((each) => ({ ...each, volts })) };
    const plan = planShow(show);
    const theirs = voltsOfShow(show, {
      amps: 0.06,
      kneeV: 0.6 * volts,
      railOhm: RAIL_OHM,
      counts: new Map(counts.map((count, i) => [`line${i}`, count])),
      boardAmps: 0.4,
    });
    counts.forEach((count, prop) => {
      const ours = propPower(plan, prop, FULL_WHITE)!.volts;
      const other = theirs.get(`line${prop}`)!;
      expect(other).toHaveLength(count);
      other.forEach((each, pixel) => expect(Math.abs(each - ours[pixel]!)).toBeLessThan(1e-3));
    });
  });
});
