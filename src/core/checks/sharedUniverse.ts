import { policyOfRun } from '../plan/plan';
import { spansInUniverse } from '../plan/planIndex';
import { sharedUniverses } from '../devices/sent';
import { countOf } from '../units/number';
import { listOf } from '../units/words';
import { defineCheck } from './check';
import { lastOf } from '../units/there';
import { controllerAt } from '../plan/records';

export const sharedUniverse = defineCheck(
  'shared-universe',
  'A universe belongs to one controller, unless universes are meant to run on from one to the next.',
  (plan) => {
    // Universes that run on are shared at the border of two controllers by intent.
    const shared = sharedUniverses(plan).filter(({ universe }) =>
      spansInUniverse(plan, universe).every((span) => policyOfRun(plan, span.run).newUniverse !== 'never'),
    );
    const groups = new Map<string, { controllers: number[]; universes: number[] }>();
    for (const { universe, controllers } of shared) {
      const key = controllers.join('|');
      const group = groups.get(key) ?? { controllers, universes: [] };
      group.universes.push(universe);
      groups.set(key, group);
    }
    return [...groups.values()].map(({ controllers, universes }) => ({
      rank: 'willLookWrong' as const,
      stage: 'patch' as const,
      controllerId: controllerAt(plan, lastOf(controllers)).id,
      message: `${universes.length === 1 ? `Universe ${universes[0]}` : `${countOf(universes.length, 'universe')} from ${universes[0]} on`} ${universes.length === 1 ? 'is' : 'are'} listened to by ${listOf(controllers.map((index) => controllerAt(plan, index).name))}: the sender has to send ${universes.length === 1 ? 'it' : 'them'} to each of them, and what one of them is sent loads the other.`,
      mends: [],
    }));
  },
);
