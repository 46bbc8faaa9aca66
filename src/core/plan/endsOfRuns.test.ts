import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyShow } from '../../../tests/unit/shows';
import { textOf } from '../figures/explained';
import { explainShowChannel, explainStart } from './explainRun';
import { planShow } from './plan';
import { endsOf } from './endsOfRuns';

it('says of several runs the start that is then explained', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      const groups = [
        ...plan.ports.map((port) => port.runs),
        ...plan.props.map(({ firstRun, runCount }) =>
          Array.from({ length: runCount }, (_, i) => firstRun + i),
        ),
      ];
      for (const runs of groups) {
        const ends = endsOf(plan, runs);
        if (!ends) continue;
        expect(textOf(explainStart(plan, ends.firstRun)!, undefined)).toBe(ends.start);
        expect(explainShowChannel(plan, ends.firstRun)!.value).toBe(ends.firstShowChannel);
        expect(ends.lastShowChannel).toBeGreaterThanOrEqual(ends.firstShowChannel);
      }
    }),
    { numRuns: tries(60) },
  );
});
