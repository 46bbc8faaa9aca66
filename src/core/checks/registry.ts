import type { Plan } from '../plan/planned';
import { NO_FACTS, type Facts } from '../show/facts';
import { boardLimit } from './boardLimit';
import type { Check, Finding } from './check';
import { networkAddresses } from './networkAddresses';
import { frameRate } from './frameRate';
import { foundDifferences } from './foundDifferences';
import { deviceLimits } from './deviceLimits';
import { wallChannels } from './wallChannels';
import { unevenChains } from './unevenChains';
import { receiverCable } from './receiverCable';
import { ribbonTooLong } from './ribbonTooLong';
import { panelsOnChains } from './panelsOnChains';
import { outputOrder } from './outputOrder';
import { coloursTwice } from './coloursTwice';
import { chainTooLong } from './chainTooLong';
import { cardRectangles } from './cardRectangles';
import { emptyLeg } from './emptyLeg';
import { fewerRuns } from './fewerRuns';
import { impossibleTree } from './impossibleTree';
import { mixedPort } from './mixedPort';
import { portOverLimit } from './portOverLimit';
import { rangesOdd } from './rangesOdd';
import { runOnNoPort } from './runOnNoPort';
import { sharedChannels } from './sharedChannels';
import { spacingTooSmall } from './spacingTooSmall';
import { staleEntry } from './staleEntry';
import { stockTooShort } from './stockTooShort';
import { artNetRange, universesRanOut } from './universeRange';

export const CHECKS: readonly Check[] = [
  impossibleTree,
  spacingTooSmall,
  boardLimit,
  stockTooShort,
  rangesOdd,
  wallChannels,
  panelsOnChains,
  chainTooLong,
  outputOrder,
  cardRectangles,
  coloursTwice,
  unevenChains,
  ribbonTooLong,
  mixedPort,
  portOverLimit,
  deviceLimits,
  receiverCable,
  networkAddresses,
  runOnNoPort,
  universesRanOut,
  artNetRange,
  sharedChannels,
  fewerRuns,
  frameRate,
  foundDifferences,
  staleEntry,
  emptyLeg,
];

/**
 * Everything worth a builder's attention, what is wrong first.
 *
 * @param facts what was noted on site
 */
export function findingsOf(plan: Plan, facts: Facts = NO_FACTS): Finding[] {
  const findings = CHECKS.flatMap((check) => check.find(plan, facts));
  return [
    ...findings.filter((finding) => finding.severity === 'wrong'),
    ...findings.filter((finding) => finding.severity === 'look'),
  ];
}
