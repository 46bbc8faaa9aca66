import { z } from 'zod';
import { idSchema } from '../fields/fields';
import { portName } from '../catalogue/controller';
import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { countOf } from '../units/number';
import type { Facts, Note } from '../show/facts';
import { deviceSettings, type PortSettings } from './deviceSettings';

const foundPortSchema = z.strictObject({
  port: z.int().min(1).max(256),
  pixels: z.int().min(0).max(4_000_000).optional(),
  universe: z.int().min(0).max(63_999).optional(),
  channel: z.int().min(0).max(512).optional(),
  colourOrder: z.string().max(8).optional(),
});
export type FoundPort = z.infer<typeof foundPortSchema>;

/** What a controller, or the sender for it, was found to hold. What nobody looked at is absent. */
export const foundSettingsSchema = z.strictObject({
  controllerId: idSchema,
  where: z.enum(['controller', 'sender']),
  /** Day and time, as text. */
  foundAt: z.string().max(40),
  channelsPerUniverse: z.int().min(1).max(512).optional(),
  /** Only some ports were looked at; a list that was copied whole says of the others that they are off. */
  partial: z.literal(true).optional(),
  ports: z.array(foundPortSchema).max(256),
});
export type FoundSettings = z.infer<typeof foundSettingsSchema>;

/** What was found, of all devices and senders that are still in the show. */
export function foundIn(plan: Plan, facts: Facts): FoundSettings[] {
  const controllers = new Set(plan.show.controllers.map((controller) => controller.id));
  return facts.ofKind('found').flatMap(({ value }) => {
    // Facts come from files and from other programs; what is not found settings is left alone.
    const parsed = foundSettingsSchema.safeParse(value);
    return parsed.success && controllers.has(parsed.data.controllerId) ? [parsed.data] : [];
  });
}

/** What was looked at, in words: `12 values on 3 of 4 ports`. Nothing is said of what nobody looked at. */
export function lookedAtWords(
  plan: Plan,
  { controllerId, channelsPerUniverse, ports }: FoundSettings,
): string {
  const index = plan.show.controllers.findIndex((each) => each.id === controllerId);
  const values = ports.reduce((total, { port: _, ...said }) => total + Object.keys(said).length, 0);
  const inUse = portsOfController(plan, index).length;
  const looked = `${countOf(values, 'value')} on ${ports.length} of ${countOf(Math.max(inUse, ports.length), 'port')}`;
  return channelsPerUniverse === undefined ? looked : `${looked}, and the size of its universes`;
}

/** Notes what was found; it takes the place of what was found there before. */
export function foundNote(found: FoundSettings): Note {
  return noteAbout(found.controllerId, found.where, found);
}

/** Notes that what was found on a device, or in a sender, does not count any more. */
export function forgetFound({ controllerId, where }: Pick<FoundSettings, 'controllerId' | 'where'>): Note {
  return noteAbout(controllerId, where, null);
}

function noteAbout(recordId: string, field: string, value: FoundSettings | null): Note {
  return { kind: 'found', list: 'controllers', recordId, field, value: value as Note['value'] };
}

/** A disagreement between plan and device, what it looks like on the display, and which side to change. */
export interface Difference {
  /** `A3`, or empty for the whole device. */
  port: string;
  what: string;
  planned: string;
  found: string;
  symptom: string;
  mend: string;
}

/** Compares what was found with what is planned. */
export function differences(plan: Plan, found: FoundSettings): Difference[] {
  const index = plan.show.controllers.findIndex((each) => each.id === found.controllerId);
  if (index === -1) return [];
  const planned = deviceSettings(plan, index);
  const side = found.where === 'controller' ? 'the controller' : 'the sender';
  const list: Difference[] = [];
  const told = planned.channelsPerUniverse;
  // Where they differ from universe to universe, one number cannot be compared.
  if (
    found.channelsPerUniverse !== undefined &&
    typeof told === 'number' &&
    found.channelsPerUniverse !== told
  )
    list.push({
      port: '',
      what: 'channels a universe',
      planned: String(told),
      found: String(found.channelsPerUniverse),
      symptom:
        'colours rotate from the second universe on, and the picture creeps sideways, worse towards the end',
      mend: `set ${side} to ${told}`,
    });
  const shift = commonShift(planned.ports, found.ports);
  const ports = portsOfController(plan, index);
  const runsOn = (number: number) => ports.find((each) => each.port === number)!.runs;
  for (const port of found.ports) {
    const want = planned.ports.find((each) => each.port === port.port);
    const name = portName(plan.show.controllers[index]!, port.port);
    if (!want) {
      if ((port.pixels ?? 0) > 0)
        list.push({
          port: name,
          what: 'pixels',
          planned: '0',
          found: String(port.pixels),
          symptom: 'this port listens to channels that another prop uses, and lights along with it',
          mend: `switch the port off on ${side}`,
        });
      continue;
    }
    if (port.pixels !== undefined && port.pixels !== want.pixels)
      list.push({
        port: name,
        what: 'pixels',
        planned: String(want.pixels),
        found: String(port.pixels),
        symptom:
          port.pixels < want.pixels
            ? `the last ${want.pixels - port.pixels} pixels stay dark`
            : 'channels of the next prop are taken along, and everything after it on this device is out of step',
        mend: `type ${want.pixels} into ${side}`,
      });
    if (port.universe !== undefined && want.universe !== null && port.universe !== want.universe)
      list.push({
        port: name,
        what: 'start universe',
        planned: String(want.universe),
        found: String(port.universe),
        symptom:
          shift !== null
            ? `every port is ${Math.abs(shift)} out: one side counts universes from 0, the other from 1`
            : 'the port shows what another prop is sent, or stays dark',
        mend:
          shift !== null
            ? `set the numbering of universes once on ${side}, or the Art-Net offset here, instead of every port`
            : `type ${want.universe} into ${side}`,
      });
    if (port.channel !== undefined && want.channel !== null && port.channel !== want.channel) {
      const off = Math.abs(port.channel - want.channel);
      const channels = plan.runs[runsOn(port.port)[0]!]!.channelsPerPixel;
      list.push({
        port: name,
        what: 'start channel',
        planned: String(want.channel),
        found: String(port.channel),
        symptom:
          off % channels === 0
            ? `the picture is shifted by ${countOf(off / channels, 'pixel')}`
            : 'colours rotate: red shows as green or blue, and an end pixel is half lit',
        mend: `type ${want.channel} into ${side}`,
      });
    }
    if (
      port.colourOrder !== undefined &&
      port.colourOrder !== want.colourOrder &&
      !want.colourOrder.includes('+')
    )
      list.push({
        port: name,
        what: 'colour order',
        planned: want.colourOrder,
        found: port.colourOrder,
        symptom:
          port.colourOrder.length === want.colourOrder.length
            ? 'two or three colours are exchanged, everywhere on this port'
            : port.colourOrder.length < want.colourOrder.length
              ? 'RGB on RGBW pixels: the pattern repeats every 3 lights, and a quarter stays dark'
              : 'RGBW on RGB pixels: the pattern repeats every 4 lights',
        mend: `set ${want.colourOrder} on ${side}, and leave the other side at RGB`,
      });
  }
  for (const want of found.partial ? [] : planned.ports)
    if (!found.ports.some((port) => port.port === want.port))
      list.push({
        port: want.name,
        what: 'port',
        planned: `${want.pixels} pixels`,
        found: 'not listed',
        symptom: 'this port stays dark if it is really off',
        mend: `look at it on ${side}, or switch it on there`,
      });
  return list;
}

/** The same difference of universes on all ports, where there are several: a matter of counting, not of typing. */
function commonShift(planned: readonly PortSettings[], found: readonly FoundPort[]): number | null {
  const shifts = found.flatMap((port) => {
    const want = planned.find((each) => each.port === port.port);
    return want?.universe !== null && want?.universe !== undefined && port.universe !== undefined
      ? [port.universe - want.universe]
      : [];
  });
  const first = shifts[0];
  return shifts.length > 1 && first !== 0 && shifts.every((shift) => shift === first) ? first! : null;
}

const COLUMNS = {
  port: /^(port|output|out|string|#)$/i,
  pixels: /^(pixels?|count|px|leds?|length|nodes?)$/i,
  universe: /^(start\s*)?(universe|uni|u)$/i,
  channel: /^(start\s*)?(channel|chan|ch|address|slot)$/i,
  colourOrder: /^(colou?r(\s*order)?|order|rgb)$/i,
} as const;

export type ReadFound = { ok: true; ports: FoundPort[] } | { ok: false; message: string };

/**
 * Reads what was copied from a device: lines of columns parted by tabs, commas, semicolons or spaces, with a heading. Without one
 * the columns are port, universe, channel, pixels and colour order.
 *
 * @param rows cells by line, as a reader of CSV gives them
 * @param label the letters of the controller's ports, which may stand before a number: A3
 * @param lineWords what a line is called where it is refused; they are counted from 1, the heading included
 */
export function readFound(
  rows: readonly (readonly string[])[],
  label: string,
  lineWords: (line: number) => string = (line) => `Line ${line}`,
): ReadFound {
  const lines = rows
    .map((cells, i) => ({ cells: cells.map((cell) => cell.trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (lines.length === 0)
    return { ok: false, message: 'There is nothing to read: paste a line for each port.' };
  const names = Object.keys(COLUMNS) as (keyof typeof COLUMNS)[];
  const heading = lines[0]!.cells.map((cell) => names.find((name) => COLUMNS[name].test(cell)));
  const hasHeading = heading.some((name) => name !== undefined);
  const columns = hasHeading ? heading : (['port', 'universe', 'channel', 'pixels', 'colourOrder'] as const);
  if (!columns.includes('port'))
    return { ok: false, message: `Line 1 has no column “port”; found: ${lines[0]!.cells.join(', ')}.` };
  const ports: FoundPort[] = [];
  for (const { cells, line } of hasHeading ? lines.slice(1) : lines) {
    const found: Record<string, unknown> = {};
    for (const [i, name] of columns.entries()) {
      const cell = cells[i];
      if (!name || cell === undefined || cell === '' || cell === '-' || cell === '–') continue;
      if (name === 'colourOrder') {
        const order = cell.toUpperCase();
        if (!/^[RGBW]{1,4}$/.test(order))
          return {
            ok: false,
            message: `${lineWords(line)}: the colour order is “${cell}”; letters of RGBW are needed.`,
          };
        found[name] = order;
        continue;
      }
      const text = name === 'port' && cell.toUpperCase().startsWith(label) ? cell.slice(label.length) : cell;
      const number = /^\d+$/.test(text) ? Number(text) : NaN;
      const limits = { port: [1, 256], pixels: [0, 4_000_000], universe: [0, 63_999], channel: [0, 512] }[
        name
      ];
      if (Number.isNaN(number) || number < limits[0]! || number > limits[1]!)
        return {
          ok: false,
          message: `${lineWords(line)}: ${name} is “${cell}”; a whole number from ${limits[0]} to ${limits[1]} is needed.`,
        };
      found[name] = number;
    }
    if (found.port === undefined) return { ok: false, message: `Line ${line} names no port.` };
    if (ports.some((port) => port.port === found.port))
      return { ok: false, message: `${lineWords(line)}: port ${String(found.port)} stands there twice.` };
    ports.push(found as FoundPort);
  }
  return { ok: true, ports };
}
