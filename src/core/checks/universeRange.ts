import { LAST_UNIVERSE } from '../catalogue/controller';
import { toldUniverse } from '../addressing/numbering';
import { protocolOf } from '../protocols/registry';
import { groupDigits } from '../units/number';
import { defineCheck } from './check';
import { propAt, runAt, controllerAt } from '../plan/records';

export const universesRanOut = defineCheck(
  'universes-ran-out',
  'Every run ends at or before the last universe of E1.31.',
  (plan) =>
    plan.runsWithoutAddress.map((index) => {
      const run = runAt(plan, index);
      const prop = propAt(plan, run.prop);
      const controller = controllerAt(plan, run.wire!.controller);
      return {
        rank: 'willNotLight' as const,
        stage: 'patch' as const,
        propId: prop.id,
        controllerId: controller.id,
        message: `${prop.name} run ${run.number} goes past universe ${groupDigits(LAST_UNIVERSE)}, the last there is, so some of its pixels have no address. Give ${controller.name} a lower first universe.`,
        mends: [],
      };
    }),
);

export const artNetRange = defineCheck(
  'art-net-range',
  'The universes of an Art-Net controller are port-addresses from 0 to 32,767.',
  (plan) =>
    plan.show.controllers.flatMap((controller, index) => {
      const { name, counts } = protocolOf(controller);
      if (counts.kind !== 'universes' || !counts.hasOffset) return [];
      const universes = plan.spans.flatMap(({ controller: of, universe }) =>
        of === index && universe !== null ? [universe] : [],
      );
      if (universes.length === 0) return [];
      const [lowest, highest] = universes.reduce(
        ([low, high], universe) => [Math.min(low, universe), Math.max(high, universe)],
        [Infinity, -Infinity],
      );
      const told = (universe: number) => toldUniverse(controller, universe);
      const outside = [lowest, highest].find(
        (universe) => told(universe) < counts.least || told(universe) > counts.most,
      );
      if (outside === undefined) return [];
      return [
        {
          rank: 'willNotLight' as const,
          stage: 'patch' as const,
          controllerId: controller.id,
          message: `${controller.name}: universe ${outside} with the offset ${controller.artNetOffset} would be ${name} ${counts.word} ${told(outside)}; these go from ${counts.least} to ${groupDigits(counts.most)}.`,
          mends:
            told(lowest) < counts.least && highest - 1 <= counts.most
              ? [
                  {
                    label: 'Use the offset −1',
                    edit: {
                      type: 'changeController' as const,
                      controllerId: controller.id,
                      change: { artNetOffset: -1 },
                    },
                  },
                ]
              : [],
        },
      ];
    }),
);
