import { itemAt } from '../../units/there';
/** Colours seen of one pixel or of a fill: a string of the letters of red, green, blue and white that are lit, empty where it is dark. */
export type Lit = string;

/** Orders of so many channels: all of them, in the order of the alphabet. */
export function ordersOf(letters: string): string[] {
  if (letters.length < 2) return [letters];
  return [...letters].flatMap((letter, i) =>
    ordersOf(letters.slice(0, i) + letters.slice(i + 1)).map((rest) => letter + rest),
  );
}

/**
 * The light that answers a sent colour: the setting says which channel carries a colour, and the chip which light takes that channel.
 *
 * @param setting the order that is set, such as `RGB`
 * @param chip the order in which the chips take their channels
 */
export function shownOf(sent: string, setting: string, chip: string): Lit {
  return [...sent].map((letter) => chip[setting.indexOf(letter)] ?? '').join('');
}

/** Places to type the orders found: at one end, never at both. */
interface OrderFound {
  /** Order of the chips. */
  chip: string;
  /** Setting to type in place of the one now. */
  set: string;
  /** That is what is set: nothing is to be changed. */
  isRight: boolean;
}

type OrderAnswer =
  | { found: OrderFound }
  /** Said of what was seen, where no order explains it. */
  | { problem: string };

/**
 * The order of chips of three or four colours from what was seen of each colour that was sent alone, while an order was set.
 *
 * @param setting the order that was set when it was seen
 * @param seen for each colour that was sent its lit colour, by letter; a colour of which nobody could tell is left out
 */
export function colourOrderOf(setting: string, seen: Readonly<Partial<Record<string, Lit>>>): OrderAnswer {
  const told = Object.entries(seen).filter((entry): entry is [string, Lit] => entry[1] !== undefined);
  const dark = told.filter(([, lit]) => lit === '').map(([sent]) => sent);
  if (dark.length > 0)
    return {
      problem: `${colourWords(dark.join(''))} lights nothing: a colour of the chips is dead, a wire of it is broken, or its channel is not sent. Look at one light alone before the order is judged.`,
    };
  const several = told.find(([, lit]) => lit.length > 1);
  if (several)
    return {
      problem: `${colourWords(several[0])} lights two colours at once: neighbours are read together, as by three channels for four or four for three, or channels are off by less than a light. Look at one light alone.`,
    };
  const fits = ordersOf([...setting].sort().join('')).filter((chip) =>
    told.every(([sent, lit]) => shownOf(sent, setting, chip) === lit),
  );
  if (fits.length === 0) {
    const twice = told.find(([, lit], i) => told.some(([, other], k) => k < i && other === lit));
    return {
      problem: twice
        ? `Two of the colours that were sent light ${colourWords(twice[1])}: one of them was taken for the other. Look once more.`
        : `No order of ${setting.length} colours shows that. White that lights where ${setting.length} colours are set is a chip of four.`,
    };
  }
  if (fits.length > 1) {
    const missing = [...setting].filter((letter) => seen[letter] === undefined);
    return {
      problem: `Send ${colourWords(missing.join(''))} too: ${fits.length} orders are left (${fits.slice(0, 6).join(', ')}).`,
    };
  }
  const [chip] = fits as [string];
  return { found: { chip, set: chip, isRight: chip === setting } };
}

const WORDS: Record<string, string> = { R: 'red', G: 'green', B: 'blue', W: 'white' };

const colourWords = (letters: string) =>
  [...letters].map((letter) => WORDS[letter] ?? letter).join(' and ') || 'nothing';

/**
 * The lights of a long wire of one colour when data comes so many channels late and the device counts another number of channels a
 * light than the chips take: one string of letters for each of the first lights.
 *
 * @param sent the letter of the colour
 * @param setting the order that is set, with as many letters as channels a light are sent
 * @param chip the order of the chips, with as many letters as they take
 * @param shift channels by which the data is late; below zero early
 */
export function smearOf(sent: string, setting: string, chip: string, shift: number, lights: number): Lit[] {
  return Array.from({ length: lights }, (_, light) =>
    [...chip]
      .filter((_letter, i) => {
        const channel = light * chip.length + i - shift;
        if (channel < 0) return false;
        return setting[channel % setting.length] === sent;
      })
      .join(''),
  );
}

interface SmearFound {
  chip: string;
  /** Channels a light that are sent, and that the chips take. */
  sent: number;
  taken: number;
  shift: number;
}

/**
 * Settings that explain the first lights of a wire under red: orders of three and four channels, and data that is late or early by up to
 * three channels.
 *
 * @param seen what is lit of each of the first lights
 * @param sent the colour that is sent
 * @param setting the order that is set
 */
export function smearsThatFit(seen: readonly Lit[], sent: string, setting: string): SmearFound[] {
  const sorted = (lit: Lit) => [...lit].sort().join('');
  return ['BGR', 'BGRW'].flatMap((letters) =>
    ordersOf([...letters].sort().join('')).flatMap((chip) =>
      [0, 1, 2, 3, -1, -2, -3]
        .filter((shift) =>
          smearOf(sent, setting, chip, shift, seen.length).every(
            (lit, i) => sorted(lit) === sorted(itemAt(seen, i)),
          ),
        )
        .map((shift) => ({ chip, sent: setting.length, taken: chip.length, shift })),
    ),
  );
}
