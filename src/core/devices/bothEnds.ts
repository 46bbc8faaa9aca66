import { comesOutRight, exchangeWords } from '../colours/order';
import { portName } from '../catalogue/controller';
import { portsOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';
import { colourPlan } from './colourOrders';
import type { FoundSettings } from './found';
import { itemAt } from '../units/there';
import { controllerAt } from '../plan/records';

/** The colours of a port through both ends. */
interface ColoursOfPort {
  isRight: boolean;
  words: string;
}

/** Colours of each port of which both ends were looked at, where one is not as planned. */
export function coloursOfBothEnds(
  plan: LaidShow,
  controller: FoundSettings,
  sender: FoundSettings,
): ColoursOfPort[] {
  const index = plan.show.controllers.findIndex((each) => each.id === controller.controllerId);
  return controller.ports.flatMap(({ port, colourOrder: there }): ColoursOfPort[] => {
    const here = sender.ports.find((each) => each.port === port)?.colourOrder;
    const runs = portsOfController(plan, index).find((each) => each.port === port)?.runs;
    if (!here || !there || !runs) return [];
    const planned = colourPlan(plan, itemAt(runs, 0));
    if (there === planned.controller && here === planned.sender) return [];
    const chip = itemAt(planned.chips, 0);
    const name = portName(controllerAt(plan, index), port);
    if (comesOutRight(chip, there, here))
      return [
        {
          isRight: true,
          words: `Port ${name}: colours come out right with ${there} on the controller and ${here} in the sender; the plan corrects them at the ${planned.correctedAt}.`,
        },
      ];
    return [
      {
        isRight: false,
        words: `Port ${name}: with ${there} on the controller and ${here} in the sender ${exchangeWords(chip, there, here) || 'colours are counted differently at the two ends'}. Correct at one end only: ${planned.controller} on the controller, ${planned.sender} in the sender.`,
      },
    ];
  });
}
