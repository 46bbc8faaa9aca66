import { nowAndThen } from '../prior';
import { z } from 'zod';
import {
  changeSender,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  type OnController,
} from '../fault';

interface SenderOff extends OnController {
  kind: 'senderOff';
}

export const senderOff = defineFault<SenderOff>({
  kind: 'senderOff',
  name: 'The sender leaves it out',
  layer: 'reach',
  prior: nowAndThen('a controller that was added and not ticked in the sender'),
  schema: z.strictObject({ kind: z.literal('senderOff'), ...onController }),
  sentence: (plan, fault) =>
    `The sender does not send to ${nameOfController(plan, fault)}: off in its list, or another destination.`,
  places: (plan) => controllersOf(plan).map((place) => ({ kind: 'senderOff', ...place })),
  touches: ofController,
  apply: (rig, fault) => {
    const [index] = ofController(rig.plan, fault);
    return index === undefined
      ? rig
      : changeSender(rig, { silentTo: new Set([...rig.sender.silentTo, index]) });
  },
});
