import { wallOf } from '../props/registry';
import { listensToGroups } from '../protocols/registry';
import { portName } from '../catalogue/controller';
import { serialRate } from '../catalogue/network';
import { wantedRateOf } from '../catalogue/packing';
import { linkLoad } from '../devices/linkLoad';
import { portTiming } from '../devices/portTiming';
import { given, type Explained } from '../figures/explained';
import { refreshHz } from '../panels/driver';
import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { mostPixelsAtRate, signalOf } from '../catalogue/signal';
import { linkOf } from '../rig/links';
import type { Link } from '../catalogue/link';
import { countOf, groupDigits } from '../units/number';
import { itemAt, byId } from '../units/there';
import { propAt, runAt, controllerAt } from '../plan/records';

/** The slowest step of a frame on its way to a device. */
export type Bottleneck = 'wire' | 'line' | 'link' | 'panels';

/** The way of pictures to one device, in time. */
export interface TrafficOf {
  /** Index in the show. */
  controller: number;
  link: Link;
  /** Traffic at the wanted rate, in Mbit/s. */
  mbits: Explained;
  /** Limit of its link, in Mbit/s; null where nobody said it. */
  linkMbits: number | null;
  /** Its port that is slowest, with the time of a picture on its wire; null where none is timed. */
  slowest: { port: string; frameTime: Explained; rateHz: number; isByLine: boolean } | null;
  /** Refresh of its panels, as an estimate; null without panels. */
  refreshHz: number | null;
  /** Pictures a second that get through. */
  rateHz: number;
  /** The step below the wanted rate; null where every one keeps it. */
  bottleneck: Bottleneck | null;
  /** The smallest change that lifts it. */
  change: string | null;
}

export interface Traffic {
  wantedHz: number;
  devices: TrafficOf[];
  /** Traffic from the sender, in Mbit/s. */
  senderMbits: number;
  /** Traffic on every port of a switch: frames for cards without an address, and groups where the switch does not look into them. */
  flood: { rawMbits: number; groupMbits: number };
  /** Devices whose link carries less than their own load and the flood together, and how much that is. */
  flooded: { controller: number; mbits: number; linkMbits: number }[];
}

/** Rates at which serial lines are usually run. */
const BAUDS = [115_200, 230_400, 460_800, 500_000, 921_600, 1_000_000, 1_500_000, 2_000_000];
/** Links that are usual, in Mbit/s. */
const LINKS = [100, 1000];
/** Below this panels flicker before a camera, and to some eyes. */
const LEAST_REFRESH_HZ = 100;

/** Times of all steps, device by device, and the slowest. */
export function trafficOf(plan: Plan): Traffic {
  const { show } = plan;
  const wantedHz = wantedRateOf(show.addressing);
  const devices = show.controllers.map((_, controller) => ofDevice(plan, controller, wantedHz));
  const of = (isIt: (device: TrafficOf) => boolean) =>
    devices.filter(isIt).reduce((sum, { mbits }) => sum + mbits.value, 0);
  const isGroup = ({ controller, link }: TrafficOf) => {
    return link === 'network' && listensToGroups(itemAt(show.controllers, controller));
  };
  const flood = { rawMbits: of(({ link }) => link === 'raw'), groupMbits: of(isGroup) };
  return {
    wantedHz,
    devices,
    senderMbits: of(({ link }) => isByEthernet(link)),
    flood,
    flooded: devices.flatMap((device) => {
      const { controller, link, linkMbits, mbits } = device;
      if (linkMbits === null || !isByEthernet(link)) return [];
      const others =
        flood.rawMbits + flood.groupMbits - (link === 'raw' || isGroup(device) ? mbits.value : 0);
      const all = mbits.value + others;
      return others > 0 && all > linkMbits && mbits.value <= linkMbits
        ? [{ controller, mbits: all, linkMbits }]
        : [];
    }),
  };
}

/** Pictures go out of the sender's own network port. */
const isByEthernet = (link: Link) => link === 'network' || link === 'raw';

function ofDevice(plan: Plan, controller: number, wantedHz: number): TrafficOf {
  const { show } = plan;
  const device = itemAt(show.controllers, controller);
  const type = show.controllerTypes.find(({ id }) => id === device.typeId);
  const link = linkOf(plan, controller);
  const { mbits } = linkLoad(plan, controller, wantedHz);
  const linkMbits = type?.linkMbits?.value ?? null;
  const timed = portsOfController(plan, controller).flatMap((port) => {
    const timing = portTiming(plan, port);
    return timing ? [{ port, timing }] : [];
  });
  const slow = timed.reduce<(typeof timed)[number] | null>(
    (least, each) => (least && least.timing.rate.value <= each.timing.rate.value ? least : each),
    null,
  );
  const refresh = refreshOf(plan, controller);
  const byLink = linkMbits === null || mbits.value === 0 ? Infinity : (wantedHz * linkMbits) / mbits.value;
  const byPort = slow?.timing.rate.value ?? Infinity;
  const rateHz = Math.min(wantedHz, byLink, byPort);
  const bottleneck: Bottleneck | null =
    rateHz >= wantedHz - 1e-9
      ? refresh !== null && refresh < LEAST_REFRESH_HZ
        ? 'panels'
        : null
      : byLink < byPort
        ? 'link'
        : slow!.timing.limitedByLine
          ? 'line'
          : 'wire';
  return {
    controller,
    link,
    mbits,
    linkMbits,
    slowest: slow && {
      port: portName(device, slow.port.port),
      frameTime: slow.timing.frameTime,
      rateHz: byPort,
      isByLine: slow.timing.limitedByLine,
    },
    refreshHz: refresh,
    rateHz,
    bottleneck,
    change: bottleneck && changeFor(bottleneck, plan, slow?.port ?? null, mbits.value, wantedHz),
  };
}

function changeFor(
  bottleneck: Bottleneck,
  plan: Plan,
  port: Plan['ports'][number] | null,
  mbits: number,
  wantedHz: number,
): string {
  switch (bottleneck) {
    case 'link': {
      const next = LINKS.find((each) => each >= mbits);
      return next
        ? `A link of ${groupDigits(next)} Mbit/s carries it${next === 100 ? ': a cable in the place of Wi-Fi' : ''}.`
        : 'No usual link carries it: part it over two devices.';
    }
    case 'line': {
      const places = given('pixels', port!.places, 'pixels');
      const next = BAUDS.find((baud) => serialRate(places, given('baud', baud, 'baud')).value >= wantedHz);
      return next
        ? `${groupDigits(next)} baud reach it, if both ends can.`
        : `Part its ${countOf(port!.places, 'pixel')} over two lines.`;
    }
    case 'wire': {
      const { prop, channelsPerPixel } = runAt(plan, itemAt(port!.runs, 0));
      const type = byId(plan.show.pixelTypes, propAt(plan, prop).pixelTypeId);
      const most = mostPixelsAtRate(signalOf(type), channelsPerPixel, wantedHz);
      const name = portName(controllerAt(plan, port!.controller), port!.port);
      return `Move ${countOf(port!.places - most, 'pixel')} of ${name} to another port: ${groupDigits(most)} fit at ${wantedHz} a second.`;
    }
    case 'panels':
      return 'Fewer panels on each output, or fewer bits a colour: the longest chain sets the refresh.';
  }
}

/** The refresh of the longest chain behind a device, with the depth that is set. */
function refreshOf(plan: Plan, controller: number): number | null {
  const walls = new Set(
    portsOfController(plan, controller).flatMap(({ runs }) => runs.map((run) => runAt(plan, run).prop)),
  );
  let least: number | null = null;
  for (const index of walls) {
    const laid = wallOf(propAt(plan, index));
    if (!laid) continue;
    const { chains, wall, depthBits } = laid;
    const longest = Math.max(0, ...chains.map(({ panels }) => panels.length));
    if (longest === 0) continue;
    const hz = refreshHz(longest, wall.panel, depthBits);
    least = least === null ? hz : Math.min(least, hz);
  }
  return least;
}
