import { z } from 'zod';
import { findingsOf } from '../checks/registry';
import { ShowError } from '../fields/problem';
import { planShow } from '../plan/plan';
import { safeLevel } from '../power/safeLevel';
import { plannedShown, powerReport } from '../power/report';
import { readOlderFile } from '../plan/keptAddresses';
import { parseJson } from '../fields/parseJson';
import { itemAt } from '../units/there';

const askedSchema = z.strictObject({ show: z.unknown(), level: z.number().min(0).max(1).optional() });

/**
 * The currents in a show file at a level of white, for other programs: leads, the lowest volts of each run, supplies, findings.
 *
 * @param text `{"show": a show file, "level": 0..1}`; without a level the one that the show is planned for
 * @throws ShowError with a sentence for each thing that is wrong
 */
export function powerAnswer(text: string) {
  const asked = askedSchema.safeParse(parseJson(text, 'This is not JSON'));
  if (!asked.success)
    throw new ShowError(
      'Send {"show": a show file, "level": the brightness from 0 to 1}; anything else is not known.',
    );
  const plan = planShow(readOlderFile(asked.data.show).show);
  const { show } = plan;
  const planned = plannedShown(show);
  const report = powerReport(plan, { ...planned, level: asked.data.level ?? planned.level });
  return {
    level: report.shown.level,
    safeLevel: safeLevel(plan, planned),
    amps: report.amps,
    heatWatts: report.heatWatts,
    supplies: report.supplies.map(({ supply, ...rest }) => ({ id: itemAt(show.supplies, supply).id, ...rest })),
    feeds: report.leads.map(({ feed, ...rest }) => ({
      id: itemAt(show.feeds, feed).id,
      name: itemAt(show.feeds, feed).name,
      ...rest,
    })),
    runs: report.runs.map(({ prop, ...rest }) => ({ propId: itemAt(show.props, prop).id, ...rest })),
    unfedProps: report.unfedProps.map((prop) => itemAt(show.props, prop).id),
    findings: findingsOf(plan)
      .filter(({ stage }) => stage === 'power')
      .map(({ check, rank, message, propId, controllerId }) => ({
        check,
        rank,
        message,
        propId,
        controllerId,
      })),
  };
}
