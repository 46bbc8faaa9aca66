import { PALETTE, overlaps, recorder, type WrittenText } from '../../tests/unit/recorder';
import { aController, aGrid, aLine, aShow, onPorts } from '../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import {
  BLOCKS,
  blocksOf,
  drawRuler,
  type RulerMove,
  type RulerSelection,
  type UniverseNames,
} from './drawRuler';
import { wholeScale, xOf, type RulerScale } from './rulerScale';
import { TRUE_LENGTHS } from './rulerWarp';

const WIDTH = 1000;
const UNCHOSEN: RulerSelection = { prop: undefined, run: undefined, channels: null };

const show = onPorts(
  aShow({
    props: [aLine('rail', 100), aGrid('net', 20, 28, { runs: 2 }), aLine('arch', 60)],
    controllers: [aController({ firstUniverse: 5 })],
  }),
  ['rail', 1, 1],
  ['net', 1, 2],
  ['net', 2, 3],
  ['arch', 1, 4],
);

interface Wish {
  scale?: RulerScale;
  selection?: Partial<RulerSelection>;
  names?: UniverseNames;
  move?: RulerMove;
}

function draw(of: Show, { scale, selection, names, move }: Wish = {}) {
  const plan = planShow(of);
  const made = recorder(WIDTH, 60);
  const at = scale ?? wholeScale(plan.lastShowChannel, WIDTH);
  drawRuler(
    made.context,
    plan,
    blocksOf(plan),
    at,
    WIDTH,
    60,
    { ...UNCHOSEN, ...selection },
    PALETTE,
    names,
    move,
  );
  return { ...made, plan, at };
}

const inRow = (texts: readonly WrittenText[], top: number, bottom: number) =>
  texts.filter((text) => (text.top + text.bottom) / 2 >= top && (text.top + text.bottom) / 2 < bottom);
const universes = (texts: readonly WrittenText[]) => inRow(texts, 0, BLOCKS.top);
const numbers = (texts: readonly WrittenText[]) => inRow(texts, BLOCKS.top + BLOCKS.height, 60);
/** The blocks themselves: filled over the whole height of their row. */
const blocks = (made: ReturnType<typeof draw>) =>
  made
    .of('fillRect')
    .filter(({ args }) => args[1] === BLOCKS.top && args[3] === BLOCKS.height && args[2] !== WIDTH);

it('names runs in their blocks, and universes and channels where they begin', () => {
  const made = draw(show);
  expect(made.words()).toEqual(expect.arrayContaining(['rail', 'net 1', 'net 2', 'arch', 'U5', '1']));
  // 100 pixels are 300 channels: the net begins at 301.
  expect(numbers(made.texts).map(({ text }) => text)).toEqual(expect.arrayContaining(['1', '301']));
  const rail = blocks(made)[0]!;
  expect(rail.args[0]).toBe(0);
  expect(rail.args[2]).toBeCloseTo(xOf(made.at, 301) - 1, 6);
});

it('writes no name over another, however many universes there are', () => {
  for (const rows of [28, 280, 2800]) {
    const many = { ...show, props: [show.props[0]!, aGrid('net', 20, rows, { runs: 2 }), show.props[2]!] };
    const made = draw({ ...many, controllers: [aController({ mostPixelsPerPort: 60_000 })] });
    expect(overlaps(universes(made.texts))).toEqual([]);
    expect(overlaps(numbers(made.texts))).toEqual([]);
    expect(universes(made.texts).length).toBeGreaterThan(2);
    for (const { right } of made.texts) expect(right).toBeLessThanOrEqual(WIDTH);
  }
});

it('names universes in the numbering that is chosen', () => {
  const artNet = { ...show, controllers: [aController({ firstUniverse: 19 })] };
  expect(draw(artNet, { names: 'artNet' }).words()).toContain('0.1.2');
  // Below zero there is no port-address: the universe keeps its name.
  const below = { ...show, controllers: [aController({ firstUniverse: 1, artNetOffset: -2 })] };
  expect(draw(below, { names: 'artNet' }).words()).toEqual(expect.arrayContaining(['U1', '0.0.0']));
  const flat = { ...show, controllers: [aController({ protocol: 'ddp' })] };
  expect(draw(flat).words()).toContain('A: DDP');
});

it('shows what is chosen in the colour of the lamp, by prop, by run and by pixel', () => {
  const lit = (selection: Partial<RulerSelection>) =>
    blocks(draw(show, { selection })).filter(({ fillStyle }) => fillStyle === PALETTE.lamp).length;
  expect(lit({})).toBe(0);
  expect(lit({ prop: 1 })).toBe(2);
  expect(lit({ prop: 1, run: 2 })).toBe(1);
  const pixel = draw(show, { selection: { prop: 0, channels: { first: 4, count: 3 } } });
  const mark = pixel.of('fillRect').at(-1)!;
  expect(mark.args[0]).toBeCloseTo(xOf(pixel.at, 4), 6);
  expect(mark.fillStyle).toBe(PALETTE.text);
});

it('shows gaps as a dotted line, and pins', () => {
  expect(draw(show).of('moveTo')).toEqual([]);
  const pinned = {
    ...show,
    patch: show.patch.map((entry) =>
      entry.propId === 'arch' ? { ...entry, pin: { universe: 40, channel: 1 } } : entry,
    ),
  };
  const made = draw(pinned);
  const gaps = made.of('moveTo').filter(({ dash }) => dash[0] === 2);
  // The rest of the net's last universe is a gap before the pin.
  expect(gaps).toHaveLength(1);
  expect(made.of('closePath')).toHaveLength(1);
});

it('hatches channels that two runs use', () => {
  const twice = {
    ...show,
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B' })],
    patch: [show.patch[0]!, { ...show.patch[3]!, controllerId: 'b', port: 1 }],
  };
  const hatched = draw(twice)
    .of('stroke')
    .filter(({ strokeStyle }) => strokeStyle === PALETTE.bad);
  expect(hatched).toHaveLength(1);
  expect(
    draw(show)
      .of('stroke')
      .filter(({ strokeStyle }) => strokeStyle === PALETTE.bad),
  ).toEqual([]);
});

it('comes down to single channels, each with the colour that is sent', () => {
  const near = draw(show, { scale: { first: 296, unitsPerPx: 1 / 20, warp: TRUE_LENGTHS } });
  const letters = near.texts.filter(({ text }) => /^[RGBW]$/.test(text));
  // Channel 296 is the second of pixel 99: green. 50 channels are on screen.
  expect(
    letters
      .slice(0, 7)
      .map(({ text }) => text)
      .join(''),
  ).toMatch(/GBRGB/);
  expect(letters.length).toBeGreaterThan(45);
  expect(letters.length).toBeLessThan(60);
  expect(draw(show).texts.filter(({ text }) => /^[RGBW]$/.test(text))).toEqual([]);
});

it('shows where a run on its way would go', () => {
  const made = draw(show, { move: { run: 0, first: 1021, count: 300, words: 'U7 ch 1' } });
  const [outline] = made.of('strokeRect');
  expect(outline!.args[0]).toBeCloseTo(xOf(made.at, 1021), 6);
  expect(outline!.args[2]).toBeCloseTo(300 / made.at.unitsPerPx, 6);
  expect(outline!.dash).toEqual([5, 3]);
  expect(made.words()).toContain('U7 ch 1');
});
