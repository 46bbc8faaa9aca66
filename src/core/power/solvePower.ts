import type { Plan } from '../plan/planned';
import { powerGroups, type PowerGroup } from './groups';
import type { Shown } from './shown';
import { NetworkSolver, type Solution } from './solve';
import { rampsOfKinds, type PowerWiring } from './wiring';
import { wirePower } from './networkBuilder';
import { itemAt } from '../units/there';

/** A part of a show that power ties together, and what flows in it. */
export interface SolvedGroup {
  group: PowerGroup;
  wiring: PowerWiring;
  solution: Solution;
}

interface Ready {
  group: PowerGroup;
  wiring: PowerWiring;
  solver: NetworkSolver;
}

/** Only what is shown changes while a level is dragged, so networks are put together once for each plan. */
const known = new WeakMap<Plan, { groups: PowerGroup[]; ready: (Ready | undefined)[] }>();

function groupsOf(plan: Plan) {
  let found = known.get(plan);
  if (!found) known.set(plan, (found = { groups: powerGroups(plan), ready: [] }));
  return found;
}

function solveGroup(plan: Plan, index: number, shown: Shown): SolvedGroup {
  const { groups, ready } = groupsOf(plan);
  let one = ready[index];
  if (!one) {
    const group = itemAt(groups, index);
    const wiring = wirePower(plan, group);
    const kinds = rampsOfKinds(wiring.kinds, shown);
    one = { group, wiring, solver: new NetworkSolver({ ...wiring.network, kinds }) };
    ready[index] = one;
  }
  return {
    group: one.group,
    wiring: one.wiring,
    solution: one.solver.solve(rampsOfKinds(one.wiring.kinds, shown)),
  };
}

/** Everything of a show that is fed, solved. What no lead goes to is not in it. */
export function solvePower(plan: Plan, shown: Shown): SolvedGroup[] {
  return groupsOf(plan).groups.map((_, index) => solveGroup(plan, index, shown));
}

/** The parts of a show that suit; the others are not solved. */
export function solveSuited(plan: Plan, suits: (group: PowerGroup) => boolean, shown: Shown): SolvedGroup[] {
  return groupsOf(plan).groups.flatMap((group, index) =>
    suits(group) ? [solveGroup(plan, index, shown)] : [],
  );
}

/** The part of a show that a prop is in; null where no lead goes to it. */
export function solvePropPower(plan: Plan, prop: number, shown: Shown): SolvedGroup | null {
  const index = groupsOf(plan).groups.findIndex((group) => group.props.includes(prop));
  return index === -1 ? null : solveGroup(plan, index, shown);
}

/** A part once, without keeping anything for the next level. */
function solveOnce(plan: Plan, group: PowerGroup, shown: Shown): SolvedGroup {
  const wiring = wirePower(plan, group);
  const solver = new NetworkSolver({ ...wiring.network, kinds: rampsOfKinds(wiring.kinds, shown) });
  return { group, wiring, solution: solver.solve() };
}

/** The same for a plan that is only tried: nothing of it is kept. */
export function solveTried(plan: Plan, suits: (group: PowerGroup) => boolean, shown: Shown): SolvedGroup[] {
  return powerGroups(plan)
    .filter(suits)
    .map((group) => solveOnce(plan, group, shown));
}

/** The same part with one lead not there, as when its fuse is open. */
export function solveWithout(plan: Plan, group: PowerGroup, feed: number, shown: Shown): SolvedGroup {
  return solveOnce(plan, { ...group, feeds: group.feeds.filter((each) => each !== feed) }, shown);
}
