import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { formulaInFigures, inputsOf, textOf, type Explained } from '../figures/explained';
import type { Show } from '../show/schema';
import {
  explainChannels,
  explainPixels,
  explainShowChannel,
  explainStart,
  explainUniverses,
} from './explainRun';
import { explainTotals } from './explainTotals';
import { planShow } from './plan';
import { spansOfRun } from './planIndex';

const show = onPorts(
  aShow({
    props: [aLine('rail', 100), aLine('arch', 70), aGrid('net', 4, 5)],
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B' })],
  }),
  ['rail', 1, 1],
  ['arch', 1, 2],
);
const startOf = (of: Show, run: number) => explainStart(planShow(of), run)!;

it('says how a start follows from what lies before it', () => {
  const start = startOf(show, 1);
  expect(textOf(start, undefined)).toBe('U1 ch 301');
  expect(start.because).toBe('It comes after rail.');
  expect(formulaInFigures(start, undefined)).toBe('U1 ch 300 + 1 = U1 ch 301');
  expect(inputsOf(start)[0]!.place).toEqual({
    stage: 'patch',
    subject: { kind: 'prop', propId: 'rail', run: 1 },
  });
});

it('counts what is kept free between, and skipped pixels that take channels', () => {
  const spare = { ...show, patch: [{ ...show.patch[0]!, spareChannels: 60 }, show.patch[1]!] };
  expect(formulaInFigures(startOf(spare, 1), undefined)).toBe('U1 ch 300 + 60 ch + 1 = U1 ch 361');
  const skipped = {
    ...show,
    controllers: [aController({ skippedPixelsTakeChannels: true })],
    patch: [show.patch[0]!, { ...show.patch[1]!, skippedPixels: 2 }],
  };
  expect(formulaInFigures(startOf(skipped, 1), undefined)).toBe('301 + 6 ch = U1 ch 307');
});

it.each<[string, Show, number, RegExp]>([
  ['the first', { ...show, controllers: [aController({ firstUniverse: null })] }, 0, /first run of the show/],
  [
    'a pin',
    { ...show, patch: [show.patch[0]!, { ...show.patch[1]!, pin: { universe: 9, channel: 4 } }] },
    1,
    /is locked/,
  ],
  [
    'the way around a pin',
    { ...show, patch: [show.patch[0]!, { ...show.patch[1]!, pin: { universe: 1, channel: 100 } }] },
    0,
    /Pinned runs lie where it would have come/,
  ],
  [
    'a universe of its own',
    { ...show, controllers: [aController({ firstUniverse: 17 })] },
    0,
    /told to begin with universe 17/,
  ],
  [
    'another controller',
    {
      ...show,
      controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: null })],
      patch: [show.patch[0]!, { ...show.patch[1]!, controllerId: 'b' }],
    },
    1,
    /Box B is another controller/,
  ],
  ['a port', { ...show, addressing: { ...show.addressing, newUniverse: 'port' } }, 1, /each port/],
  ['a run', { ...show, addressing: { ...show.addressing, newUniverse: 'run' } }, 1, /each run/],
  [
    'another packing',
    { ...show, props: [show.props[0]!, { ...show.props[1]!, packing: { kind: 'full512' } }] },
    1,
    /packed otherwise.*full 512/,
  ],
  [
    'a full universe',
    { ...show, props: [aLine('rail', 170), show.props[1]!] },
    1,
    /the 2 channels behind rail hold no whole pixel/,
  ],
])('knows a start by %s', (_what, of, run, words) => {
  expect(startOf(of, run).because).toMatch(words);
});

it('says nothing of a run that has no address', () => {
  const plan = planShow(show);
  expect(explainStart(plan, 2)).toBeNull();
  expect(explainUniverses(plan, [2])).toBeNull();
  expect(explainShowChannel(plan, 2)).toBeNull();
  expect(explainPixels(plan, [2]).value).toBe(20);
});

it('says which universes a run lies in, and how much is in each', () => {
  const universes = explainUniverses(planShow(show), [0, 1])!;
  expect(textOf(universes, undefined)).toBe('U1');
  const long = { ...show, props: [aLine('rail', 400), show.props[1]!] };
  expect(explainUniverses(planShow(long), [0])).toMatchObject({
    value: 3,
    text: 'U1–U3',
    because: 'They take 510 channels in U1, 510 channels in U2 and 180 channels in U3.',
  });
});

/** Every value is what its formula gives, all the way down. */
function expectTrue(explained: Explained): void {
  if (explained.formula) expect(explained.formula.value).toBe(explained.value);
  inputsOf(explained).forEach(expectTrue);
}

it('explains just the numbers of the plan', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const plan = planShow(any);
      const { pixels, channels, lastShowChannel } = explainTotals(plan);
      expect([pixels.value, channels.value]).toEqual([plan.pixelCount, plan.channelCount]);
      if (plan.spaces.length > 0) expect(lastShowChannel.value).toBe(plan.lastShowChannel);
      [pixels, channels, lastShowChannel].forEach(expectTrue);
      plan.runs.forEach((run, index) => {
        expect(explainPixels(plan, [index]).value).toBe(run.pixelCount);
        expect(explainChannels(plan, [index]).value).toBe(run.pixelCount * run.channelsPerPixel);
        const spans = spansOfRun(plan, index);
        const first = spans.find((span) => span.runChannel >= 0);
        const start = explainStart(plan, index);
        expect(start === null).toBe(first === undefined);
        if (!start || !first) return;
        expect(start.value).toBe(first.startChannel);
        expect(start.because).toMatch(/\.$/);
        expect(explainShowChannel(plan, index)!.value).toBe(first.startShowChannel);
        expect(explainUniverses(plan, [index])?.value ?? 0).toBe(
          new Set(spans.flatMap((span) => span.universe ?? [])).size,
        );
        [start, explainShowChannel(plan, index)!].forEach(expectTrue);
      });
      plan.props.forEach((prop, index) => {
        const runs = Array.from({ length: prop.runCount }, (_, i) => prop.firstRun + i);
        if (prop.runCount > 0) expect(explainPixels(plan, runs).value).toBe(prop.pixelCount);
        expect(any.props[index]!.id).toBe(plan.show.props[index]!.id);
      });
    }),
    { numRuns: tries(60) },
  );
});
