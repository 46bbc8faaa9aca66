import { doubtfulDataLines, levelWords, reachWords, type DataLine } from '../answers/dataLines';
import { MOST_CHIP_VOLTS } from '../catalogue/dataLine';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import type { Edit } from '../show/edits/registry';
import { defineCheck, type Finding, type Mend } from './check';
import { itemAt } from '../units/there';
import { runAt } from '../plan/records';

export const dataLines = defineCheck(
  'data-lines',
  'Every data wire is driven high enough and far enough for its first pixel, and has a ground in common with it.',
  (plan) => doubtfulDataLines(plan).flatMap((line) => ofLine(plan, line)),
);

function ofLine(plan: Plan, line: DataLine): Omit<Finding, 'check'>[] {
  const { show } = plan;
  const controller = itemAt(show.controllers, line.controller);
  const { prop, number } = runAt(plan, line.run);
  const { id: propId } = itemAt(show.props, prop);
  const name = `${line.port} to ${runName(plan, line.run)}`;
  const say = (change: Partial<DataLine['said']>): Edit => ({
    type: 'setDataLead',
    propId,
    run: number,
    dataLead: { ...line.said, ...change },
  });
  const found: Omit<Finding, 'check'>[] = [];
  const add = (message: string, mends: Mend[]) =>
    found.push({
      rank: 'willLookWrong',
      stage: 'power',
      propId,
      controllerId: controller.id,
      message: `Data from ${name}: ${message}`,
      mends,
    });
  if (line.driver === 'shifter')
    add(
      'a slow two-way shifter fails at 800 kHz, at first only when it is cold or the wire is long. A fast one-way buffer (74AHCT, 74HCT) does not.',
      [
        {
          label: 'It has a fast buffer',
          edit: {
            type: 'changeController',
            controllerId: controller.id,
            change: { data: { ...controller.data, driver: 'buffer' } },
          },
        },
      ],
    );
  const level = levelWords(line);
  if (level) {
    const mends: Mend[] = [];
    // A buffer gives 5 V, which is not enough where the ground is lifted too far.
    if (!line.said.helper && line.marginVolts + MOST_CHIP_VOLTS - line.logicVolts >= 0)
      mends.push({ label: 'Build in a fast buffer', edit: say({ helper: 'buffer' }) });
    mends.push({
      label: 'Put a hidden pixel before it',
      edit: { type: 'setSkippedPixels', propId, run: number, skippedPixels: 1 },
    });
    add(level, mends);
  }
  const reach = line.reach === 'wrong' ? reachWords(line, plan.show.lengths) : '';
  if (reach) add(reach, [{ label: 'Build in a differential pair', edit: say({ helper: 'pair' }) }]);
  if (line.ground === 'none')
    add(
      'no ground goes along, and no supply joins the two: without a common ground lights flicker at random.',
      [{ label: 'Ground goes along with data', edit: say({ ground: 'along' }) }],
    );
  return found;
}
