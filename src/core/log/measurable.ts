import { boardPowerOf } from '../catalogue/boardPower';
import { portName } from '../catalogue/controller';
import { standingWords } from '../figures/figure';
import type { SingleEdit } from '../show/edits/registry';
import type { Fact } from '../show/facts';
import type { Show } from '../show/schema';
import { formatAmps, parseCurrent } from '../units/electric';
import { formatLength, parseLength, type Parsed } from '../units/length';

/** Something that the plan assumes of a thing, and that can be measured. */
export interface Measurable {
  /** In a fact about the thing. */
  id: string;
  words: string;
  example: string;
  parse: (text: string) => Parsed<number>;
  write: (value: number) => string;
  /** What the plan takes it to be, and what that stands on; null where it takes nothing. */
  planned: { value: number; standing: string } | null;
  /** The plan with what was measured. */
  use: (value: number, measured: { how?: string; by?: string; at: string }) => SingleEdit;
}

/** A board takes no more than that by itself. */
const MOST_OWN_AMPS = 20;
const MOST_LENGTH_MM = 1_000_000;

/** What can be measured of a thing and used in place of an assumption. Empty for things of which nothing can. */
export function measurablesOf(show: Show, { list, recordId }: Pick<Fact, 'list' | 'recordId'>): Measurable[] {
  if (list === 'controllers') return ofController(show, recordId);
  if (list === 'props') return ofProp(show, recordId);
  if (list === 'feeds') return ofFeed(show, recordId);
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
      use: (value, { how, by, at }) => ({
        type: 'changeController',
        controllerId: id,
        change: {
          power: {
            ...controller.power,
            ownAmps: {
              value,
              basis: 'measured',
              when: at.slice(0, 10),
              ...(how && { how: how.slice(0, 200) }),
              ...(by && { who: by }),
            },
          },
        },
      }),
    },
  ];
}

const length = {
  example: '7.4 m',
  parse: (text: string): Parsed<number> => {
    const mm = parseLength(text, 'm');
    return mm.ok && (mm.value < 1 || mm.value > MOST_LENGTH_MM)
      ? { ok: false, message: `From 1 mm to 1 km; “${text.trim()}” is not.` }
      : mm;
  },
  write: (mm: number) => formatLength(Math.round(mm)),
};

function ofProp({ patch, controllers }: Show, id: string): Measurable[] {
  return patch
    .filter(({ propId }) => propId === id)
    .map(({ run, controllerId, port, dataLead = {} }) => {
      const controller = controllers.find((each) => each.id === controllerId);
      return {
        ...length,
        id: `dataLead.${run}`,
        words: `Data cable to run ${run}${controller ? ` from ${portName(controller, port)}` : ''}`,
        planned: dataLead.lengthMm === undefined ? null : { value: dataLead.lengthMm, standing: 'typed in' },
        use: (lengthMm) => ({ type: 'setDataLead', propId: id, run, dataLead: { ...dataLead, lengthMm } }),
      };
    });
}

function ofFeed({ feeds }: Show, id: string): Measurable[] {
  const feed = feeds.find((each) => each.id === id);
  return (feed?.pieces ?? []).map((piece, at) => ({
    ...length,
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
