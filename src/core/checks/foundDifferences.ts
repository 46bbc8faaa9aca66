import { coloursOfBothEnds } from '../devices/bothEnds';
import { differences } from '../devices/differences';
import { foundIn } from '../devices/found';
import { countOf } from '../units/number';
import { defineFactsCheck, type Finding } from './check';
import { byId } from '../units/there';

export const foundDifferences = defineFactsCheck(
  'found',
  'What devices and senders were found to hold is what is planned, and colours are corrected at one end only.',
  (plan, facts) => {
    const all = foundIn(plan, facts);
    return all.flatMap((found): Omit<Finding, 'check'>[] => {
      const controller = byId(plan.show.controllers, found.controllerId);
      const list = differences(plan, found);
      const about = { stage: 'patch' as const, controllerId: controller.id };
      const first = list[0];
      const device = all.find((each) => each.controllerId === controller.id && each.where === 'controller');
      const ends = found.where === 'sender' && device ? coloursOfBothEnds(plan, device, found) : [];
      const colours = ends.find((each) => !each.isRight) ?? ends[0];
      return [
        ...(colours
          ? [
              {
                ...about,
                rank: colours.isRight ? ('worthKnowing' as const) : ('willLookWrong' as const),
                message: colours.words,
                mends: [],
              },
            ]
          : []),
        ...(first
          ? [
              {
                ...about,
                rank: 'willLookWrong' as const,
                message: `${controller.name}: ${countOf(list.length, 'value')} of ${found.where === 'sender' ? 'its sender' : 'it'}, found ${found.foundAt}, ${list.length === 1 ? 'is' : 'are'} not as planned. ${first.port || 'All of it'}, ${first.what}: planned ${first.planned}, found ${first.found}; ${first.symptom}.`,
                mends: [],
              },
            ]
          : []),
      ];
    });
  },
);
