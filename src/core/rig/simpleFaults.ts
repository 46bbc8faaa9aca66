import { z } from 'zod';
import type { Plan } from '../plan/planned';
import type { DeviceState, PortState } from '../devices/deviceState';
import {
  changeDevice,
  changePort,
  controllersOf,
  defineFault,
  markPixel,
  markRun,
  middlesOf,
  nameOfController,
  nameOfPixel,
  nameOfPort,
  nameOfRun,
  ofController,
  ofRun,
  onController,
  onPixel,
  onPort,
  onRun,
  portsOf,
  runsOf,
  type AlongWire,
  type FaultKind,
  type Layer,
  type OnController,
  type OnPixel,
  type OnPort,
  type OnRun,
} from './fault';
import type { Prior } from './prior';
import type { Rig } from './rig';

/** Words for a fault that is nothing but its place. */
interface Said {
  name: string;
  layer: Layer;
  prior: Prior;
  alongWire?: AlongWire;
  /** A sentence about the thing that it is on, by its name. */
  sentence: (of: string) => string;
}

type At<Place, Kind extends string> = Place & { kind: Kind };

function placed<Place extends object, Kind extends string>(
  kind: Kind,
  said: Said,
  on: {
    fields: Record<string, z.ZodType>;
    nameOf: (plan: Plan, place: Place) => string;
    places: (plan: Plan) => Place[];
    touches: (plan: Plan, place: Place) => number[];
  },
  apply: (rig: Rig, place: Place) => Rig,
): FaultKind<At<Place, Kind>> {
  type Fault = At<Place, Kind>;
  return defineFault<Fault>({
    kind: kind as Fault['kind'],
    name: said.name,
    layer: said.layer,
    prior: said.prior,
    ...(said.alongWire && { alongWire: said.alongWire }),
    schema: z.strictObject({ kind: z.literal(kind), ...on.fields }) as unknown as z.ZodType<Fault>,
    sentence: (plan, fault) => said.sentence(on.nameOf(plan, fault)),
    places: (plan) => on.places(plan).map((place) => ({ ...place, kind })),
    touches: on.touches,
    apply,
  });
}

/** A fault of a whole device. */
export const deviceFault = <Kind extends string>(
  kind: Kind,
  said: Said,
  change: (device: DeviceState, plan: Plan) => Partial<DeviceState>,
) =>
  placed<OnController, Kind>(
    kind,
    said,
    { fields: onController, nameOf: nameOfController, places: controllersOf, touches: ofController },
    (rig, fault) => changeDevice(rig, fault, (device) => change(device, rig.plan)),
  );

/** A fault of one port of a device. */
export const portFault = <Kind extends string>(
  kind: Kind,
  said: Said,
  apply: (rig: Rig, place: OnPort) => Rig,
) =>
  placed<OnPort, Kind>(
    kind,
    said,
    { fields: onPort, nameOf: nameOfPort, places: portsOf, touches: ofController },
    apply,
  );

/** A fault of one field of a port. */
export const portSetting = <Kind extends string>(
  kind: Kind,
  said: Said,
  change: (port: PortState) => Partial<PortState>,
) => portFault(kind, said, (rig, place) => changePort(rig, place, change));

/** A fault of one light on the wire of a port. */
export const pixelFault = <Kind extends string>(kind: Kind, said: Said, state: number) =>
  placed<OnPixel, Kind>(
    kind,
    said,
    { fields: onPixel, nameOf: nameOfPixel, places: middlesOf, touches: ofController },
    (rig, fault) => markPixel(rig, fault, state),
  );

/** A fault of a run, on those that suit. */
export const runFault = <Kind extends string>(
  kind: Kind,
  said: Said,
  apply: (rig: Rig, place: OnRun) => Rig,
  places: (plan: Plan) => OnRun[] = runsOf,
) => placed<OnRun, Kind>(kind, said, { fields: onRun, nameOf: nameOfRun, places, touches: ofRun }, apply);

/** A fault that all lights of a run show. */
export const markedRun = <Kind extends string>(
  kind: Kind,
  said: Said,
  state: number,
  places?: (plan: Plan) => OnRun[],
) => runFault(kind, said, (rig, place) => markRun(rig, place, state), places);
