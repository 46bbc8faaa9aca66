import fc from 'fast-check';
import { bandsOf, packingOf } from './packingBands';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../../tests/unit/shows';
import { planShow } from '../../plan/plan';
import { Facts, type Fact, type Note } from '../../show/facts';
import { Scope } from '../scope';
import { PERCEIVED } from '../perceive';
import { breakAt } from './breakAt';
import { colourOrderOf, ordersOf, shownOf, smearOf, smearsThatFit } from './colourOrderOf';
import { afterLook, looksLeft, nextLight, wholeRange } from './countFinder';
import { labelIn, panelMends } from './panelsSeen';
import { portOrderOf } from './portOrder';
import { scanOf } from './scan';
import { nextLabel, stockNote, stockOf } from './stock';
import { readLights, smearSentences } from './smearWords';

describe('colour order from fills', () => {
  it.each(['RGB', 'RGBW'])('finds every order of %s under every order that is set, exactly', (letters) => {
    const orders = ordersOf(letters);
    expect(new Set(orders).size).toBe(letters.length === 3 ? 6 : 24);
    for (const setting of orders)
      for (const chip of orders) {
        const seen = Object.fromEntries(
          [...letters].map((letter) => [letter, shownOf(letter, setting, chip)]),
        );
        expect(colourOrderOf(setting, seen)).toEqual({
          found: { chip, set: chip, isRight: chip === setting },
        });
        // All but one colour are enough.
        const { [letters[0]!]: _, ...fewer } = seen;
        expect(colourOrderOf(setting, fewer)).toEqual({
          found: { chip, set: chip, isRight: chip === setting },
        });
      }
  });

  it('is what the rig shows of every colour order', () => {
    const plan = planShow(
      onPorts(aShow({ props: [aLine('rail', 12)], controllers: [aController()] }), ['rail', 1, 1]),
    );
    const scope = new Scope(plan, 0);
    for (const order of ordersOf('RGB')) {
      const rig = scope.rigWith([{ kind: 'colourOrder', controllerId: 'a', port: 1, order }]);
      const chip = plan.show.pixelTypes[0]!.colourOrder;
      for (const [id, letter] of [
        ['red', 'R'],
        ['green', 'G'],
        ['blue', 'B'],
      ] as const) {
        const lit = shownOf(letter, order, chip);
        expect(PERCEIVED[scope.see(rig, scope.trial(id)!)[0]!]).toMatch(
          { R: /red/, G: /green/, B: /blue/ }[lit]!,
        );
      }
    }
  });

  it('says what is the matter where no order explains it', () => {
    const problem = (seen: Record<string, string>, setting = 'RGB') => {
      const answer = colourOrderOf(setting, seen);
      return 'problem' in answer ? answer.problem : 'found';
    };
    expect(problem({ R: '', G: 'G', B: 'B' })).toMatch(/^red lights nothing/);
    expect(problem({ R: 'RG', G: 'G', B: 'B' })).toMatch(/three channels for four/);
    expect(problem({ R: 'G', G: 'G', B: 'B' })).toMatch(/Two of the colours/);
    expect(problem({ R: 'R' })).toMatch(/^Send green and blue too: 2 orders are left/);
    expect(problem({ R: 'W', G: 'G', B: 'B' })).toMatch(/chip of four/);
  });

  it('knows data that is late or early, and three for four, from the first lights under red', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ordersOf('RGB'), ...ordersOf('RGBW')),
        fc.constantFrom('RGB', 'GRB', 'RGBW'),
        fc.integer({ min: -3, max: 3 }),
        (chip, setting, shift) => {
          const seen = smearOf('R', setting, chip, shift, 12);
          const found = smearsThatFit(seen, 'R', setting);
          expect(found).toContainEqual({ chip, sent: setting.length, taken: chip.length, shift });
          // Everything else that is named shows the very same.
          for (const each of found)
            expect(smearOf('R', setting, each.chip, each.shift, 12).map(sorted)).toEqual(seen.map(sorted));
        },
      ),
    );
    // Worked by hand: four channels a light sent to chips of three light every fourth third of it, and repeat every four lights.
    expect(smearOf('R', 'RGBW', 'RGB', 0, 8)).toEqual(['R', 'G', 'B', '', 'R', 'G', 'B', '']);
    expect(smearOf('R', 'RGB', 'RGBW', 0, 6)).toEqual(['RW', 'B', 'G', 'RW', 'B', 'G']);
    expect(smearOf('R', 'RGB', 'RGB', 1, 3)).toEqual(['G', 'G', 'G']);
  });
});

it('finds every count from 1 to 5,000 in at most ⌈log2⌉ + 1 looks; 1,024 in ten', () => {
  const looksFor = (count: number, most: number) => {
    let range = wholeRange(most);
    let looks = 0;
    let isNearer = true;
    for (let light = nextLight(range); light !== null; light = nextLight(range)) {
      const left = looksLeft(range);
      looks += 1;
      range = afterLook(range, light, light <= count);
      isNearer &&= looksLeft(range) < left;
    }
    return { found: range.least, looks, isNearer };
  };
  const wrong: number[] = [];
  for (let count = 1; count <= 5000; count += 1) {
    const { found, looks, isNearer } = looksFor(count, 5000);
    if (found !== count || looks > Math.ceil(Math.log2(5000)) + 1 || !isNearer) wrong.push(count);
  }
  expect(wrong).toEqual([]);
  expect(looksFor(1023, 1023)).toMatchObject({ found: 1023, looks: 10 });
  expect(looksFor(0, 50).found).toBe(0);
});

const sorted = (lit: string) => [...lit].sort().join('');

it('puts plugs right in the fewest exchanges, or the map', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }).chain((count) =>
        fc.shuffledSubarray(
          Array.from({ length: count }, (_, i) => i + 1),
          { minLength: count },
        ),
      ),
      (ports) => {
        const { swaps, moved, dark, doubled, remap } = portOrderOf(
          ports.map((lit, i) => ({ planned: i + 1, lit })),
        );
        expect([dark, doubled]).toEqual([[], []]);
        let now = [...ports];
        for (const [one, other] of swaps)
          now = now.map((port) => (port === one ? other : port === other ? one : port));
        expect(now).toEqual(ports.map((_, i) => i + 1));
        const cycles = cyclesOf(ports);
        expect(swaps.length).toBe(ports.length - cycles);
        expect(moved.length === 0).toBe(swaps.length === 0);
        for (const [port, planned] of remap) expect(ports[planned - 1]).toBe(port);
      },
    ),
  );
  expect(
    portOrderOf([
      { planned: 1, lit: 0 },
      { planned: 2, lit: 3 },
      { planned: 3, lit: 3 },
    ]),
  ).toMatchObject({ dark: [1], doubled: [3], swaps: [] });
});

function cyclesOf(ports: readonly number[]): number {
  const seen = new Set<number>();
  let cycles = 0;
  ports.forEach((_, start) => {
    if (seen.has(start)) return;
    cycles += 1;
    for (let at = start; !seen.has(at); at = ports[at]! - 1) seen.add(at);
  });
  return cycles;
}

it('reads bands of a fill: red, blue, green where the receiver steps by more, red, green, blue where by less', () => {
  expect(bandsOf(512, 510, 4)).toBe('RBGR');
  expect(bandsOf(510, 512, 4)).toBe('RGBR');
  expect(packingOf('RBG')?.larger).toBe('receiver');
  expect(packingOf('RG')?.larger).toBe('sender');
  expect([packingOf('R'), packingOf('RR'), packingOf('')]).toEqual([null, null, null]);
});

it('says where a break is, with the joint and its two suspects', () => {
  const plan = planShow(
    onPorts(aShow({ props: [aGrid('net', 4, 5)], controllers: [aController()] }), ['net', 1, 1]),
  );
  const at = breakAt(plan, 0, 8)!;
  expect(at.where).toMatch(/^net, row 2, light 4 of it; light 8 of the run$/);
  expect(at.joint).toMatch(/between lights 7 and 8: light 7 does not pass data on, or light 8/);
  expect(breakAt(plan, 0, 1)!.joint).toMatch(/lead from port A1/);
  expect([0, 21, 2.5].map((light) => breakAt(plan, 0, light))).toEqual([null, null, null]);
});

describe('labels that are read on panels', () => {
  const chain = (output: number, cells: [number, number][]) =>
    ({ output, panels: cells.map(([column, row]) => ({ column, row, turnDeg: 0 })) }) as never;
  const wall = {
    chains: [
      chain(1, [
        [0, 0],
        [1, 0],
      ]),
      chain(2, [
        [0, 1],
        [1, 1],
      ]),
    ],
  };
  const read = (labels: Record<string, string>, upside: string[] = []) =>
    panelMends(
      wall,
      Object.entries(labels).map(([place, label]) => {
        const [column, row] = place.split(' ').map(Number) as [number, number];
        return { column, row, label, isUpsideDown: upside.includes(place) };
      }),
    ).map(({ words }) => words);
  const right = { '0 0': '1.1', '1 0': '1.2', '0 1': '2.1', '1 1': '2.2' };
  it('say nothing of a right wall, and of each that is wrong what to change', () => {
    expect(read(right)).toEqual([]);
    expect(read(right, ['1 1'])[0]).toMatch(/^Panel 2 across, 2 down hangs upside down/);
    expect(read({ ...right, '0 0': '1.2', '1 0': '1.1' })).toEqual([
      expect.stringMatching(/exchanged with the panel 2 across, 1 down/),
      expect.stringMatching(/exchanged with the panel 1 across, 1 down/),
    ]);
    expect(read({ ...right, '0 0': '2.1', '0 1': '1.1' })[0]).toMatch(/outputs 1 and 2 are exchanged/);
    expect(read({ ...right, '0 1': '1.1', '1 1': '1.2' })).toEqual([
      expect.stringMatching(/all chains are left on output 1. Set this one to output 2/),
      expect.stringMatching(/Set this one to output 2/),
    ]);
    expect(read({ '0 0': '' })[0]).toMatch(/dark: the ribbon into it/);
    expect(read({ '0 0': '9.9' })[0]).toMatch(/no panel of this wall is called/);
  });

  it('are read in whatever scheme the device has', () => {
    expect(labelIn(wall, 2, 'rowColumnFront', '2.1')).toBe('2.1');
    expect(labelIn(wall, 2, 'rowColumnBack', '1,1')).toBe('1.2');
    expect(labelIn(wall, 2, 'outputPlace', ' 1.2 ')).toBe('1.2');
    expect(labelIn(wall, 2, 'rowColumnBack', '7.7')).toBe('7.7');
  });
});

it('says in sentences what the first lights tell, the simplest first', () => {
  expect(readLights('r, b g -')).toEqual(['R', 'B', 'G', '']);
  expect([readLights('red'), readLights('')]).toEqual([null, []]);
  expect(smearSentences(['R', 'R', 'R', 'R'], 'RGB')[0]).toBe('That is as it is to be.');
  expect(smearSentences(smearOf('R', 'RGBW', 'RGB', 0, 8), 'RGBW')[0]).toMatch(
    /^4 channels a light are set and the chips take 3/,
  );
  expect(smearSentences(smearOf('R', 'RGB', 'RGBW', 0, 6), 'RGB')[0]).toMatch(
    /^3 channels a light are set and the chips take 4/,
  );
  // All green under red may be one channel late, or another order: both are one thing.
  expect(smearSentences(['G', 'G', 'G', 'G'], 'RGB').slice(0, 2).join()).toMatch(/The chips take G/);
  expect(smearSentences(['R', 'R', 'B', 'R'], 'RGB')).toEqual([]);
});

it('keeps pieces of no prop by labels that none has, and lets them go', () => {
  const noted = (...notes: Note[]) =>
    new Facts([]).with(notes.map((note, i): Fact => ({ ...note, id: `f${i}`, at: '2026-11-01T20:00:00Z' })));
  const piece = { what: 'string', lights: 50, order: 'GRB', remarks: '' } as const;
  const two = noted(
    stockNote('quay', 'S10', piece, 'Mara'),
    stockNote('quay', 'S1', { ...piece, lights: 49 }),
  );
  expect(stockOf(two).map(({ label, lights, by }) => [label, lights, by])).toEqual([
    ['S1', 49, null],
    ['S10', 50, 'Mara'],
  ]);
  expect(nextLabel(stockOf(two))).toBe('S2');
  const after = two.with([{ ...stockNote('quay', 'S1', null), id: 'f9', at: '2026-11-01T21:00:00Z' }]);
  expect(nextLabel(stockOf(after))).toBe('S1');
  expect(stockOf(noted({ ...stockNote('quay', 'S3', piece), value: 'broken' }))).toEqual([]);
});

it('reads the scan of a panel from the rows that are lit at once', () => {
  expect([scanOf(32, 2).scan, scanOf(16, 2).scan, scanOf(32, 4).scan]).toEqual([16, 8, 8]);
  expect(scanOf(32, 4).words).toMatch(/another path/);
  expect([scanOf(32, 5).scan, scanOf(8, 16).scan]).toEqual([null, null]);
});
