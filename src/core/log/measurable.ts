import { boardPowerOf } from '../catalogue/boardPower';
import { portName } from '../catalogue/controller';
import { coloursOf, electricOf, type ElectricSaid } from '../catalogue/electric';
import { SUPPLY_LIMITS } from '../catalogue/supply';
import { standingWords, type Figure } from '../figures/figure';
import type { SingleEdit } from '../show/edits/registry';
import type { Fact } from '../show/facts';
import type { Show } from '../show/schema';
import { formatAmps, formatVolts, parseCurrent, parseVolts } from '../units/electric';
import { formatLength, parseLength, type Parsed, type Lengths } from '../units/length';
import { itemAt } from '../units/there';

/** Something that the plan assumes of a thing, and that can be measured. */
export interface Measurable {
  /** In a fact about the thing. */
  id: string;
  words: string;
  example: string;
  parse: (text: string) => Parsed<number>;
  write: (value: number) => string;
  /** The planned value with its basis; null where the plan takes nothing. */
  planned: { value: number; standing: string } | null;
  /** The plan with what was measured. */
  use: (value: number, by: Measured) => SingleEdit;
}

/** The method, person and time of a measurement. */
interface Measured {
  how?: string;
  by?: string;
  /** ISO 8601. */
  at: string;
}

function measured(value: number, { how, by, at }: Measured): Figure<number> {
  return {
    value,
    basis: 'measured',
    when: at.slice(0, 10),
    ...(how && { how: how.slice(0, 200) }),
    ...(by && { who: by }),
  };
}

/** A board takes no more than that by itself. */
const MOST_OWN_AMPS = 20;
const MOST_LENGTH_MM = 1_000_000;

/** Measurements of a thing that can replace an assumption. Empty for things without any. */
export function measurablesOf(show: Show, { list, recordId }: Pick<Fact, 'list' | 'recordId'>): Measurable[] {
  if (list === 'controllers') return ofController(show, recordId);
  if (list === 'props') return ofProp(show, recordId);
  if (list === 'feeds') return ofFeed(show, recordId);
  if (list === 'pixelTypes') return ofPixelType(show, recordId);
  if (list === 'supplies') return ofSupply(show, recordId);
  return [];
}

function ofController(show: Show, id: string): Measurable[] {
  const controller = show.controllers.find((each) => each.id === id);
  if (!controller) return [];
  const own = boardPowerOf(controller).ownAmps;
  return [
    {
      id: 'ownAmps',
      words: 'What it takes itself, with nothing lit',
      example: '0.31 A',
      parse: (text) => {
        const amps = parseCurrent(text, 5, 'A');
        return amps.ok && amps.value > MOST_OWN_AMPS
          ? {
              ok: false,
              message: `A board takes up to ${MOST_OWN_AMPS} A by itself; “${text.trim()}” is more.`,
            }
          : amps;
      },
      write: formatAmps,
      planned: { value: own.value, standing: standingWords(own) },
      use: (value, by) => ({
        type: 'changeController',
        controllerId: id,
        change: { power: { ...controller.power, ownAmps: measured(value, by) } },
      }),
    },
  ];
}

const lengthIn = (lengths: Lengths) => ({
  example: '7.4 m',
  parse: (text: string): Parsed<number> => {
    const mm = parseLength(text, 'm');
    return mm.ok && (mm.value < 1 || mm.value > MOST_LENGTH_MM)
      ? { ok: false, message: `From 1 mm to 1 km; “${text.trim()}” is not.` }
      : mm;
  },
  write: (mm: number) => formatLength(Math.round(mm), lengths),
});

function ofProp({ patch, controllers, lengths }: Show, id: string): Measurable[] {
  return patch
    .filter(({ propId }) => propId === id)
    .map(({ run, controllerId, port, dataLead = {} }) => {
      const controller = controllers.find((each) => each.id === controllerId);
      return {
        ...lengthIn(lengths),
        id: `dataLead.${run}`,
        words: `Data cable to run ${run}${controller ? ` from ${portName(controller, port)}` : ''}`,
        planned: dataLead.lengthMm === undefined ? null : { value: dataLead.lengthMm, standing: 'typed in' },
        use: (lengthMm) => ({ type: 'setDataLead', propId: id, run, dataLead: { ...dataLead, lengthMm } }),
      };
    });
}

function ofFeed({ feeds, lengths }: Show, id: string): Measurable[] {
  const feed = feeds.find((each) => each.id === id);
  return (feed?.pieces ?? []).map((piece, at) => ({
    ...lengthIn(lengths),
    id: `piece.${at}`,
    words: feed!.pieces.length > 1 ? `Length of piece ${at + 1}, one way` : 'Its length, one way',
    planned: { value: piece.lengthMm, standing: 'typed in' },
    use: (lengthMm) => ({
      type: 'changeFeed',
      feedId: id,
      change: { pieces: feed!.pieces.map((each, i) => (i === at ? { ...each, lengthMm } : each)) },
    }),
  }));
}

/** A pixel takes no more than that. */
const MOST_PIXEL_AMPS = 1;

/** Current of one pixel, or of several together: `60 mA`, `3.2 A for 50`. */
function parsePixelAmps(text: string): Parsed<number> {
  const many = /^(.*?)\s*(?:for|of|\/|over)\s*(\d[\d,.]*)\s*(?:pixels?|px)?$/i.exec(text.trim());
  const count = many ? Number(many[2]!.replace(/[,.]/g, '')) : 1;
  const amps = parseCurrent(many ? many[1]! : text, 5, 'mA');
  if (!amps.ok || count < 1)
    return {
      ok: false,
      message: `“${text.trim()}” is no current of a pixel. Write it as 60 mA, or for many as 3.2 A for 50.`,
    };
  const one = amps.value / count;
  return one > MOST_PIXEL_AMPS
    ? {
        ok: false,
        message: `A pixel takes up to ${MOST_PIXEL_AMPS} A; “${text.trim()}” is ${formatAmps(one)} for each. For many, say how many: 3.2 A for 50.`,
      }
    : { ok: true, value: one };
}

function ofPixelType(show: Show, id: string): Measurable[] {
  const type = show.pixelTypes.find((each) => each.id === id);
  if (!type) return [];
  const { draw, sharesCurrent } = electricOf(type);
  const colours = coloursOf(type);
  const idleMa = draw.idle?.value ?? 0;
  const colourMa = colours.map((colour) => draw[colour]?.value ?? 0);
  // Each colour draws all of a shared current.
  const litMa = sharesCurrent ? Math.max(...colourMa) : colourMa.reduce((sum, mA) => sum + mA, 0);
  const set = (change: NonNullable<ElectricSaid['draw']>): SingleEdit => ({
    type: 'changePixelType',
    pixelTypeId: id,
    change: { electric: { ...type.electric, draw: { ...type.electric?.draw, ...change } } },
  });
  const pixelAmps = { parse: parsePixelAmps, write: formatAmps };
  const idle: Measurable = {
    ...pixelAmps,
    id: 'draw.idle',
    words: 'What a pixel takes while dark',
    example: '1 mA, or 50 mA for 50',
    planned: draw.idle ? { value: idleMa / 1000, standing: standingWords(draw.idle) } : null,
    use: (amps, by) => set({ idle: measured(inMa(amps), by) }),
  };
  const [first] = colours;
  const standing = first && draw[first];
  if (!standing || litMa <= 0) return [idle];
  return [
    {
      ...pixelAmps,
      id: 'draw.full',
      words: 'What a pixel takes with all colours at full',
      example: '55 mA, or 2.75 A for 50',
      planned: { value: (idleMa + litMa) / 1000, standing: standingWords(standing) },
      // A difference is shared among the colours in the proportions of the plan.
      use: (amps, by) => {
        const times = Math.max(0, inMa(amps) - idleMa) / litMa;
        return set(
          Object.fromEntries(
            colours.map((colour, i) => [
              colour,
              measured(Number((itemAt(colourMa, i) * times).toFixed(3)), by),
            ]),
          ),
        );
      },
    },
    idle,
  ];
}

const inMa = (amps: number) => Number((amps * 1000).toFixed(3));

function ofSupply(show: Show, id: string): Measurable[] {
  const supply = show.supplies.find((each) => each.id === id);
  if (!supply) return [];
  return [
    {
      id: 'volts',
      words: 'What it gives at its terminals',
      example: '12.2 V',
      parse: (text) => parseVolts(text, SUPPLY_LIMITS.leastVolts, SUPPLY_LIMITS.mostVolts),
      write: formatVolts,
      planned: { value: supply.volts, standing: 'typed in' },
      use: (volts) => ({ type: 'changeSupply', supplyId: id, change: { volts } }),
    },
    ...(supply.others ?? []).map((other, at): Measurable => ({
      id: `others.${at}`,
      words: `What ${other.name} takes`,
      example: '0.9 A',
      parse: (text) => parseCurrent(text, supply.volts, 'A'),
      write: formatAmps,
      planned: { value: other.amps.value, standing: standingWords(other.amps) },
      use: (amps, by) => ({
        type: 'changeSupply',
        supplyId: id,
        change: {
          others: supply.others!.map((each, i) => (i === at ? { ...each, amps: measured(amps, by) } : each)),
        },
      }),
    })),
  ];
}
