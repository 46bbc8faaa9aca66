import { isPanelled } from '../../props/registry';
import { portName } from '../../catalogue/controller';
import { channelsPerPixel } from '../../catalogue/pixelType';
import { deviceSettings } from '../../devices/deviceSettings';
import { portsOfController } from '../../plan/planIndex';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { capsOf } from '../../power/caps';
import { limitersTable } from '../tables/brightness';
import { countOf, groupDigits } from '../../units/number';
import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { deviceValuesTable, portSettingsTable } from '../tables/addresses';
import { paper } from './make';
import { itemAt } from '../../units/there';
import { runAt, controllerAt, propOfRun } from '../../plan/records';

/** One page from the box to light, where a controller has one string on it. */
export function quickStartSheets(plan: Plan, controller: number): Sheet[] {
  const ports = portsOfController(plan, controller);
  const device = controllerAt(plan, controller);
  if (ports.length !== 1 || itemAt(ports, 0).runs.length !== 1) return [];
  if (isPanelled(propOfRun(plan, itemAt(itemAt(ports, 0).runs, 0)))) return [];
  return [
    paper({
      id: `quick-start.${device.id}`,
      name: `${device.name}: quick start`,
      group: 'build',
      about: { kind: 'controller', controllerId: device.id },
      isOnePage: true,
      blocks: () => quickStart(plan, controller, itemAt(itemAt(ports, 0).runs, 0), itemAt(ports, 0).port),
    }),
  ];
}

function quickStart(plan: Plan, controller: number, run: number, port: number): Block[] {
  const { show } = plan;
  const device = itemAt(show.controllers, controller);
  const { prop, pixelCount } = runAt(plan, run);
  const of = itemAt(show.props, prop);
  const type = show.pixelTypes.find(({ id }) => id === of.pixelTypeId);
  const settings = deviceSettings(plan, controller);
  const own = itemAt(settings.ports, 0);
  const clocked = type?.timing?.kind === 'clocked';
  const limiter =
    show.feeds.length > 0
      ? limitersTable(
          plan,
          capsOf(plan).controllers.filter((each) => each.controller === controller),
        )
      : null;
  return [
    {
      is: 'words',
      words: `${runName(plan, run)} on ${portName(device, port)} of ${device.name}: ${countOf(pixelCount, 'pixel')}${type ? `, ${type.name}, ${type.volts} V, ${channelsPerPixel(type)} channels each` : ''}.`,
    },
    {
      is: 'caution',
      words: `Power off while you join. Supply and lights have the same volts${type ? ` (${type.volts} V)` : ''}; a fuse at the source of each lead; the mains side stays closed. Fixed wiring is for those who are licensed for it.`,
    },
    { is: 'heading', words: clocked ? 'Four wires' : 'Three wires' },
    {
      is: 'steps',
      steps: [
        {
          words: 'Ground first: supply, board and lights share it',
          why: 'without it lights flicker at random',
        },
        {
          words: 'Plus from the supply to the lights',
          why: 'measure polarity at the open end before it is joined; colours of wire prove nothing',
        },
        {
          words: `Data from ${portName(device, port)} to the end marked as input`,
          why: 'DI, DIN or an arrow that points away from the plug',
        },
        ...(clocked
          ? [{ words: 'Clock beside data', why: 'exchanged with data it stays dark or shows noise' }]
          : []),
      ],
    },
    { is: 'heading', words: 'Type' },
    tableBlock(deviceValuesTable(show, device, settings), [{ head: 'Set', as: 'tick' }]),
    tableBlock(portSettingsTable(device, settings.ports), [{ head: 'Set', as: 'tick' }]),
    ...(limiter && limiter.rows.length > 0 ? [tableBlock(limiter, [{ head: 'Set', as: 'tick' }])] : []),
    { is: 'heading', words: 'Five tests' },
    {
      is: 'steps',
      steps: [
        {
          words: 'The board’s own fill, low level: all red',
          why: `otherwise: colour order is not ${own.colourOrder}`,
        },
        {
          words: 'Its own fill: the last pixel is lit',
          why: `otherwise: the count is not ${groupDigits(own.pixels ?? pixelCount)}, or data ends at the first dark one`,
        },
        {
          words: 'From the sender: the first three pixels red, green, blue',
          why: 'otherwise: start address or colour order at the sender',
        },
        {
          words: 'From the sender: a dot from the first to the last',
          why: 'otherwise: size of universes at the two ends',
        },
        {
          words: 'Full white for a minute; feel plugs and leads',
          why: 'otherwise: what is warm is too thin, what turns yellow or red has too few volts',
        },
      ],
    },
    { is: 'heading', words: 'What if' },
    {
      is: 'words',
      words:
        'Nothing lights: power at the lights, then data at the wrong end, then the port that is not enabled. Random flicker: ground, then 3.3 V data into 5 V lights over a long wire, then two senders. Colours wrong all over: the order. Right at first, wrong later: 510 or 512.',
    },
  ];
}
