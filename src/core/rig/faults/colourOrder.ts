import { often } from '../prior';
import { z } from 'zod';
import { COLOUR_ORDERS } from '../../catalogue/pixelType';
import { sameColours } from '../../colours/order';
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

interface ColourOrder extends OnPort {
  kind: 'colourOrder';
  order: string;
}

export const colourOrder = defineFault<ColourOrder>({
  kind: 'colourOrder',
  name: 'Colour order',
  layer: 'colour',
  prior: often('strips of the same chip come in several orders'),
  schema: z.strictObject({
    kind: z.literal('colourOrder'),
    ...onPort,
    order: z.enum(COLOUR_ORDERS),
  }),
  sentence: (plan, fault) => `${nameOfPort(plan, fault)} is told the colour order ${fault.order}.`,
  places: (plan) =>
    portsOf(plan).flatMap((place) => {
      const { ports } = plannedDevice(plan, controllerIndex(plan, place));
      const planned = itemAt(ports.find(({ port }) => port === place.port)!.segments, 0).colourOrder;
      return COLOUR_ORDERS.filter((order) => order !== planned && sameColours(order, planned)).map(
        (order) => ({
          kind: 'colourOrder' as const,
          ...place,
          order,
        }),
      );
    }),
  touches: ofController,
  apply: (rig, fault) =>
    changePort(rig, fault, ({ segments }) => ({
      segments: segments.map((segment) => ({ ...segment, colourOrder: fault.order })),
    })),
});
