import { rare } from '../prior';
import { z } from 'zod';
import { changeSender, controllersOf, defineFault } from '../fault';

interface SenderGain {
  kind: 'senderGain';
  colour: 'R' | 'G' | 'B';
}

const WORDS = { R: 'red', G: 'green', B: 'blue' };

export const senderGain = defineFault<SenderGain>({
  kind: 'senderGain',
  name: 'A colour at zero in the sender',
  layer: 'colour',
  prior: rare('a slider of one colour at zero in the program'),
  schema: z.strictObject({ kind: z.literal('senderGain'), colour: z.enum(['R', 'G', 'B']) }),
  sentence: (_plan, fault) => `The ${WORDS[fault.colour]} of the sender is turned down to nothing.`,
  places: (plan) =>
    controllersOf(plan).length === 0
      ? []
      : (['R', 'G', 'B'] as const).map((colour) => ({ kind: 'senderGain' as const, colour })),
  touches: (plan) => plan.show.controllers.map((_, index) => index),
  apply: (rig, fault) => {
    const [red, green, blue, white] = rig.sender.gains;
    return changeSender(rig, {
      gains: [
        fault.colour === 'R' ? 0 : red,
        fault.colour === 'G' ? 0 : green,
        fault.colour === 'B' ? 0 : blue,
        white,
      ],
    });
  },
});
