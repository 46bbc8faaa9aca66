import type { Bottleneck, Traffic, TrafficOf } from '../../answers/traffic';
import type { Plan } from '../../plan/planned';
import type { Link } from '../../catalogue/link';
import { countOf } from '../../units/number';
import { listOf } from '../../units/words';
import type { Table } from '../../pages/table';
import { itemAt } from '../../units/there';

const LINK_WORDS: Record<Link, string> = {
  network: 'network',
  raw: 'raw frames, no address',
  serial: 'serial line',
  own: 'its own program',
};

const SLOW_WORDS: Record<Bottleneck, string> = {
  wire: 'the wire of its port',
  line: 'its serial line',
  link: 'its link',
  panels: 'the refresh of its panels',
};

/** The way of pictures to each device, in time. */
export function trafficTable({ show }: Plan, { devices, wantedHz }: Traffic): Table<TrafficOf> {
  return {
    name: 'Traffic',
    rows: devices,
    keyOf: ({ controller }) => itemAt(show.controllers, controller).id,
    columns: [
      {
        id: 'device',
        head: 'Device',
        as: 'key',
        meaning: 'its name, and how it is fed',
        of: ({ controller, link }) => ({
          text: itemAt(show.controllers, controller).name,
          note: LINK_WORDS[link],
        }),
      },
      {
        id: 'load',
        head: 'Load',
        unit: 'Mbit/s',
        as: 'figure',
        meaning: `what it is sent at ${wantedHz} pictures a second, and what its link carries`,
        of: ({ mbits, linkMbits }) => ({
          text: mbits.value.toFixed(2),
          why: mbits,
          ...(linkMbits !== null && { note: `of ${linkMbits}` }),
        }),
      },
      {
        id: 'slowest',
        head: 'Slowest port',
        as: 'key',
        meaning: 'the port whose wire takes longest for a picture',
        of: ({ slowest }) => slowest?.port ?? null,
      },
      {
        id: 'frame',
        head: 'A picture takes',
        unit: 'ms',
        as: 'figure',
        meaning: 'on the wire of that port',
        of: ({ slowest }) =>
          slowest && { text: (slowest.frameTime.value / 1000).toFixed(1), why: slowest.frameTime },
      },
      {
        id: 'refresh',
        head: 'Panels refresh',
        unit: 'Hz, estimate',
        as: 'figure',
        meaning: 'of the longest chain, at the depth that is set; pauses come on top',
        of: ({ refreshHz }) => refreshHz && Math.floor(refreshHz),
      },
      {
        id: 'rate',
        head: 'Gets through',
        unit: 'pictures/s',
        as: 'figure',
        meaning: `of ${wantedHz} that are wanted`,
        of: ({ rateHz, bottleneck }) => ({
          text: rateHz.toFixed(rateHz < 10 ? 1 : 0),
          mood: bottleneck && bottleneck !== 'panels' ? 'bad' : 'good',
        }),
      },
      {
        id: 'change',
        head: 'Held back by',
        meaning: 'what is slowest, and the smallest change that lifts it',
        of: ({ bottleneck, change }) =>
          bottleneck
            ? { text: SLOW_WORDS[bottleneck], note: change!, mood: 'bad' }
            : { text: 'nothing', mood: 'quiet' },
      },
    ],
  };
}

/** Traffic that crowds a network besides the packets for each device, in sentences. */
export function switchWords({ show }: Plan, { flood, flooded, senderMbits }: Traffic): string[] {
  const names = flooded.map(
    ({ controller, mbits, linkMbits }) =>
      `${itemAt(show.controllers, controller).name} (${mbits.toFixed(0)} of ${linkMbits} Mbit/s)`,
  );
  return [
    `${senderMbits.toFixed(1)} Mbit/s leave the sender.`,
    ...(flood.rawMbits > 0
      ? [
          `${flood.rawMbits.toFixed(1)} Mbit/s of it are frames for cards without an address: behind a switch they go out of every port. Give cards a port of the sender of their own.`,
        ]
      : []),
    ...(flood.groupMbits > 0
      ? [
          `${flood.groupMbits.toFixed(1)} Mbit/s go to groups: a switch that does not look into them (IGMP snooping) sends them out of every port, and Wi-Fi sends them at its slowest rate.`,
        ]
      : []),
    ...(names.length > 0
      ? [
          `Then the links of ${listOf(names)} carry less than comes to them: ${countOf(names.length, 'device')} to take off that switch.`,
        ]
      : []),
  ];
}
