import { differences, foundIn } from '../devices/found';
import { countOf } from '../units/number';
import { defineFactsCheck, type Finding } from './check';

export const foundDifferences = defineFactsCheck(
  'found',
  'What devices and senders were found to hold is what is planned, and colours are corrected at one end only.',
  (plan, facts) => {
    const all = foundIn(plan, facts);
    return all.flatMap((found): Omit<Finding, 'check'>[] => {
      const controller = plan.show.controllers.find((each) => each.id === found.controllerId)!;
      const list = differences(plan, found);
      const about = { stage: 'patch' as const, controllerId: controller.id };
      const first = list[0];
      const twice =
        found.where === 'sender'
          ? found.ports.find((port) => {
              const there = all.find(
                (each) => each.controllerId === controller.id && each.where === 'controller',
              );
              const other = there?.ports.find((each) => each.port === port.port);
              return (
                port.colourOrder !== undefined &&
                other?.colourOrder !== undefined &&
                port.colourOrder !== 'RGB' &&
                other.colourOrder !== 'RGB'
              );
            })
          : undefined;
      return [
        ...(twice
          ? [
              {
                ...about,
                severity: 'wrong' as const,
                message: `Port ${controller.label}${twice.port}: the sender puts colours in order and the controller does so again. Corrected twice, two colours are exchanged. Set one of the two to RGB.`,
                mends: [],
              },
            ]
          : []),
        ...(first
          ? [
              {
                ...about,
                severity: 'look' as const,
                message: `${controller.name}: ${countOf(list.length, 'value')} of ${found.where === 'sender' ? 'its sender' : 'it'}, found ${found.foundAt}, ${list.length === 1 ? 'is' : 'are'} not as planned. ${first.port || 'All of it'}, ${first.what}: planned ${first.planned}, found ${first.found}; ${first.symptom}.`,
                mends: [],
              },
            ]
          : []),
      ];
    });
  },
);
