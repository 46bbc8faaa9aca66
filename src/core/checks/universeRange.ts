import { LAST_UNIVERSE } from '../catalogue/controller';
import { LAST_PORT_ADDRESS, portAddressOn } from '../addressing/numbering';
import { groupDigits } from '../units/number';
import { defineCheck } from './check';

export const universesRanOut = defineCheck(
  'universes-ran-out',
  'Every run ends at or before the last universe of E1.31.',
  (plan) =>
    plan.runsWithoutAddress.map((index) => {
      const run = plan.runs[index]!;
      const prop = plan.show.props[run.prop]!;
      const controller = plan.show.controllers[run.wire!.controller]!;
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
      if (controller.protocol !== 'artnet') return [];
      const universes = plan.spans.filter((span) => span.controller === index).map((span) => span.universe!);
      if (universes.length === 0) return [];
      const [least, most] = universes.reduce(
        ([low, high], universe) => [Math.min(low, universe), Math.max(high, universe)],
        [Infinity, -Infinity],
      );
      const outside = [least, most].find(
        (universe) =>
          portAddressOn(controller, universe) < 0 || portAddressOn(controller, universe) > LAST_PORT_ADDRESS,
      );
      if (outside === undefined) return [];
      return [
        {
          rank: 'willNotLight' as const,
          stage: 'patch' as const,
          controllerId: controller.id,
          message: `${controller.name}: universe ${outside} with the offset ${controller.artNetOffset} would be Art-Net port-address ${portAddressOn(controller, outside)}; these go from 0 to ${groupDigits(LAST_PORT_ADDRESS)}.`,
          mends:
            portAddressOn(controller, least) < 0 && most - 1 <= LAST_PORT_ADDRESS
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
