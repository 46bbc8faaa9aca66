import { nowAndThen } from '../prior';
import { z } from 'zod';
import {
  changePort,
  controllerIndex,
  defineFault,
  nameOfPort,
  ofController,
  onPort,
  portsOf,
  type OnPort,
} from '../fault';
import { plannedDevice } from '../device';
import { itemAt } from '../../units/there';

interface ChannelsWrong extends OnPort {
  kind: 'channelsWrong';
}

const OTHER: Record<number, string> = { 3: 'RGBW', 4: 'RGB' };

export const channelsWrong = defineFault<ChannelsWrong>({
  kind: 'channelsWrong',
  name: 'Three channels for four, or four for three',
  layer: 'colour',
  prior: nowAndThen('three for four, where white is new to somebody'),
  schema: z.strictObject({ kind: z.literal('channelsWrong'), ...onPort }),
  sentence: (plan, fault) =>
    `${nameOfPort(plan, fault)} is told pixels of ${otherOf(plan, fault)?.length ?? 'other'} channels.`,
  places: (plan) =>
    portsOf(plan).flatMap((place) =>
      otherOf(plan, place) ? [{ kind: 'channelsWrong' as const, ...place }] : [],
    ),
  touches: ofController,
  apply: (rig, fault) => {
    const order = otherOf(rig.plan, fault);
    return order
      ? changePort(rig, fault, ({ segments }) => ({
          segments: segments.map((segment) => ({ ...segment, colourOrder: order })),
        }))
      : rig;
  },
});

/** The order of the other number of channels; undefined for lights of one colour. */
function otherOf(plan: Parameters<typeof plannedDevice>[0], place: OnPort): string | undefined {
  const controller = controllerIndex(plan, place);
  if (controller === -1) return undefined;
  const port = plannedDevice(plan, controller).ports.find((each) => each.port === place.port);
  return port && OTHER[itemAt(port.segments, 0).colourOrder.length];
}
