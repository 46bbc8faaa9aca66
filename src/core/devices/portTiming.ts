import { serialRate } from '../catalogue/network';
import { computed, given, least, sum, type Explained, type Place } from '../figures/explained';
import type { PlannedPort } from '../patch/plug';
import { explainChannelsPerPixel, explainRunPixels } from '../plan/explainRun';
import type { LaidShow } from '../plan/planned';
import { frameRate, frameTime, signalOf } from '../protocols/signal';
import { kindOf } from '../props/registry';
import { portName } from '../catalogue/controller';

export interface PortTiming {
  /** Time for one picture on the wire, in microseconds. */
  frameTime: Explained;
  /** Pictures a second: of the chips, or of the line that feeds the device where that is slower. */
  rate: Explained;
  /** Whether the line is what limits. */
  limitedByLine: boolean;
}

/** How fast a port is; null where panels are behind it, which their driver refreshes. The first run says what chips there are. */
export function portTiming(plan: LaidShow, port: PlannedPort): PortTiming | null {
  const { show } = plan;
  const controller = show.controllers[port.controller]!;
  const props = port.runs.map((run) => show.props[plan.runs[run]!.prop]!);
  if (port.places === 0 || props.some((prop) => kindOf(prop).panelled)) return null;
  const pixelType = show.pixelTypes.find((each) => each.id === props[0]!.pixelTypeId)!;
  const places = placesOf(plan, port);
  const time = frameTime(signalOf(pixelType), places, explainChannelsPerPixel(pixelType));
  const ofChips = frameRate(time);
  const type = show.controllerTypes.find((each) => each.id === controller.typeId);
  if (!type?.baud) return { frameTime: time, rate: ofChips, limitedByLine: false };
  const place: Place = { stage: 'patch', subject: { kind: 'controller', controllerId: controller.id } };
  const ofLine = serialRate(places, given('speed of the line', type.baud, 'baud', { place }));
  return {
    frameTime: time,
    rate: computed('frame rate', 'perSecond', least(ofChips, ofLine), {
      because: 'The line and the chips each have to keep up.',
    }),
    limitedByLine: ofLine.value < ofChips.value,
  };
}

/** What is clocked out for a port: its pixels and the skipped ones. */
export function placesOf(plan: LaidShow, port: PlannedPort): Explained {
  const name = portName(plan.show.controllers[port.controller]!, port.port);
  const skipped = port.places - port.pixels;
  return computed(
    `pixels on ${name}`,
    'pixels',
    sum(
      ...port.runs.map((run) => explainRunPixels(plan, run)),
      ...(skipped > 0 ? [given('skipped pixels', skipped, 'pixels')] : []),
    ),
    { place: { stage: 'patch', subject: { kind: 'port', port: name } } },
  );
}
