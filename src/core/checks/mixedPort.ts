import type { PixelType } from '../catalogue/pixelType';
import { portName } from '../catalogue/controller';
import { defineCheck } from './check';
import { moveElsewhere } from './moveElsewhere';
import { itemAt, lastOf, byId } from '../units/there';
import { controllerAt, propOfRun } from '../plan/records';

export const mixedPort = defineCheck(
  'mixed-port',
  'The pixels behind one port have one voltage and one channel count.',
  (plan) =>
    plan.ports.flatMap((port) => {
      const controller = controllerAt(plan, port.controller);
      const types = port.runs.map((run) => {
        const { pixelTypeId } = propOfRun(plan, run);
        return byId(plan.show.pixelTypes, pixelTypeId);
      });
      const volts = [...new Set(types.map((type) => type.volts))];
      const channels = [...new Set(types.map((type) => type.colourOrder.length))];
      if (volts.length === 1 && channels.length === 1) return [];
      // A run unlike the one nearest to the port goes elsewhere.
      const unlike = (isUnlike: (type: PixelType) => boolean) =>
        moveElsewhere(
          plan,
          port.runs.filter((_, i) => isUnlike(itemAt(types, i))),
        );
      const common = {
        stage: 'patch' as const,
        propId: propOfRun(plan, lastOf(port.runs)).id,
        controllerId: controller.id,
      };
      const name = portName(controller, port.port);
      return [
        ...(volts.length > 1
          ? [
              {
                ...common,
                rank: 'canBreak' as const,
                message: `Port ${name} joins pixels of ${volts.join(' V and ')} V. The higher voltage destroys the lower one’s pixels: give each voltage its own port and supply.`,
                mends: unlike((type) => type.volts !== volts[0]),
              },
            ]
          : []),
        ...(channels.length > 1
          ? [
              {
                ...common,
                rank: 'willNotLight' as const,
                message: `Port ${name} joins pixels of ${channels.join(' and ')} channels. Many controllers know one channel count for a port; colours then rotate behind the first change.`,
                mends: unlike((type) => type.colourOrder.length !== channels[0]),
              },
            ]
          : []),
      ];
    }),
);
