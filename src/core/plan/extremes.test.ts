import fc from 'fast-check';
import { seenAtLeast, tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow } from '../../../tests/unit/shows';
import { EXTREMES } from '../../../tests/unit/extremes';
import { findingsOf } from '../checks/registry';
import { deviceSettings } from '../devices/deviceSettings';
import { readShow } from '../show/read';
import { planShow } from './plan';
import { planReport } from '../reports/planReport';

describe.each(EXTREMES)('what is allowed can be planned: %s', (_what, make) => {
  it('is accepted, planned, checked and reported', () => {
    const show = readShow(make());
    const plan = planShow(show);
    const places = plan.ports.reduce((sum, port) => sum + port.pixels, 0);
    const onPorts = plan.runs.reduce((sum, run) => sum + (run.wire ? run.pixelCount : 0), 0);
    expect(places).toBe(onPorts);
    expect(findingsOf(plan).length).toBeLessThan(20_000);
    expect(planReport(plan).spans).toHaveLength(plan.spans.length);
    deviceSettings(plan, 0);
  });
});

/** The pairs of runs that share a channel, by looking at every channel. */
function sharing(plan: ReturnType<typeof planShow>): Set<string> {
  const users = new Map<number, number[]>();
  for (const { universe, startChannel, channelCount, run } of plan.spans)
    if (universe !== null)
      for (let channel = startChannel; channel < startChannel + channelCount; channel += 1) {
        const key = universe * 512 + channel;
        users.set(key, [...(users.get(key) ?? []), run]);
      }
  const devices = new Set<string>();
  for (const runs of users.values())
    for (const one of runs)
      for (const other of runs)
        if (one !== other)
          devices.add(
            [one, other]
              .map((run) => plan.runs[run]!.wire!.controller)
              .sort((a, b) => a - b)
              .join(' '),
          );
  return devices;
}

it('says that channels are shared just where some are, held against a look at every channel', () => {
  let shared = 0;
  const claims = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 3, maxLength: 3 });
  fc.assert(
    fc.property(anyShow, claims, (show, firsts) => {
      const controllers = show.controllers.map((each, i) => ({ ...each, firstUniverse: firsts[i]! }));
      const plan = planShow({ ...show, controllers });
      const found = findingsOf(plan).filter((finding) => finding.check === 'shared-channels');
      const expected = sharing(plan);
      expect(found.length > 0).toBe(expected.size > 0);
      shared += expected.size > 0 ? 1 : 0;
      // Each says of a controller that it shares; one that shares with any is named at least once on one side.
      for (const { controllerId } of found) {
        const index = controllers.findIndex((each) => each.id === controllerId);
        expect([...expected].some((pair) => pair.split(' ').includes(String(index)))).toBe(true);
      }
    }),
    { numRuns: tries(150) },
  );
  expect(shared).toBeGreaterThanOrEqual(seenAtLeast(6));
});

it('names each of ten controllers that repeat one once', () => {
  const labels = [...'ABCDEFGHIJ'];
  const show = aShow({
    props: labels.map((label) => aLine(label.toLowerCase(), 300)),
    controllers: labels.map((label) => aController({ id: label.toLowerCase(), name: label, label })),
    patch: labels.map((label) => ({
      propId: label.toLowerCase(),
      run: 1,
      controllerId: label.toLowerCase(),
      port: 1,
      skippedPixels: 0,
    })),
  });
  const found = findingsOf(planShow(show)).filter((finding) => finding.check === 'shared-channels');
  expect(found).toHaveLength(9);
  expect(new Set(found.map((finding) => finding.controllerId)).size).toBe(9);
});
