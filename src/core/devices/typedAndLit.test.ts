import fc from 'fast-check';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { seenAtLeast, tries } from '../../../tests/unit/tries';
import { wrongPorts } from '../../../tests/unit/wrongPorts';
import { SHIPPED_CONTROLLER_TYPES, type ControllerType } from '../catalogue/controllerType';
import { findingsOf } from '../checks/registry';
import { usual } from '../figures/figure';
import { planShow } from '../plan/plan';
import { portsOfController } from '../plan/planIndex';
import type { LaidShow, Plan } from '../plan/planned';
import { propOfRun, runAt } from '../plan/records';
import { isPanelled } from '../props/registry';
import { tile } from '../props/tile';
import { applyEdit, type Edit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { deviceSettings } from './deviceSettings';
import { foresee } from './foresight';
import { portWords } from './portWords';
import { valuesToTick } from './settings/typed';
import { untellableOf } from './troubles';

/** Several sizes of pixels on a port, or panels that are said to have four channels: other checks say what is wrong. */
const isMixed = (plan: Plan, controller: number) =>
  portsOfController(plan, controller).some(
    ({ runs }) =>
      new Set(runs.map((run) => runAt(plan, run).channelsPerPixel)).size > 1 ||
      runs.some((run) => isPanelled(propOfRun(plan, run)) && runAt(plan, run).channelsPerPixel !== 3),
  );

it('lights every pixel by what is typed from the sheet alone, or says that it cannot be', () => {
  let [lit, said] = [0, 0];
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      if (plan.runsWithoutAddress.length > 0) return;
      show.controllers.forEach((_, controller) => {
        if (portsOfController(plan, controller).length === 0 || isMixed(plan, controller)) return;
        const untellable = untellableOf(plan, controller);
        if (untellable.length === 0) {
          lit += 1;
          expect(wrongPorts(show, plan, controller)).toEqual([]);
        } else if (untellable.some(({ is }) => is === 'gap' || is === 'size')) {
          said += 1;
          // A layout that is said to be impossible does not light.
          const tried = () => wrongPorts(show, plan, controller);
          let wrong: unknown;
          try {
            wrong = tried();
          } catch (error) {
            wrong = error;
          }
          expect(wrong).not.toEqual([]);
        }
      });
    }),
    { numRuns: tries(1000) },
  );
  expect(lit).toBeGreaterThanOrEqual(seenAtLeast(200));
  expect(said).toBeGreaterThanOrEqual(seenAtLeast(50));
});

/** Values typed into a device for its first port, and everything that it cannot be told. */
function told(show: Show) {
  const plan = planShow(show);
  const { channelsPerUniverse, ports } = deviceSettings(plan, 0);
  return {
    channelsPerUniverse,
    ports: ports.map(
      ({ name, pixels, universe, channel }) => `${name}: ${pixels} from ${universe}.${channel}`,
    ),
    untellable: untellableOf(plan, 0).map(({ is }) => is),
    wrong: () => wrongPorts(show, plan, 0),
  };
}

const kindWith = (change: Partial<ControllerType>): ControllerType => ({
  ...SHIPPED_CONTROLLER_TYPES[0]!,
  id: 'kind',
  ...change,
});
const withKind = (show: Show, change: Partial<ControllerType>): Show => ({
  ...show,
  controllers: show.controllers.map((each) => ({ ...each, typeId: 'kind' })),
  controllerTypes: [kindWith(change)],
});
const put = (propId: string, port: number, run = 1) => ({
  propId,
  run,
  controllerId: 'a',
  port,
  skippedPixels: 0,
});

describe('sizes of universes', () => {
  // 20 strands of 45 pixels on two ports.
  const tree = aShow({
    props: [aGrid('beacon', 45, 20, { runs: 2 })],
    controllers: [aController()],
    patch: [put('beacon', 1), put('beacon', 2, 2)],
    addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'strand' },
  });

  it('are those that the layout needs: a universe for each strand of 45 is 135 channels, not 510', () => {
    const { channelsPerUniverse, untellable, wrong } = told(tree);
    expect(channelsPerUniverse).toBe(135);
    expect(untellable).toEqual([]);
    expect(wrong()).toEqual([]);
  });

  it('are three strands in each where whole strands are kept together', () => {
    const kept = { ...tree, addressing: { ...tree.addressing, newUniverse: 'wholeStrandsPerPort' as const } };
    expect(told(kept)).toMatchObject({ channelsPerUniverse: 405, untellable: [] });
    expect(told(kept).wrong()).toEqual([]);
  });

  it('are all alike, or a problem with a way out: 510 for RGB and 512 for RGBW are two', () => {
    const two = aShow({
      props: [aLine('rail', 400), aLine('arch', 300, { pixelTypeId: 'rgbw' })],
      controllers: [aController()],
      patch: [put('rail', 1), put('arch', 2)],
    });
    expect(told(two).untellable).toEqual(['size']);
    const [problem] = findingsOf(planShow(two)).filter(({ check }) => check === 'can-be-told');
    expect(problem!.rank).toBe('willNotLight');
    expect(problem!.message).toContain('takes one universe size, but its runs need 510 in U1 and 512 in U3');
    const mended = applyEdit(two, problem!.mends[0]!.edit);
    // 504 are whole pixels of both.
    expect(told(mended)).toMatchObject({ channelsPerUniverse: 504, untellable: [] });
    expect(told(mended).wrong()).toEqual([]);
    // A device that keeps pixels whole by itself has no such problem.
    const whole = withKind(two, { universeSizes: usual('wholePixels') });
    expect(told(whole)).toMatchObject({ channelsPerUniverse: 'whole pixels', untellable: [] });
    expect(told(whole).wrong()).toEqual([]);
  });

  it('are always 512 on some devices, which then take nothing else', () => {
    const line = aShow({
      props: [aLine('rail', 400)],
      controllers: [aController()],
      patch: [put('rail', 1)],
    });
    const fixed = withKind(line, { universeSizes: usual('fixed512') });
    expect(told(fixed).untellable).toEqual(['size']);
    const full = { ...fixed, addressing: { ...fixed.addressing, packing: { kind: 'full512' as const } } };
    expect(told(full)).toMatchObject({ channelsPerUniverse: null, untellable: [] });
    expect(told(full).wrong()).toEqual([]);
  });
});

describe('starts', () => {
  const behind = aShow({
    props: [aLine('eave', 144), aLine('gable', 152)],
    controllers: [aController()],
    patch: [
      { ...put('eave', 1), pin: { universe: 1, channel: 1 } },
      { ...put('gable', 1), pin: { universe: 3, channel: 13 } },
    ],
  });

  it('are one for each port: a second prop that begins elsewhere is a problem, and locked addresses are the cause', () => {
    expect(told(behind).untellable).toEqual(['gap']);
    const [problem] = findingsOf(planShow(behind)).filter(({ check }) => check === 'can-be-told');
    expect(problem!.message).toContain('would find gable, behind eave, at U1 channel 433');
    expect(problem!.message).toContain('begins at U3 channel 13');
    expect(problem!.mends.map(({ label }) => label)).toEqual(['Unlock its addresses']);
    const mended = applyEdit(behind, problem!.mends[0]!.edit);
    expect(told(mended).ports).toEqual(['A1: 296 from 1.1']);
    expect(told(mended).wrong()).toEqual([]);
  });

  it('are one for the device on some, which counts on over its ports', () => {
    const ports = aShow({
      props: [aLine('eave', 100), aLine('gable', 100)],
      controllers: [aController()],
      patch: [put('eave', 1), put('gable', 2)],
      addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'port' },
    });
    const one = withKind(ports, { starts: usual('device') });
    // 300 channels in the first universe, and the device goes on there.
    expect(told(one).channelsPerUniverse).toBe(300);
    expect(told(one).wrong()).toEqual([]);
    const whole = withKind(ports, { starts: usual('device'), universeSizes: usual('wholePixels') });
    expect(told(whole).untellable).toEqual(['size']);
  });

  it('are several for a port on some devices, a row for each prop behind it', () => {
    const several = withKind(behind, { starts: usual('run') });
    expect(told(several)).toMatchObject({
      ports: ['A1, part 1: 144 from 1.1', 'A1, part 2: 152 from 3.13'],
      untellable: [],
    });
    expect(told(several).wrong()).toEqual([]);
    const { ports } = deviceSettings(planShow(several), 0);
    expect(
      valuesToTick(deviceSettings(planShow(several), 0), several.controllers[0]!).map(({ field }) => field),
    ).toEqual(expect.arrayContaining(['port.1.pixels', 'port.1.2.pixels', 'port.1.2.channel']));
    expect(ports.map(({ of }) => of)).toEqual(['eave', 'gable']);
    expect(portWords(planShow(several), 0, 1)).toMatchObject({ count: '144 + 152 px', start: 'U1 ch 1' });
  });

  it('are one for each tile only on tiles: on other devices tiles are pixels behind one another', () => {
    const { shape, threading } = tile.starter();
    const nineTiles = { shape: { ...shape, columns: 3, rows: 3 }, threading };
    const deck = aShow({
      props: [{ ...aLine('deck', 1), kind: 'tile', ...nineTiles } as never],
      controllers: [aController()],
      patch: [put('deck', 1)],
    });
    const strips = withKind(deck, {});
    expect(told(strips)).toMatchObject({ channelsPerUniverse: 510, untellable: [] });
    expect(told(strips).wrong()).toEqual([]);
    const tiles = withKind(deck, { starts: usual('tile') });
    const starts = (of: Show) => planShow(of).spans.map(({ startChannel }) => startChannel);
    expect(starts(tiles)).not.toEqual(starts(strips));
    // A row for each, with no count to type: a tile knows its own.
    expect(told(tiles).ports).toHaveLength(9);
    expect(deviceSettings(planShow(tiles), 0).ports[1]).toMatchObject({
      name: 'A1, place 2',
      of: 'deck, tile 2',
      pixels: null,
      colourOrder: null,
    });
    expect(told(tiles).untellable).toEqual([]);
    expect(told(tiles).wrong()).toEqual([]);
  });
});

it('takes hidden pixels and sizes of pixels as the kind says', () => {
  const hidden = aShow({
    props: [aLine('eave', 20), aLine('gable', 20)],
    controllers: [aController()],
    patch: [put('eave', 1), { ...put('gable', 1), skippedPixels: 2 }],
  });
  expect(told(hidden).untellable).toEqual(['hidden']);
  expect(told(withKind(hidden, { hides: usual('anywhere') })).wrong()).toEqual([]);
  const [problem] = findingsOf(planShow(hidden)).filter(({ check }) => check === 'can-be-told');
  expect(problem!.message).toMatch(
    /^2 hidden pixels before gable on port A1: Box A puts hidden pixels before/,
  );
  const sent = applyEdit(hidden, problem!.mends[0]!.edit);
  expect(told(sent).untellable).toEqual([]);
  expect(told(sent).wrong()).toEqual([]);
  const mixed = aShow({
    props: [aLine('rail', 101), aLine('arch', 50, { pixelTypeId: 'rgbw' })],
    controllers: [aController({ protocol: 'ddp' })],
    patch: [put('rail', 1), put('arch', 2)],
  });
  expect(told(mixed).untellable).toEqual([]);
  expect(told(withKind(mixed, { pixelSizes: usual('ofDevice') })).untellable).toEqual(['pixelSize']);
});

describe('an answer to “this moves addresses”', () => {
  /** Pairs of runs that share a channel, by looking at each. */
  const shared = (plan: LaidShow) => {
    const users = new Map<string, Set<string>>();
    for (const { universe, startChannel, channelCount, run } of plan.spans)
      if (universe !== null)
        for (let channel = startChannel; channel < startChannel + channelCount; channel += 1) {
          const key = `${universe}.${channel}`;
          const { prop, number } = plan.runs[run]!;
          users.set(key, (users.get(key) ?? new Set()).add(`${plan.show.props[prop]!.id} ${number}`));
        }
    return new Set([...users.values()].filter(({ size }) => size > 1).map((each) => [...each].sort().join()));
  };

  it('never makes runs share channels, nor asks of a device what it cannot be told', () => {
    let answers = 0;
    fc.assert(
      fc.property(
        anyShow,
        fc.nat(),
        fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 3 }),
        (any, at, counts) => {
          const lines = any.props.filter(({ kind }) => kind === 'line');
          fc.pre(lines.length > 0);
          // Locked by hand is what a builder answers for.
          let show: Show = { ...any, patch: any.patch.map(({ pin: _, ...entry }) => entry) };
          for (const [i, count] of counts.entries()) {
            const edit: Edit = {
              type: 'setShape',
              propId: lines[at % lines.length]!.id,
              shape: { legs: [{ lengthMm: 5000, headingDeg: 0, pixels: { by: 'count', count } }] },
            };
            const before = planShow(show);
            const edited = planShow(applyEdit(show, edit));
            const choices = foresee(before, edit, edited, '2026-12-01');
            if (!choices) return;
            answers += 1;
            const trouble = (of: LaidShow) =>
              show.controllers.flatMap((_, controller) =>
                untellableOf(of, controller).flatMap(({ is }) =>
                  is === 'gap' || is === 'size' ? [`${controller} ${is}`] : [],
                ),
              );
            const tidy = planShow(applyEdit(show, choices.tidy.edit));
            const least = planShow(applyEdit(show, choices.least.edit));
            expect([...shared(tidy)]).toEqual([]);
            expect([...shared(least)]).toEqual([]);
            expect(trouble(least).filter((each) => !trouble(tidy).includes(each))).toEqual([]);
            show = applyEdit(show, i % 2 === 0 ? choices.least.edit : choices.tidy.edit);
          }
        },
      ),
      { numRuns: tries(300) },
    );
    expect(answers).toBeGreaterThanOrEqual(seenAtLeast(50));
  });

  it('lays all anew where that is chosen: what an earlier answer locked is let go, what was locked by hand stays', () => {
    const show = aShow({
      props: [aLine('rail', 100), aLine('arch', 50), aLine('mast', 60)],
      controllers: [aController()],
      patch: [put('rail', 1), put('arch', 2), put('mast', 3)],
    });
    const grown = (count: number): Edit => ({
      type: 'setShape',
      propId: 'rail',
      shape: { legs: [{ lengthMm: 6000, headingDeg: 0, pixels: { by: 'count', count } }] },
    });
    const answer = (of: Show, count: number) =>
      foresee(planShow(of), grown(count), planShow(applyEdit(of, grown(count))), '2026-12-01')!;
    const kept = applyEdit(show, answer(show, 120).least.edit);
    expect(kept.patch.map(({ pin }) => pin?.kept ?? false)).toEqual([false, '2026-12-01', '2026-12-01']);
    const tidied = applyEdit(kept, answer(kept, 130).tidy.edit);
    expect(tidied.patch.every(({ pin }) => pin === undefined)).toBe(true);
    expect(told(tidied).ports).toEqual(['A1: 130 from 1.1', 'A2: 50 from 1.391', 'A3: 60 from 2.31']);
    const byHand = applyEdit(kept, {
      type: 'setRunAddress',
      propId: 'mast',
      run: 1,
      change: { pin: { universe: 7, channel: 1 } },
    });
    expect(applyEdit(byHand, answer(byHand, 130).tidy.edit).patch.map(({ pin }) => pin?.universe)).toEqual([
      undefined,
      undefined,
      7,
    ]);
  });
});

describe('a device that takes one Art-Net net and sub-net', () => {
  /** Four lines of 170 pixels, a universe each, from universe 16 on: port-addresses 15 to 18. */
  const show = (subNets: 'free' | 'ofDevice' | 'ofFourPorts', firstUniverse = 16) =>
    onPorts(
      aShow({
        props: [1, 2, 3, 4].map((i) => aLine(`line-${i}`, 170)),
        controllers: [aController({ protocol: 'artnet', typeId: 'kind', ports: 8, firstUniverse })],
        controllerTypes: [{ ...SHIPPED_CONTROLLER_TYPES[0]!, id: 'kind', subNets: usual(subNets) }],
      }),
      ['line-1', 1, 1],
      ['line-2', 1, 2],
      ['line-3', 1, 3],
      ['line-4', 1, 4],
    );
  const told = (of: Show) => findingsOf(planShow(of)).filter(({ check }) => check === 'can-be-told');
  it('is told of universes across two sub-nets by nothing, and starts at the next one', () => {
    expect(told(show('free'))).toEqual([]);
    const [finding] = told(show('ofDevice'));
    expect(finding!.message).toContain(
      'line-2 is at port-address 16 (net 0, sub-net 1, universe 0) where the first is at port-address 15 (net 0, sub-net 0, universe 15)',
    );
    const [mend] = finding!.mends;
    expect(mend!.label).toBe('Start Box A at universe 17');
    const next = applyEdit(show('ofDevice'), mend!.edit);
    expect(told(next)).toEqual([]);
    expect(wrongPorts(next, planShow(next), 0)).toEqual([]);
    expect(wrongPorts(show('ofDevice'), planShow(show('ofDevice')), 0)).not.toEqual([]);
  });
  it('is told of each four of its ports apart, where it takes one for four', () => {
    expect(told(show('ofFourPorts'))).toHaveLength(1);
    const apart = show('ofFourPorts', 14);
    // Ports 1 and 2 are at port-addresses 13 and 14, ports 5 and 6 at 15 and 16.
    const moved = {
      ...apart,
      patch: apart.patch.map((entry, i) => (i < 2 ? entry : { ...entry, port: i + 3 })),
    };
    expect(told(moved)).toHaveLength(1);
    const pinned = {
      ...moved,
      patch: moved.patch.map((entry, i) =>
        i < 2 ? entry : { ...entry, pin: { universe: 15 + i, channel: 1 } },
      ),
    };
    expect(told(pinned)).toEqual([]);
    expect(wrongPorts(pinned, planShow(pinned), 0)).toEqual([]);
  });
});
