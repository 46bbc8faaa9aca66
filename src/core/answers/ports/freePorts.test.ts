import fc from 'fast-check';
import { seenAtLeast, tries } from '../../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow } from '../../../../tests/unit/shows';
import { findingsOf } from '../../checks/registry';
import { portName } from '../../catalogue/controller';
import { DRIVERS } from '../../catalogue/dataLine';
import { usual } from '../../figures/figure';
import { planShow } from '../../plan/plan';
import { applyEdit } from '../../show/edits/registry';
import type { Show } from '../../show/schema';
import { freePorts, homesFor } from './freePorts';

const pin = { driver: 'pin' as const, logicVolts: usual(3.3) };

it('suggests a port with a buffer before one of a bare pin at 3.3 V, whose pixels would not take its level', () => {
  const show = aShow({
    props: [aLine('rail', 50)],
    controllers: [aController({ data: pin }), aController({ id: 'b', label: 'B' })],
  });
  expect(homesFor(planShow(show), [0])).toEqual([{ controller: 1, port: 1 }]);
  // Behind a hidden pixel the level is taken.
  const wired = {
    ...show,
    patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 1 }],
  };
  expect(homesFor(planShow(wired), [0])).toEqual([{ controller: 0, port: 2 }]);
});

it('suggests the box that is near enough before the first of the list', () => {
  const at = (xMm: number) => ({ xMm, yMm: 0 });
  const show = aShow({
    props: [aLine('rail', 10, { site: { ...at(0), turnDeg: 0 } })],
    controllers: [aController({ site: at(9000) }), aController({ id: 'b', label: 'B', site: at(1000) })],
  });
  expect(homesFor(planShow(show), [0])).toEqual([{ controller: 1, port: 1 }]);
});

/** Warnings about the data cable of a run. */
const warnings = (show: Show, propId: string) =>
  findingsOf(planShow(show)).filter((each) => each.check === 'data-lines' && each.propId === propId).length;

it('suggests no port with a warning where one without is free', () => {
  let better = 0;
  fc.assert(
    fc.property(
      anyShow,
      fc.array(fc.record({ xMm: fc.integer({ min: 0, max: 12_000 }), driver: fc.constantFrom(...DRIVERS) }), {
        minLength: 3,
        maxLength: 3,
      }),
      (show, boxes) => {
        const [prop] = show.props as [Show['props'][0]];
        const onDrawing: Show = {
          ...show,
          props: [{ ...prop, site: { xMm: 0, yMm: 0, turnDeg: 0 } }],
          patch: show.patch.filter(({ propId, run }) => propId === prop.id && run > 1),
          controllers: show.controllers.map((each, i) => {
            const { xMm, driver } = boxes[i]!;
            return {
              ...each,
              site: { xMm, yMm: 0 },
              data: { driver, logicVolts: usual(driver === 'pin' ? 3.3 : 5) },
            };
          }),
        };
        const plan = planShow(onDrawing);
        // A prop without pixels has no run.
        if (plan.runs.length === 0) return;
        const homes = homesFor(plan, [0]);
        if (!homes) return;
        const put = ({ controller, port }: { controller: number; port: number }) =>
          warnings(
            applyEdit(onDrawing, {
              type: 'putRun',
              propId: prop.id,
              run: 1,
              controllerId: onDrawing.controllers[controller]!.id,
              port,
            }),
            prop.id,
          );
        const suggested = put(homes[0]!);
        const others = freePorts(plan).map((place) => ({
          name: portName(onDrawing.controllers[place.controller]!, place.port),
          count: put(place),
        }));
        if (others.some(({ count }) => count > suggested)) better += 1;
        expect(others.filter(({ count }) => count < suggested)).toEqual([]);
      },
    ),
    { numRuns: tries(150) },
  );
  expect(better).toBeGreaterThanOrEqual(seenAtLeast(20));
});
