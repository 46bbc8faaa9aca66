import { portName } from '../catalogue/controller';
import { serialRate } from '../catalogue/network';
import type { PixelType } from '../catalogue/pixelType';
import { computed, given, least, sum, type Explained, type Place } from '../figures/explained';
import type { PlannedPort } from '../patch/plug';
import { explainChannelsPerPixel, explainRunPixels } from '../plan/explainRun';
import type { LaidShow } from '../plan/planned';
import { frameRate, frameTime, signalOf } from '../catalogue/signal';
import { isPanelled } from '../props/registry';
import { itemAt, byId } from '../units/there';
import { controllerAt } from '../plan/records';

interface PortTiming {
  /** Time for one picture on the wire, in microseconds. */
  frameTime: Explained;
  /** Pictures a second: of the chips, or of the line that feeds the device where that is slower. */
  rate: Explained;
  /** Whether the line is what limits. */
  limitedByLine: boolean;
}

/** Rate of a port; null where panels are behind it, which their driver refreshes. The first run says which chips are there. */
export function portTiming(plan: LaidShow, port: PlannedPort): PortTiming | null {
  const fed = feedOf(plan, port);
  return fed && timingOf(fed, placesOf(plan, port));
}

interface PortRate {
  rateHz: number;
  limitedByLine: boolean;
}

/** As `portTiming` for one port after another, where nobody asks how; ports that are alike are computed once. */
export function portRates(plan: LaidShow): (port: PlannedPort) => PortRate | null {
  const known = new Map<string, PortRate>();
  return (port) => {
    const fed = feedOf(plan, port);
    if (!fed) return null;
    const key = `${fed.pixelType.id} ${fed.baud} ${port.places}`;
    let rate = known.get(key);
    if (!rate) {
      const timing = timingOf(fed, given('pixels', port.places, 'pixels'));
      known.set(key, (rate = { rateHz: timing.rate.value, limitedByLine: timing.limitedByLine }));
    }
    return rate;
  };
}

/** Chips behind a port, and the line into the device. */
interface Feed {
  pixelType: PixelType;
  controllerId: string;
  baud: number | undefined;
}

function feedOf({ show, runs }: LaidShow, port: PlannedPort): Feed | null {
  const propOf = (run: number) => itemAt(show.props, itemAt(runs, run).prop);
  if (port.places === 0 || port.runs.some((run) => isPanelled(propOf(run)))) return null;
  const { pixelTypeId } = propOf(itemAt(port.runs, 0));
  const { id, typeId } = itemAt(show.controllers, port.controller);
  return {
    pixelType: byId(show.pixelTypes, pixelTypeId),
    controllerId: id,
    baud: show.controllerTypes.find((each) => each.id === typeId)?.baud,
  };
}

function timingOf({ pixelType, controllerId, baud }: Feed, places: Explained): PortTiming {
  const time = frameTime(signalOf(pixelType), places, explainChannelsPerPixel(pixelType));
  const ofChips = frameRate(time);
  if (!baud) return { frameTime: time, rate: ofChips, limitedByLine: false };
  const place: Place = { stage: 'patch', subject: { kind: 'controller', controllerId } };
  const ofLine = serialRate(places, given('speed of the line', baud, 'baud', { place }));
  return {
    frameTime: time,
    rate: computed('frame rate', 'perSecond', least(ofChips, ofLine), {
      because: 'The line and the chips each have to keep up.',
    }),
    limitedByLine: ofLine.value < ofChips.value,
  };
}

/** Pixels clocked out for a port: its own and the skipped ones. */
export function placesOf(plan: LaidShow, port: PlannedPort): Explained {
  const name = portName(controllerAt(plan, port.controller), port.port);
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
