import { universesOf } from '../protocols/registry';
import type { LaidShow } from '../plan/planned';
import { controllerAt } from '../plan/records';
import { countOf, groupDigits } from '../units/number';
import { deviceSettings } from './deviceSettings';

/** The values of a port in a few words, as they are typed: on labels and wherever a port is shown. */
interface PortWords {
  /** The count alone: `111 px`, or `111 + 50 px` where two counts are typed for the port. */
  count: string;
  /** `111 px`, or `111 px + 1 hidden` where the device adds hidden ones by itself. */
  pixels: string;
  /** `U1 ch 1`, as the device calls it, or `byte 0`; null for one that is told no start. */
  start: string | null;
  end: string | null;
}

/** @returns null for a port that holds nothing. @param controller its index in the show */
export function portWords(plan: LaidShow, controller: number, port: number): PortWords | null {
  const rows = deviceSettings(plan, controller).ports.filter((each) => each.port === port);
  const [settings] = rows;
  const last = rows.at(-1);
  if (!settings || !last) return null;
  const { short = '' } = universesOf(controllerAt(plan, controller)) ?? {};
  const place = (universe: number | null, channel: number | null, byte: number | null) => {
    if (universe !== null && channel !== null) return `${short}${universe} ch ${channel}`;
    return byte === null ? null : `byte ${groupDigits(byte)}`;
  };
  const hiddenPixels = rows.reduce((sum, row) => sum + row.hiddenPixels, 0);
  // A tile knows its own count.
  const tiles = rows.filter(({ pixels: own }) => own === null).length;
  const counts = rows.flatMap(({ pixels: own }) => (own === null ? [] : [groupDigits(own)]));
  const count = [
    ...(tiles > 0 ? [countOf(tiles, 'tile')] : []),
    ...(counts.length > 0 ? [`${counts.join(' + ')} px`] : []),
  ].join(' + ');
  return {
    count,
    pixels: `${count}${hiddenPixels > 0 ? ` + ${groupDigits(hiddenPixels)} hidden` : ''}`,
    start: place(settings.universe, settings.channel, settings.startByte),
    end: place(last.endUniverse, last.endChannel, last.endByte),
  };
}
