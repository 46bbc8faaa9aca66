import { kindOf } from '../props/registry';
import { channelsPerPixel } from '../catalogue/pixelType';
import { portName } from '../catalogue/controller';
import { serialRateHz } from '../catalogue/network';
import { mostFrameRateHz, signalOf } from '../protocols/signal';
import { countOf } from '../units/number';
import { defineCheck } from './check';

/** Pictures a second that a show is asked for while nobody has said another number. */
export const USUAL_RATE_HZ = 20;

export const frameRate = defineCheck(
  'frame-rate',
  'Every port can show as many pictures a second as the show is to have.',
  (plan) => {
    const wanted = plan.show.addressing.wantedRateHz ?? USUAL_RATE_HZ;
    return plan.ports.flatMap((port) => {
      const controller = plan.show.controllers[port.controller]!;
      const type = plan.show.controllerTypes.find((each) => each.id === controller.typeId);
      const props = port.runs.map((run) => plan.show.props[plan.runs[run]!.prop]!);
      // Panels are refreshed by their driver.
      if (props.some((prop) => kindOf(prop).panelled)) return [];
      const pixelType = plan.show.pixelTypes.find((each) => each.id === props[0]!.pixelTypeId)!;
      const chips = mostFrameRateHz(signalOf(pixelType.chip), port.places, channelsPerPixel(pixelType));
      const link = type?.baud ? serialRateHz(port.places, type.baud) : Infinity;
      const rate = Math.min(chips, link);
      if (rate >= wanted - 1e-9) return [];
      return [
        {
          severity: 'look' as const,
          stage: 'patch' as const,
          propId: props[0]!.id,
          controllerId: controller.id,
          message: `Port ${portName(controller, port.port)} with ${countOf(port.places, 'pixel')} shows at most ${Math.floor(rate)} pictures a second${link < chips ? ` over ${type!.baud!.toLocaleString('en')} baud` : ''}, and ${wanted} are wanted. Movement stutters there.`,
          mends: [
            {
              label: `Be content with ${Math.floor(rate)} a second`,
              edit: {
                type: 'setAddressing' as const,
                change: { wantedRateHz: Math.max(1, Math.floor(rate)) },
              },
            },
          ],
        },
      ];
    });
  },
);
