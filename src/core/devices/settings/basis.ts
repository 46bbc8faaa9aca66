import { toldUniverse } from '../../addressing/numbering';
import type { Controller } from '../../catalogue/controller';
import { portsOfController } from '../../plan/planIndex';
import type { LaidShow, Span } from '../../plan/planned';
import { linkOf } from '../../catalogue/link';
import { universesOfController } from '../universeSizes';
import type { Telling } from '../../catalogue/controllers/telling';
import { rowsOfPort, spansOfRow, type PortRow } from '../portRows';
import { tellingOfController } from '../tellingOn';
import { itemAt } from '../../units/there';
import { controllerAt, wireOfRun } from '../../plan/records';

/** The facts of a plan from which the settings of one device follow. */
export interface DeviceBasis {
  plan: LaidShow;
  /** Index of the controller in the show. */
  controller: number;
  device: Controller;
  isOnNetwork: boolean;
  telling: Telling;
  /** Channels in each universe that it listens to, by the number that it is told, in ascending order. */
  universes: ReadonlyMap<number, number>;
  /** Channels of the device before each universe of the show, where it counts on over all of them. */
  channelsBefore: ReadonlyMap<number, number>;
  /** One for each row by which it is told its ports. */
  ports: readonly PortBasis[];
}

/** The facts of a plan from which the settings of one port follow, or of a part of one that is told apart. */
export interface PortBasis {
  plan: LaidShow;
  device: Controller;
  port: PortRow;
  /** The spans on it with the lowest and the highest address. */
  first: Span | undefined;
  last: Span | undefined;
  /** It is told universes and channels. */
  isInUniverses: boolean;
  /** It is told bytes of its flat space; what comes down a line of its own is told no start at all. */
  isInBytes: boolean;
  /** It has a start of its own: on a device that counts on from one start only the first row has. */
  hasStart: boolean;
  /** See `DeviceBasis`. */
  channelsBefore: ReadonlyMap<number, number>;
  /** Dark pixels that the device puts on the wire by itself. */
  hiddenPixels: number;
  /** Number of the first LED of the port on its screens. */
  firstLed: number;
}

const known = new WeakMap<LaidShow, DeviceBasis[]>();

/** The facts of one controller; plans are compared with one another again and again. */
export function basisOf(plan: LaidShow, controller: number): DeviceBasis {
  let bases = known.get(plan);
  if (!bases) known.set(plan, (bases = []));
  return (bases[controller] ??= makeBasis(plan, controller));
}

function makeBasis(plan: LaidShow, controller: number): DeviceBasis {
  const device = controllerAt(plan, controller);
  const isOnNetwork = linkOf(plan.show, device) === 'network';
  const sizes = universesOfController(plan, controller);
  const channelsBefore = new Map<number, number>();
  let channels = 0;
  for (const [universe, size] of sizes) {
    channelsBefore.set(universe, channels);
    channels += size;
  }
  const universes = new Map([...sizes].map(([universe, size]) => [toldUniverse(device, universe), size]));
  const telling = tellingOfController(plan, controller);
  const rows = portsOfController(plan, controller).flatMap((port) => rowsOfPort(plan, port));
  const ports = rows.map((port, i): PortBasis => {
    const [first, last] = endsOf(spansOfRow(plan, port));
    return {
      plan,
      device,
      port,
      first,
      last,
      isInUniverses: typeof first?.universe === 'number',
      isInBytes: first?.universe === null && isOnNetwork,
      hasStart: i === 0 || telling.starts.value !== 'device',
      channelsBefore,
      hiddenPixels: port.stretches.reduce((sum, { hidden }) => sum + hidden, 0),
      firstLed:
        wireOfRun(plan, itemAt(port.runs, 0)).placesBeforePort + port.placesBefore + device.firstLedIndex,
    };
  });
  return { plan, controller, device, isOnNetwork, telling, universes, channelsBefore, ports };
}

/** Those with the lowest and the highest address. */
function endsOf(spans: readonly Span[]): [Span?, Span?] {
  const order = (a: Span, b: Span) =>
    (a.universe ?? 0) - (b.universe ?? 0) || a.startChannel - b.startChannel;
  let first: Span | undefined;
  let last: Span | undefined;
  for (const span of spans) {
    if (!first || order(span, first) < 0) first = span;
    if (!last || order(span, last) >= 0) last = span;
  }
  return [first, last];
}
