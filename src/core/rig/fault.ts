import { z } from 'zod';
import { portName } from '../catalogue/controller';
import { idSchema } from '../fields/fields';
import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import type { DeviceState, PortState } from '../devices/deviceState';
import type { Chain } from './chain';
import type { Prior } from './prior';
import type { Rig } from './rig';
import type { SenderState } from './sending';
import { propAt, runAt, controllerAt } from '../plan/records';

/** The layers of a display, in the order in which they are looked at: what is wrong below hides what is wrong above. */
export const LAYERS = ['power', 'reach', 'count', 'colour', 'place', 'packing'] as const;
export type Layer = (typeof LAYERS)[number];

/** Places of a wire: as they were, dark, or with the data of a pixel before or behind. */
export type PlacesSeen = 'asWas' | 'dark' | 'late' | 'early';

/** Changes at the place of a fault and behind it; before it everything is as it was. */
export interface AlongWire {
  at: PlacesSeen;
  behind: PlacesSeen;
}

/** A kind of thing that may be the matter. */
export interface FaultKind<Fault extends { kind: string }> {
  kind: Fault['kind'];
  name: string;
  layer: Layer;
  /** Likelihood before anything was looked at. */
  prior: Prior;
  /** The look of its wire at any place, for faults that may be at every place of a wire. */
  alongWire?: AlongWire;
  schema: z.ZodType<Fault>;
  /** The fault in a builder's words. */
  sentence: (plan: Plan, fault: Fault) => string;
  /** Everywhere that it may be in a show; of a place along a wire one in the middle stands for all. */
  places: (plan: Plan) => Fault[];
  /** All of its places on a prop, where `places` has one stand for many. */
  everywhere?: (plan: Plan, propId: string) => Fault[];
  /** Indices of the controllers whose lights it can touch. */
  touches: (plan: Plan, fault: Fault) => number[];
  /** The display with it; the same one where its place is not there. */
  apply: (rig: Rig, fault: Fault) => Rig;
}

export function defineFault<Fault extends { kind: string }>(kind: FaultKind<Fault>): FaultKind<Fault> {
  return kind;
}

/** The parts of which the places of faults are made. */
export const onController = { controllerId: idSchema };
export const onPort = { ...onController, port: z.int().min(1).max(256) };
export const onRun = { propId: idSchema, run: z.int().min(1).max(500) };
/** Counted on the wire from the port, hidden ones too. */
export const onPixel = { ...onPort, place: z.int().min(1).max(4_000_000) };

export interface OnController {
  controllerId: string;
}
export interface OnPort extends OnController {
  port: number;
}
export interface OnPixel extends OnPort {
  place: number;
}
export interface OnRun {
  propId: string;
  run: number;
}

export const controllerIndex = ({ show }: Plan, { controllerId }: OnController) =>
  show.controllers.findIndex(({ id }) => id === controllerId);

/** -1 where it is not there. */
export function runIndex({ show, props }: Plan, { propId, run }: OnRun): number {
  const planned = props[show.props.findIndex(({ id }) => id === propId)];
  return planned && run <= planned.runCount ? planned.firstRun + run - 1 : -1;
}

export const ofController = (plan: Plan, place: OnController): number[] => {
  const index = controllerIndex(plan, place);
  return index === -1 ? [] : [index];
};

export const ofRun = (plan: Plan, place: OnRun): number[] => {
  const wire = plan.runs[runIndex(plan, place)]?.wire;
  return wire ? [wire.controller] : [];
};

/** Controllers that something is plugged into. */
export const controllersOf = (plan: Plan): OnController[] =>
  plan.show.controllers.flatMap(({ id }, index) =>
    portsOfController(plan, index).length > 0 ? [{ controllerId: id }] : [],
  );

export const portsOf = (plan: Plan): OnPort[] =>
  plan.ports.map(({ controller, port }) => ({ controllerId: controllerAt(plan, controller).id, port }));

/** Runs that are on a port. */
export const runsOf = (plan: Plan): OnRun[] =>
  plan.runs.flatMap(({ prop, number, wire }) =>
    wire ? [{ propId: propAt(plan, prop).id, run: number }] : [],
  );

/** A place in the middle of each port. */
export const middlesOf = (plan: Plan): OnPixel[] =>
  plan.ports.flatMap(({ controller, port, places }) =>
    places < 2
      ? []
      : [{ controllerId: controllerAt(plan, controller).id, port, place: Math.ceil(places / 2) }],
  );

export const nameOfController = ({ show }: Plan, { controllerId }: OnController) =>
  show.controllers.find(({ id }) => id === controllerId)?.name ?? 'a controller';

export function nameOfPort({ show }: Plan, { controllerId, port }: OnPort): string {
  const controller = show.controllers.find(({ id }) => id === controllerId);
  return controller ? `port ${portName(controller, port)}` : `port ${port}`;
}

export function nameOfRun(plan: Plan, place: OnRun): string {
  const index = runIndex(plan, place);
  return index === -1 ? 'a run' : runName(plan, index);
}

/** `pixel 12 of Net curtain run 1`, or the place on the wire where no pixel of the plan is there. */
export function nameOfPixel(plan: Plan, place: OnPixel): string {
  const controller = controllerIndex(plan, place);
  const port = portsOfController(plan, controller).find((each) => each.port === place.port);
  for (const index of port?.runs ?? []) {
    const { wire, pixelCount } = runAt(plan, index);
    const pixel = place.place - wire!.firstPlace + 1;
    if (pixel >= 1 && pixel <= pixelCount) return `pixel ${pixel} of ${runName(plan, index)}`;
  }
  return `place ${place.place} on the wire of ${nameOfPort(plan, place)}`;
}

export function changeDevice(
  rig: Rig,
  place: OnController,
  change: (device: DeviceState) => Partial<DeviceState>,
): Rig {
  const index = controllerIndex(rig.plan, place);
  return {
    ...rig,
    devices: rig.devices.map((device) =>
      device.controller === index ? { ...device, ...change(device) } : device,
    ),
  };
}

export function changePort(rig: Rig, place: OnPort, change: (port: PortState) => Partial<PortState>): Rig {
  return changeDevice(rig, place, ({ ports }) => ({
    ports: ports.map((port) => (port.port === place.port ? { ...port, ...change(port) } : port)),
  }));
}

export function changeChain(rig: Rig, place: OnPort, change: (chain: Chain) => Partial<Chain>): Rig {
  const index = controllerIndex(rig.plan, place);
  return {
    ...rig,
    chains: rig.chains.map((chain) =>
      chain.controller === index && chain.port === place.port ? { ...chain, ...change(chain) } : chain,
    ),
  };
}

/** Marks one light of a chain. */
export function markPixel(rig: Rig, place: OnPixel, state: number): Rig {
  return changeChain(rig, place, (chain) => {
    if (place.place > chain.state.length) return {};
    const marked = Uint8Array.from(chain.state);
    marked[place.place - 1] = state;
    return { state: marked };
  });
}

/** Marks every light of a run, wherever it is plugged in. */
export function markRun(rig: Rig, place: OnRun, state: number, from = 0): Rig {
  const run = rig.plan.runs[runIndex(rig.plan, place)];
  if (!run?.wire) return rig;
  const first = run.firstPixel + from;
  const end = run.firstPixel + run.pixelCount;
  return {
    ...rig,
    chains: rig.chains.map((chain) => {
      if (chain.controller !== run.wire!.controller || chain.port !== run.wire!.port) return chain;
      const marked = chain.state.map((before, i) =>
        chain.pixel[i]! >= first && chain.pixel[i]! < end ? state : before,
      );
      return { ...chain, state: marked };
    }),
  };
}

export const changeSender = (rig: Rig, change: Partial<SenderState>): Rig => ({
  ...rig,
  sender: { ...rig.sender, ...change },
});

/** The map with one entry more. */
export const withEntry = <Value>(map: ReadonlyMap<number, Value>, key: number, value: Value) =>
  new Map(map).set(key, value);
