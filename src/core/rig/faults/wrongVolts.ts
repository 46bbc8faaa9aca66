import { rare } from '../prior';
import { DARK } from '../chain';
import { markRun, runIndex } from '../fault';
import { runFault } from '../simpleFaults';
import { fedOnce, strungRuns } from '../starving';
import { propAt } from '../../plan/records';

export const wrongVolts = runFault(
  'wrongVolts',
  {
    name: 'Wrong volts',
    layer: 'power',
    prior: rare('12 V on 5 V parts ends them at once, so it is seldom seen for long'),
    sentence: (run) =>
      `${run} hangs on a supply of other volts: lights of 12 V are dim or red on 5 V, those of 5 V are destroyed by 12 V.`,
  },
  (rig, place) => {
    const run = rig.plan.runs[runIndex(rig.plan, place)];
    const prop = run && propAt(rig.plan, run.prop);
    const type = rig.plan.show.pixelTypes.find(({ id }) => id === prop?.pixelTypeId);
    return type && type.volts > 7 ? fedOnce(rig, place, TOO_LOW_V) : markRun(rig, place, DARK);
  },
  strungRuns,
);

/** Below what lights of 12 V begin at, but for their red in groups of three; most of them are dark. */
const TOO_LOW_V = 7.5;
