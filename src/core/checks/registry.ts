import type { Plan } from '../plan/planned';
import { NO_FACTS, type Facts } from '../show/facts';
import { boardPasses } from './boardPasses';
import { boardLimit } from './boardLimit';
import type { Check, Finding } from './check';
import { byRank } from './rank';
import { networkAddresses } from './networkAddresses';
import { frameRate } from './frameRate';
import { foundDifferences } from './foundDifferences';
import { dataLines } from './dataLines';
import { deviceLimits } from './deviceLimits';
import { wallChannels } from './wallChannels';
import { unevenChains } from './unevenChains';
import { receiverCable } from './receiverCable';
import { ribbonTooLong } from './ribbonTooLong';
import { panelOrders } from './panelOrders';
import { panelsOnChains } from './panelsOnChains';
import { outputOrder } from './outputOrder';
import { chainTooLong } from './chainTooLong';
import { canBeTold } from './canBeTold';
import { cardRectangles } from './cardRectangles';
import { wallDriver } from './wallDriver';
import { emptyLeg } from './emptyLeg';
import { fewerRuns } from './fewerRuns';
import { fuseRows } from './fuseRows';
import { impossibleTree } from './impossibleTree';
import { mixedPort } from './mixedPort';
import { portOverLimit } from './portOverLimit';
import { rangesOdd } from './rangesOdd';
import { runOnNoPort } from './runOnNoPort';
import { screenFrame } from './screenFrame';
import { screenLink } from './screenLink';
import { sharedChannels } from './sharedChannels';
import { sharedUniverse } from './sharedUniverse';
import { spacingTooSmall } from './spacingTooSmall';
import { leadFuses } from './leadFuses';
import { stringConductors } from './stringConductors';
import { starvedPixels } from './starvedPixels';
import {
  boardRange,
  boardVolts,
  fedByNothing,
  joinedPlus,
  looseLeads,
  supplyLoads,
  supplyVolts,
} from './supplies';
import { staleEntry } from './staleEntry';
import { stockTooShort } from './stockTooShort';
import { artNetRange, universesRanOut } from './universeRange';

/** Within a rank findings keep this order. */
export const CHECKS: readonly Check[] = [
  supplyVolts,
  joinedPlus,
  leadFuses,
  stringConductors,
  fuseRows,
  boardPasses,
  supplyLoads,
  boardRange,
  boardVolts,
  fedByNothing,
  looseLeads,
  starvedPixels,
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
  wallDriver,
  panelOrders,
  unevenChains,
  ribbonTooLong,
  mixedPort,
  portOverLimit,
  deviceLimits,
  canBeTold,
  receiverCable,
  networkAddresses,
  runOnNoPort,
  universesRanOut,
  artNetRange,
  sharedChannels,
  sharedUniverse,
  fewerRuns,
  frameRate,
  screenFrame,
  screenLink,
  foundDifferences,
  dataLines,
  staleEntry,
  emptyLeg,
];

/** Findings in a plan by checks that read nothing else. */
const foundInPlan = new WeakMap<Plan, Map<Check, readonly Finding[]>>();

/**
 * Everything worth a builder's attention, the worst rank first and next steps last; it can be paused after each check. Of a plan
 * that was checked before, only what reads facts is looked at anew.
 *
 * @param facts what was noted on site
 */
export function* findingSteps(plan: Plan, facts: Facts = NO_FACTS): Generator<void, Finding[]> {
  const known = foundInPlan.get(plan) ?? new Map<Check, readonly Finding[]>();
  foundInPlan.set(plan, known);
  const findings: Finding[] = [];
  for (const check of CHECKS) {
    const found = known.get(check) ?? check.find(plan, facts);
    if (!check.readsFacts) known.set(check, found);
    findings.push(...found);
    yield;
  }
  return byRank(findings);
}

/** All of `findingSteps` at once. */
export function findingsOf(plan: Plan, facts?: Facts): Finding[] {
  const steps = findingSteps(plan, facts);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
