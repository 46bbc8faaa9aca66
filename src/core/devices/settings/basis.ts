import { toldUniverse } from '../../addressing/numbering';
import type { Controller } from '../../catalogue/controller';
import type { PlannedPort } from '../../patch/plug';
import { portsOfController, spansOfRun } from '../../plan/planIndex';
import type { LaidShow, Span } from '../../plan/planned';
import { takesRawFrames } from '../rawFrames';
import { universesOfController } from '../universeSizes';
import type { Telling } from '../../catalogue/controllers/telling';
import { tellingOfController } from '../readingOn';
import { itemAt } from '../../units/there';
import { controllerAt, wireOfRun } from '../../plan/records';

/** The facts of a plan from which the settings of one device follow. */
export interface DeviceBasis {
  plan: LaidShow;
  /** Index of the controller in the show. */
  controller: number;
  device: Controller;
  /** Fed raw frames: it is told no universes; its channels keep their places in the count of the show. */
  isRaw: boolean;
  telling: Telling;
  /** Channels in each universe that it listens to, by the number that it is told, in ascending order. */
  universes: ReadonlyMap<number, number>;
  /** Channels of the device before each universe of the show, where it counts on over all of them. */
  channelsBefore: ReadonlyMap<number, number>;
  ports: readonly PortBasis[];
}

/** The facts of a plan from which the settings of one port follow. */
export interface PortBasis {
  plan: LaidShow;
  device: Controller;
  port: PlannedPort;
  /** The spans on it with the lowest and the highest address. */
  first: Span | undefined;
  last: Span | undefined;
  /** It is told universes and channels. */
  isInUniverses: boolean;
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
  const isRaw = takesRawFrames(plan.show, device);
  const sizes = isRaw ? new Map<number, number>() : universesOfController(plan, controller);
  const channelsBefore = new Map<number, number>();
  let channels = 0;
  for (const [universe, size] of sizes) {
    channelsBefore.set(universe, channels);
    channels += size;
  }
  const universes = new Map([...sizes].map(([universe, size]) => [toldUniverse(device, universe), size]));
  const ports = portsOfController(plan, controller).map((port): PortBasis => {
    const [first, last] = endsOf(plan, port.runs);
    return {
      plan,
      device,
      port,
      first,
      last,
      isInUniverses: typeof first?.universe === 'number' && !isRaw,
      channelsBefore,
      hiddenPixels: device.skippedPixelsTakeChannels ? 0 : port.places - port.pixels,
      firstLed: wireOfRun(plan, itemAt(port.runs, 0)).placesBeforePort + device.firstLedIndex,
    };
  });
  const telling = tellingOfController(plan, controller);
  return { plan, controller, device, isRaw, telling, universes, channelsBefore, ports };
}

/** The spans of some runs with the lowest and the highest address. */
function endsOf(plan: LaidShow, runs: readonly number[]): [Span?, Span?] {
  const order = (a: Span, b: Span) =>
    (a.universe ?? 0) - (b.universe ?? 0) || a.startChannel - b.startChannel;
  let first: Span | undefined;
  let last: Span | undefined;
  for (const run of runs)
    for (const span of spansOfRun(plan, run)) {
      if (!first || order(span, first) < 0) first = span;
      if (!last || order(span, last) >= 0) last = span;
    }
  return [first, last];
}
