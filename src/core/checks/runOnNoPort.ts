import { portName } from '../catalogue/controller';
import { homesFor } from '../answers/ports/freePorts';
import { countOf } from '../units/number';
import { portsWords } from './moveElsewhere';
import { homesElsewhere, whyHomeless } from './noPort';
import { defineCheck } from './check';
import { itemAt } from '../units/there';
import { plannedAt, runAt, controllerAt } from '../plan/records';

/** With hundreds on no port, a new controller for the first ones comes before any other fix. */
const MOST_WITH_MENDS = 40;

export const runOnNoPort = defineCheck('run-on-no-port', 'Every run is fed by a port.', (plan) => {
  let homelessSoFar = 0;
  return plan.show.props.flatMap((prop, index) => {
    const { firstRun, runCount } = plannedAt(plan, index);
    const loose = Array.from({ length: runCount }, (_, i) => firstRun + i).filter(
      (run) => !runAt(plan, run).wire,
    );
    if (loose.length === 0) return [];
    const which =
      loose.length < runCount
        ? `${loose.length} of its ${countOf(runCount, 'run')} ${loose.length === 1 ? 'is' : 'are'}`
        : runCount === 1
          ? 'its run is'
          : `its ${runCount} runs are`;
    const homeless = { plan, prop: index, loose };
    const homes = homesFor(plan, loose);
    const names = homes?.map(({ controller, port }) => portName(controllerAt(plan, controller), port));
    return [
      {
        // A step that has not been done yet.
        rank: null,
        stage: 'patch' as const,
        propId: prop.id,
        message: `${prop.name}: ${which} on no port, so ${loose.length === 1 ? 'it has' : 'they have'} no address${homes ? '' : `: ${whyHomeless(homeless)}`}.`,
        mends: homes
          ? [
              {
                label: `Put on ${portsWords(names!)}`,
                edit: {
                  type: 'putRuns' as const,
                  runs: homes.map(({ controller, port }, i) => ({
                    propId: prop.id,
                    run: runAt(plan, itemAt(loose, i)).number,
                    controllerId: controllerAt(plan, controller).id,
                    port,
                  })),
                },
              },
            ]
          : (homelessSoFar += 1) <= MOST_WITH_MENDS
            ? homesElsewhere(homeless)
            : [],
      },
    ];
  });
});
