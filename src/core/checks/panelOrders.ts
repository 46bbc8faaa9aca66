import { colourPlan } from '../devices/colourOrders';
import { listOf } from '../units/words';
import { defineWallCheck } from './walls';
import { plannedAt, runAt, controllerAt } from '../plan/records';

export const panelOrders = defineWallCheck(
  'panel-orders',
  'Panels that take their colours in different orders are told apart by their driver: a sender knows no panels.',
  ({ index, finding }, plan) => {
    const run = plannedAt(plan, index).firstRun;
    const { chips, correctedAt } = colourPlan(plan, run);
    if (chips.length < 2 || correctedAt === 'controller') return [];
    const { wire } = runAt(plan, run);
    return [
      finding(
        'willLookWrong',
        `its panels take colours as ${listOf(chips)}, but colours are put in order at the sender, which sends one picture and knows no panels. All but the ${chips[0]} ones show exchanged colours.`,
        [
          wire
            ? {
                label: 'Correct colours at the driver',
                edit: {
                  type: 'changeController' as const,
                  controllerId: controllerAt(plan, wire.controller).id,
                  change: { coloursAt: 'controller' as const },
                },
              }
            : {
                label: 'Correct colours at the controllers',
                edit: { type: 'setAddressing' as const, change: { coloursAt: 'controller' as const } },
              },
        ],
        'build',
      ),
    ];
  },
);
