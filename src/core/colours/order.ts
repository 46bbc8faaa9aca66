import { listOf } from '../units/words';

/** The end at which colours are put into the order of the chips. The other end keeps to the plain order. */
export const CORRECTED_AT = ['controller', 'sender'] as const;
export type CorrectedAt = (typeof CORRECTED_AT)[number];

const LETTERS = 'RGBW';
const ORDER = /^[RGBW]{1,4}$/;
const COLOUR_NAMES: Record<string, string> = { R: 'red', G: 'green', B: 'blue', W: 'white' };

/** The order in which nothing is exchanged: RGB, RGBW, or the one letter of a single colour. */
export function plainOrder(order: string): string {
  return [...LETTERS].filter((letter) => order.includes(letter)).join('');
}

/** Names the orders that are allowed, in a sentence that refuses another. */
export const ORDER_ALLOWED = 'R, G, B and W, each once, such as GRB';

/** Reads a colour order that somebody typed, in letters of either size; null for what is none. */
export function readOrder(text: string): string | null {
  const order = text.trim().toUpperCase();
  return ORDER.test(order) && new Set(order).size === order.length ? order : null;
}

/** Reads the colours of one light, of which each may be named once; null for what is none. */
export function readColours(text: string): string | null {
  return text === '-' ? '' : readOrder(text);
}

/** Whether two orders are of the same colours. */
export function sameColours(a: string, b: string): boolean {
  return plainOrder(a) === plainOrder(b);
}

/**
 * The colour that every light of a chip shows when both ends do as they are told. The sender's byte i carries colour `sender[i]`; the
 * controller takes byte i for the i-th plain colour and puts out, in place j, the one that is `controller[j]`; the chip lights
 * `chip[j]` with what comes in place j.
 *
 * @returns for each letter of the chip the colour of the picture that lights it; null where the three are not of the same colours
 */
export function coloursShown(chip: string, controller: string, sender: string): Map<string, string> | null {
  if (!sameColours(chip, controller) || !sameColours(chip, sender)) return null;
  const plain = plainOrder(chip);
  return new Map([...chip].map((light, place) => [light, sender[plain.indexOf(controller[place]!)]!]));
}

/** Whether a picture comes out in its own colours. */
export function comesOutRight(chip: string, controller: string, sender: string): boolean {
  const shown = coloursShown(chip, controller, sender);
  return shown !== null && [...shown].every(([light, colour]) => light === colour);
}

/** `red shows as green, and green as red`; empty where every colour is itself, or where it cannot be said. */
export function exchangeWords(chip: string, controller: string, sender: string): string {
  const shown = coloursShown(chip, controller, sender);
  if (!shown) return '';
  const wrong = [...plainOrder(chip)].flatMap((colour) => {
    const light = [...shown].find(([, given]) => given === colour)![0];
    return light === colour ? [] : [`${COLOUR_NAMES[colour]!} shows as ${COLOUR_NAMES[light]!}`];
  });
  return listOf(wrong);
}
