import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aFeed, aSupply, toPixel, typed } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { Facts, type Fact } from '../show/facts';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { explainReadings } from './explainReadings';
import { propPower } from './propPower';
import { readingField, readingNote, readingOf, readingsOf, type ReadingValue } from './readings';
import { solvePower } from './solvePower';

const WHITE = { light: 'white' as const, whiteBy: 'all' as const };

/** A strip of 150 pixels at 5 V, fed at its start by two metres of wire. */
const strip = (change: Partial<Show> = {}, supply = {}): Show =>
  aShow({
    props: [aLine('eave', 150)],
    pixelTypes: aShow().pixelTypes.map((type) =>
      type.id === 'rgb'
        ? {
            ...type,
            volts: 5,
            electric: {
              build: 'strip5' as const,
              draw: { idle: typed(1), R: typed(5), G: typed(5), B: typed(5) },
            },
          }
        : type,
    ),
    supplies: [aSupply({ volts: 5, ...supply })],
    feeds: [
      { ...aFeed([toPixel('eave', 1, { lengthMm: 2000, wire: 'mm2-1.5' })]), id: 'one', name: 'Lead 1' },
      { ...aFeed([toPixel('eave', 150, { lengthMm: 3000, wire: 'mm2-1.5' })]), id: 'two', name: 'Lead 2' },
    ],
    ...change,
  });

let facts = 0;
const noted = (list: 'props' | 'feeds' | 'supplies', id: string, value: ReadingValue): Fact => ({
  ...readingNote(list, id, value),
  id: `fact-${(facts += 1)}`,
  at: '2026-11-26T20:00:00Z',
});

/** Readings of a meter at some pixels of a show as it was built. */
function readAt(built: Show, pixels: readonly number[], percents: readonly number[] = [100]): Fact[] {
  return percents.flatMap((percent) => {
    const { volts } = propPower(planShow(built), 0, { ...WHITE, level: percent / 100 })!;
    return pixels.map((pixel) =>
      noted('props', 'eave', {
        what: 'pixelVolts',
        run: 1,
        pixel,
        light: 'white',
        percent,
        volts: Number(volts[pixel - 1]!.toFixed(2)),
      }),
    );
  });
}

const explained = (show: Show, read: readonly Fact[]) => {
  const plan = planShow(show);
  return explainReadings(plan, readingsOf(plan, new Facts(read)));
};
const electric = (show: Show, change: object): Show => ({
  ...show,
  pixelTypes: show.pixelTypes.map((type) =>
    type.id === 'rgb' ? { ...type, electric: { ...type.electric, ...change } } : type,
  ),
});

it('says that all is as planned where it is', () => {
  const [part] = explained(strip(), readAt(strip(), [1, 40, 75, 150]));
  expect(part).toMatchObject({ isAsPlanned: true, causes: [], next: null });
  expect(part!.checks.every((check) => check.isAsPlanned)).toBe(true);
  expect(explained(strip(), [])).toEqual([]);
});

it('finds the thinner copper, and its figure taken over makes all as planned', () => {
  const built = electric(strip(), { rail: { kind: 'copper', ohmPerM: typed(0.33) } });
  const read = readAt(built, [1, 40, 75, 150]);
  const [part] = explained(strip(), read);
  expect(part!.isAsPlanned).toBe(false);
  expect(part!.causes[0]!.id).toBe('rail rgb');
  expect(part!.causes[0]!.misfit).toBeLessThan(0.3);
  expect(part!.causes[0]!.words).toMatch(/has 0\.3[23]\d? Ω a metre, not 0\.165: thinner/);
  const mended = applyEdit(strip(), part!.causes[0]!.edit!);
  expect(mended.pixelTypes[0]!.electric!.rail).toMatchObject({ ohmPerM: { basis: 'measured' } });
  expect(explained(mended, read)[0]!.isAsPlanned).toBe(true);
});

it('finds a bad joint in a lead, tells how much is lost there, and has no mend but the joint itself', () => {
  const built = strip({
    feeds: strip().feeds.map((feed) =>
      feed.id === 'two' ? { ...feed, pieces: [{ ...feed.pieces[0]!, lengthMm: 60_000 }] } : feed,
    ),
  });
  const [part] = explained(strip(), readAt(built, [1, 75, 120, 150]));
  expect(part!.causes[0]).toMatchObject({ id: 'lead two', edit: null });
  // 57 m more of 13.3 mOhm a metre there and back.
  expect(Number(/has ([\d.]+) Ω/.exec(part!.causes[0]!.words)![1])).toBeCloseTo(57 * 2 * 0.0133, 1);
  expect(part!.causes[0]!.advice).toMatch(/Unplug the supply.* W are lost there/);
});

it('takes a thinner wire over into the plan where it is like one', () => {
  const thin = strip({
    feeds: strip()
      .feeds.map((feed) => ({ ...feed, pieces: [{ ...feed.pieces[0]!, wire: 'awg20' }] }))
      .slice(0, 1),
  });
  const planned = strip({ feeds: strip().feeds.slice(0, 1) });
  const amps = solvePower(planShow(thin), { ...WHITE, level: 1 })[0]!.solution.supplyAmps[0]!;
  const [part] = explained(planned, [
    ...readAt(thin, [1, 75, 150]),
    noted('feeds', 'one', { what: 'amps', light: 'white', percent: 100, amps: Number(amps.toFixed(2)) }),
  ]);
  const lead = part!.causes.find((cause) => cause.id === 'lead one')!;
  expect(lead.misfit).toBeLessThan(1);
  expect(lead.words).toMatch(/as if it were AWG\s20/);
  expect(applyEdit(planned, lead.edit!).feeds[0]!.pieces[0]!.wire).toBe('awg20');
});

it('says where to read next while one reading leaves several causes', () => {
  const built = electric(strip(), { rail: { kind: 'copper', ohmPerM: typed(0.33) } });
  const [part] = explained(strip(), readAt(built, [75]));
  expect(part!.causes.filter((cause) => cause.misfit <= 1).length).toBeGreaterThan(1);
  const { next } = part!;
  expect(next!.volts.length).toBeGreaterThan(1);
  const volts = next!.volts.map((each) => each.volts);
  expect(Math.max(...volts) - Math.min(...volts)).toBeGreaterThan(0.1);
});

it('reads the pixel from which white fades, and the level at which it recovers, as volts', () => {
  const built = electric(strip({ feeds: strip().feeds.slice(0, 1) }), {
    rail: { kind: 'copper', ohmPerM: typed(0.33) },
  });
  const planned = strip({ feeds: strip().feeds.slice(0, 1) });
  // Blue has 80 % of its light at 3.36 V.
  const seen = (level: number) => propPower(planShow(built), 0, { ...WHITE, level })!.volts;
  const pixel = seen(1).findIndex((volts) => volts < 3.36) + 1;
  const percent = [...Array(100).keys()].reverse().find((each) => Math.min(...seen(each / 100)) >= 3.36)!;
  expect(pixel).toBeGreaterThan(10);
  const [part] = explained(planned, [
    noted('props', 'eave', { what: 'fadesFrom', run: 1, pixel, light: 'white', percent: 100 }),
    noted('props', 'eave', { what: 'recovers', run: 1, light: 'white', percent }),
  ]);
  const rail = part!.causes.find((cause) => cause.id === 'rail rgb')!;
  expect(Number(/has ([\d.]+) Ω/.exec(rail.words)![1])).toBeCloseTo(0.33, 1);
});

it('names the difference between what a cap by percent predicts and what was measured', () => {
  const amps = (level: number) =>
    solvePower(planShow(strip()), { ...WHITE, level })[0]!.solution.supplyAmps[0]!;
  const [part] = explained(strip(), [
    noted('supplies', 's', { what: 'amps', light: 'white', percent: 100, amps: amps(1) }),
    // A gamma of 2.2 in the program.
    noted('supplies', 's', { what: 'amps', light: 'white', percent: 50, amps: amps(0.5 ** 2.2) }),
  ]);
  expect(part!.checks.map((check) => check.isAsPlanned)).toEqual([true, false]);
  expect(part!.causes[0]!.words).toMatch(/50 % is 21\.\d % there, as with a gamma of 2\.2/);
});

it('counts what else hangs on a supply within what is read at it', () => {
  const others = [{ name: 'Small computer', amps: typed(2.5) }];
  const show = strip({}, { others });
  const amps = solvePower(planShow(show), { ...WHITE, level: 1 })[0]!.solution.supplyAmps[0]!;
  const [part] = explained(show, [
    noted('supplies', 's', { what: 'amps', light: 'white', percent: 100, amps: amps + 2.5 }),
  ]);
  expect(part!.isAsPlanned).toBe(true);
});

it('leaves what it cannot read: things that are gone, other facts, values of another form', () => {
  const plan = planShow(strip());
  const good = noted('props', 'eave', { what: 'fadesFrom', run: 1, pixel: 3, light: 'white', percent: 100 });
  expect(readingOf(plan, good)).toMatchObject({ unit: 'V', of: { list: 'props', index: 0 } });
  for (const bad of [
    { ...good, recordId: 'gone' },
    { ...good, kind: 'test' as const },
    { ...good, field: 'colour' },
    { ...good, value: { what: 'pixelVolts', volts: -4 } },
    { ...good, list: 'places' as const },
  ])
    expect(readingOf(plan, bad)).toBeNull();
  // At another level it is another reading.
  expect(readingField({ ...(good.value as ReadingValue), percent: 50 })).not.toBe(good.field);
});

it('finds what was made other, whatever it is, from readings along the strip', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('rail', 'draw', 'lead'),
      fc.double({ min: 1.5, max: 3, noNaN: true }),
      fc.boolean(),
      (what, times, less) => {
        const by = less && what !== 'lead' ? 1 / times : times;
        const planned = strip();
        const built =
          what === 'rail'
            ? electric(planned, { rail: { kind: 'copper', ohmPerM: typed(0.165 * by) } })
            : what === 'draw'
              ? electric(planned, {
                  draw: { idle: typed(1), R: typed(5 * by), G: typed(5 * by), B: typed(5 * by) },
                })
              : strip({
                  feeds: planned.feeds.map((feed, i) =>
                    i === 0
                      ? { ...feed, pieces: [{ ...feed.pieces[0]!, lengthMm: 2000 + 30_000 * by }] }
                      : feed,
                  ),
                });
        const amps = solvePower(planShow(built), { ...WHITE, level: 1 })[0]!.solution.supplyAmps[0]!;
        const [part] = explained(planned, [
          ...readAt(built, [1, 40, 75, 110, 150]),
          noted('supplies', 's', { what: 'amps', light: 'white', percent: 100, amps }),
        ]);
        if (part!.isAsPlanned) return;
        expect(part!.causes[0]!.misfit).toBeLessThan(1);
        expect(part!.causes[0]!.id.split(' ')[0]).toBe(what);
      },
    ),
    { numRuns: tries(12) },
  );
}, 60_000);
