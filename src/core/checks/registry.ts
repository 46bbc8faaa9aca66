import type { Plan } from '../plan/plan';
import type { Check, Finding } from './check';
import { emptyLeg } from './emptyLeg';
import { fewerRuns } from './fewerRuns';
import { mixedPort } from './mixedPort';
import { portOverLimit } from './portOverLimit';
import { runOnNoPort } from './runOnNoPort';
import { sharedChannels } from './sharedChannels';
import { staleEntry } from './staleEntry';
import { artNetRange, universesRanOut } from './universeRange';

export const CHECKS: readonly Check[] = [
  mixedPort,
  portOverLimit,
  runOnNoPort,
  universesRanOut,
  artNetRange,
  sharedChannels,
  fewerRuns,
  staleEntry,
  emptyLeg,
];

/** Everything worth a builder's attention, what is wrong first. */
export function findingsOf(plan: Plan): Finding[] {
  const findings = CHECKS.flatMap((check) => check.find(plan));
  return [
    ...findings.filter((finding) => finding.severity === 'wrong'),
    ...findings.filter((finding) => finding.severity === 'look'),
  ];
}
