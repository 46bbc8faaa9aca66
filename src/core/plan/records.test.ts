import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyShow } from '../../../tests/unit/shows';
import { planShow } from './plan';
import { controllerAt, pixelTypeOf, plannedAt, propAt, propOfRun, runAt } from './records';

it('leads from every index of a plan to its record, and from one beyond to an error', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      plan.runs.forEach((run, index) => {
        expect(runAt(plan, index)).toBe(run);
        expect(propOfRun(plan, index)).toBe(show.props[run.prop]);
        if (run.wire)
          expect(controllerAt(plan, run.wire.controller)).toBe(show.controllers[run.wire.controller]);
      });
      show.props.forEach((prop, index) => {
        expect(propAt(plan, index)).toBe(prop);
        expect(plannedAt(plan, index)).toBe(plan.props[index]);
        expect(pixelTypeOf(show, prop).id).toBe(prop.pixelTypeId);
      });
      expect(() => propAt(plan, show.props.length)).toThrow(RangeError);
      expect(() => plannedAt(plan, -1)).toThrow(RangeError);
      expect(() => runAt(plan, plan.runs.length)).toThrow(RangeError);
      expect(() => controllerAt(plan, show.controllers.length)).toThrow(RangeError);
    }),
    { numRuns: tries(60) },
  );
});
