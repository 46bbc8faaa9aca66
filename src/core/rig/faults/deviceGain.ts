import { rare } from '../prior';
import { z } from 'zod';
import {
  changeDevice,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  type OnController,
} from '../fault';
import { mapTuple } from '../../units/tuple';

const WORDS = { R: 'red', G: 'green', B: 'blue' };

interface DeviceGain extends OnController {
  kind: 'deviceGain';
  colour: 'R' | 'G' | 'B';
}

export const deviceGain = defineFault<DeviceGain>({
  kind: 'deviceGain',
  name: 'A colour at zero on the device',
  layer: 'colour',
  prior: rare('a slider of one colour at zero'),
  schema: z.strictObject({ kind: z.literal('deviceGain'), ...onController, colour: z.enum(['R', 'G', 'B']) }),
  sentence: (plan, fault) =>
    `The ${WORDS[fault.colour]} of ${nameOfController(plan, fault)} is turned down to nothing.`,
  places: (plan) =>
    controllersOf(plan).flatMap((place) =>
      (['R', 'G', 'B'] as const).map((colour) => ({ kind: 'deviceGain' as const, ...place, colour })),
    ),
  touches: ofController,
  apply: (rig, fault) =>
    changeDevice(rig, fault, ({ gains }) => ({
      gains: mapTuple(gains, (gain, i) => ('RGBW'[i] === fault.colour ? 0 : gain)),
    })),
});
