import { portName, type Controller } from '../../catalogue/controller';
import { channelsPerPixel } from '../../catalogue/pixelType';
import type { DeviceSettings } from '../../devices/settings/registry';
import { kindOfController, tellingOfController } from '../../devices/tellingOn';
import { capsOf } from '../../power/caps';
import { deviceSettings } from '../../devices/deviceSettings';
import { differences } from '../../devices/differences';
import { foundIn, type FoundSettings } from '../../devices/found';
import { keptValues } from '../../devices/settings/typed';
import { portsOfController } from '../../plan/planIndex';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { CARE_WORDS, DEVICE_CARE, DEVICE_STEPS, isCaredFor, type Facts } from '../../show/facts';
import { STEP_WORDS } from '../../show/stepWords';
import { capitalised } from '../../units/words';
import { tableBlock, type Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { deviceValuesTable, differencesTable, portSettingsTable } from '../tables/addresses';
import { limitersTable } from '../tables/brightness';
import { heldTable, outputsTable, socketsTable } from '../tables/devices';
import { paper, tableSheet } from './make';
import { quickStartSheets } from './quickStart';
import { itemAt } from '../../units/there';
import { controllerAt, pixelTypeOf, propOfRun } from '../../plan/records';

/** Everything on paper about one device. @param index of the controller in the show */
export function deviceSheets(plan: Plan, facts: Facts, index: number): Sheet[] {
  const { show } = plan;
  const controller = itemAt(show.controllers, index);
  const { id, name } = controller;
  const about = { kind: 'controller', controllerId: id } as const;
  const found = () => foundIn(plan, facts).filter(({ controllerId }) => controllerId === id);
  return [
    // In a file its tables follow one another: what is typed once, then what is typed for each port.
    paper({
      id: `device.${id}`,
      name: `${name}: values to type`,
      group: 'patch',
      about,
      blocks: () => deviceBlocks(plan, facts, index),
    }),
    tableSheet({
      id: `ports.${id}`,
      name: `${name}: its ports`,
      group: 'patch',
      about,
      table: () => portSettingsTable(controller, deviceSettings(plan, index).ports),
    }),
    tableSheet({
      id: `sockets.${id}`,
      name: `${name}: sockets and pins`,
      group: 'patch',
      about,
      table: () => socketsTable(name, socketRows(plan, index)),
    }),
    paper({
      id: `restore.${id}`,
      name: `${name}: restore sheet`,
      group: 'patch',
      about,
      blocks: () => restoreBlocks(plan, facts, index, found()),
    }),
    ...quickStartSheets(plan, index),
    ...found().map((each) =>
      tableSheet({
        id: `differences.${each.where}.${id}`,
        name: `${name}: differences ${each.where === 'sender' ? 'in the sender' : 'on the device'}`,
        group: 'patch',
        about,
        table: () => differencesTable(name, differences(plan, each)),
      }),
    ),
  ];
}

/** A row for each port in use, and for each of which the socket or the pin was said. */
export function socketRows(plan: Plan, index: number) {
  const controller = controllerAt(plan, index);
  const used = new Map(portsOfController(plan, index).map((port) => [port.port, port.runs]));
  const said = new Map((controller.portOptions ?? []).map((options) => [options.port, options]));
  const kind = kindOfController(plan, index);
  /** Somebody's own words for a pin come before those of the kind. */
  const pinOf = (port: number) => {
    const own = said.get(port)?.pin;
    const usual = kind?.pins?.[port - 1];
    return {
      label: own?.label ?? (usual?.label || null),
      software: own?.software ?? usual?.number ?? null,
      header: own?.header ?? null,
    };
  };
  const ports = [
    ...new Set([
      ...used.keys(),
      ...[...said].flatMap(([port, { socket, pin }]) => (socket || pin ? [port] : [])),
    ]),
  ];
  return ports
    .sort((a, b) => a - b)
    .map((port) => ({
      port: portName(controller, port),
      behind: (used.get(port) ?? []).map((run) => runName(plan, run)).join(', ') || null,
      socket: said.get(port)?.socket ?? null,
      ...pinOf(port),
    }));
}

/** A row for each output of a small board. */
function outputRows(plan: Plan, index: number, { ports }: DeviceSettings) {
  const pins = new Map(socketRows(plan, index).map(({ port, software }) => [port, software]));
  const controller = controllerAt(plan, index);
  return portsOfController(plan, index).flatMap(({ port, runs }) => {
    const rows = ports.filter((row) => row.port === port);
    const types = new Set(runs.map((run) => pixelTypeOf(plan.show, propOfRun(plan, run))));
    return rows.map((row) => ({
      port: row.name,
      ledType: [...types]
        .map((type) => `${type.chip || type.name}${channelsPerPixel(type) === 4 ? ', with white' : ''}`)
        .join(' + '),
      pin: pins.get(portName(controller, port)) ?? null,
      length: row.pixels ?? 0,
      colourOrder: row.colourOrder,
      skipped: row.hiddenPixels,
    }));
  });
}

/** The values of a small board once more, in its own order; none for other devices. */
function smallBoardBlocks(plan: Plan, index: number, settings: DeviceSettings): Block[] {
  // They count their LEDs on over all outputs, and have a limiter of their own.
  if (tellingOfController(plan, index).starts.value !== 'device' || settings.ports.length === 0) return [];
  const caps = plan.show.feeds.length === 0 ? [] : capsOf(plan).controllers;
  const limiters = limitersTable(
    plan,
    caps.filter(({ controller }) => controller === index),
  );
  return [
    { is: 'heading', words: 'The same in the order in which small boards usually ask' },
    tableBlock(outputsTable(controllerAt(plan, index).name, outputRows(plan, index, settings))),
    ...(limiters.rows.length > 0 ? [tableBlock(limiters)] : []),
  ];
}

const SET = { head: 'Set', as: 'tick' } as const;

function deviceBlocks(plan: Plan, facts: Facts, index: number): Block[] {
  const { show } = plan;
  const controller = itemAt(show.controllers, index);
  const settings = deviceSettings(plan, index);
  const kept = keptValues(settings);
  const rows = socketRows(plan, index);
  return [
    { is: 'words', words: kindWords(plan, controller) },
    { is: 'heading', words: 'Once, for the whole device' },
    tableBlock(deviceValuesTable(show, controller, settings), [SET]),
    { is: 'heading', words: 'For each port in use' },
    ...(settings.ports.length === 0
      ? [{ is: 'words' as const, words: 'Nothing is plugged in yet.' }]
      : [tableBlock(portSettingsTable(controller, settings.ports), [SET])]),
    ...smallBoardBlocks(plan, index, settings),
    ...(rows.length > 0
      ? [
          { is: 'heading' as const, words: 'Where its sockets sit, and its pins in their three names' },
          tableBlock(socketsTable(controller.name, rows)),
        ]
      : []),
    { is: 'heading', words: 'When all of it is typed' },
    {
      is: 'steps',
      steps: DEVICE_STEPS.map((step) => ({
        words: capitalised(step),
        why: STEP_WORDS[step],
        isDone: facts.isStepDone(controller.id, step, kept),
      })),
    },
    ...careBlocks(facts, controller),
    { is: 'blanks', words: ['Typed by', 'on'] },
  ];
}

function kindWords({ show }: Plan, controller: Controller): string {
  const type = show.controllerTypes.find(({ id }) => id === controller.typeId);
  return `${type ? type.name : 'Kind not said'}, ${controller.ports} ports, called ${controller.label}. Each value says of what it is; where a screen counts otherwise, the meaning tells how it is meant.`;
}

/** Firmware, updates and the password: what cannot be seen from the plan. */
function careBlocks(facts: Facts, { id }: Controller): Block[] {
  const firmware = facts.firmwareOf(id);
  return [
    { is: 'heading', words: 'Firmware and access' },
    {
      is: 'words',
      words: firmware
        ? `Seen with version ${firmware.version}. Another version opens all ticks again: what was typed may be lost or turned round.`
        : 'Note the version: another one later opens all ticks again, since what was typed may be lost or turned round.',
    },
    { is: 'blanks', words: ['Firmware version', 'Place of a copy of its settings'] },
    {
      is: 'steps',
      steps: DEVICE_CARE.map((care) => ({
        words: CARE_WORDS[care],
        why:
          care === 'passwordChanged'
            ? 'The password itself is never kept here; write where it is kept.'
            : null,
        isDone: isCaredFor(facts, id, care),
      })),
    },
  ];
}

/** All that a device holds, before it is cleared, reset or given other firmware. */
function restoreBlocks(plan: Plan, facts: Facts, index: number, found: readonly FoundSettings[]): Block[] {
  const { show } = plan;
  const controller = itemAt(show.controllers, index);
  const settings = deviceSettings(plan, index);
  return [
    {
      is: 'words',
      words: `Fill this in before ${controller.name} is cleared, reset or given other firmware. Where its screen shows another value than is planned, write down what it shows: a value that somebody changed on site had a reason.`,
    },
    {
      is: 'blanks',
      words: [
        'Read by',
        'on',
        'Firmware before',
        'Firmware after',
        'Settings were saved as file',
        'and it lies',
      ],
    },
    { is: 'heading', words: 'For the whole device' },
    tableBlock(deviceValuesTable(show, controller, settings), [
      { head: 'Its screen shows', as: 'write' },
      { head: 'Back in', as: 'tick' },
    ]),
    ...(settings.ports.length > 0
      ? [
          { is: 'heading' as const, words: 'For each port' },
          tableBlock(portSettingsTable(controller, settings.ports), [
            { head: 'Differs in', as: 'write' },
            { head: 'Back in', as: 'tick' },
          ]),
        ]
      : []),
    ...found.flatMap((each): Block[] => [
      {
        is: 'heading',
        words: `Found ${each.where === 'sender' ? 'in the sender' : 'on the device'}, ${each.foundAt}`,
      },
      tableBlock(heldTable(controller.name, each)),
    ]),
    { is: 'heading', words: 'What no plan knows' },
    {
      is: 'blanks',
      words: [
        'Name on the network',
        'Address and mask',
        'Gateway',
        'Brightness limit',
        'Amps limit',
        'Start-up preset',
        'Time zone',
        'Buttons and inputs',
        'Names of presets',
        'What else is special',
      ],
    },
    {
      is: 'steps',
      steps: [
        { words: 'Typed again, saved, restarted', why: 'four things in all: set, saved, restarted, seen' },
        { words: 'Shown by its own test', why: 'before anything is sent to it' },
        { words: 'Updates by themselves are off again', why: 'a reset switches them on' },
        { words: 'The password is changed again', why: 'a reset brings the one back that it came with' },
      ],
    },
    ...careBlocks(facts, controller),
  ];
}
