import { linkOf as linkOfDevice, type Link } from '../catalogue/link';
import { showSpaces, universesOfController } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import { decodeRawFrame, MOST_RAW_PIXELS, rawFrames } from '../protocols/rawFrame';
import { encodeSerialFrame, SerialReader } from '../protocols/serialFrame';
import type { Sent } from './sending';
import { itemAt } from '../units/there';

/** @param controller its index in the show */
export function linkOf({ show }: Plan, controller: number): Link {
  return linkOfDevice(show, itemAt(show.controllers, controller));
}

/** All that a device is fed, one space after another: its universes, or its flat one, which has none. */
function spacesFed(plan: Plan, controller: number): [universe: number | null, size: number][] {
  const flat = showSpaces(plan).flat.get(controller);
  return flat ? [[null, flat.channelCount]] : [...universesOfController(plan, controller)];
}

/** Up to whole pixels of three channels, which is what such links carry. */
const bytesFed = (spaces: readonly [unknown, size: number][]) =>
  3 * Math.ceil(spaces.reduce((sum, [, size]) => sum + size, 0) / 3);

/** The frames of one picture over a link that is no network: its channels in the order of the plan, as pixels of three. */
export function linkFrames(
  plan: Plan,
  controller: number,
  link: Exclude<Link, 'network'>,
  sent: Sent,
): Uint8Array[] {
  const spaces = spacesFed(plan, controller);
  const data = new Uint8Array(bytesFed(spaces));
  let at = 0;
  for (const [universe, size] of spaces) {
    const bytes = universe === null ? sent.flat.get(controller) : sent.universes.get(universe);
    if (bytes) data.set(bytes.subarray(0, size), at);
    at += size;
  }
  // A program's pictures never leave its device: the rig hands them over as a line would.
  if (link !== 'raw') return [encodeSerialFrame(3, data.subarray(0, 3 * 65_535))];
  const pixels = data.length / 3;
  const width = Math.min(MOST_RAW_PIXELS, pixels);
  if (width === 0) return [];
  const rows = new Uint8Array(3 * width * Math.ceil(pixels / width));
  rows.set(data);
  return rawFrames(width, rows);
}

/** Reads such frames back. */
export class LinkReader {
  private readonly serial = new SerialReader();
  private readonly picture: Uint8Array;

  constructor(
    private readonly plan: Plan,
    private readonly controller: number,
    private readonly link: Exclude<Link, 'network'>,
  ) {
    this.picture = new Uint8Array(bytesFed(spacesFed(plan, controller)));
  }

  /**
   * Writes a picture that is whole now into what the device has heard.
   *
   * @returns whether a picture is whole; null for what is no frame
   */
  push(bytes: Uint8Array, sent: Sent): boolean | null {
    if (this.link !== 'raw') {
      const last = this.serial.push(bytes).at(-1);
      if (!last) return null;
      this.picture.set(last.data.subarray(0, this.picture.length));
      this.show(sent);
      return true;
    }
    const frame = decodeRawFrame(bytes);
    if (!frame) return null;
    if (frame.kind === 'show') {
      this.show(sent);
      return true;
    }
    const width = Math.min(MOST_RAW_PIXELS, this.picture.length / 3);
    const at = 3 * (frame.row * width + frame.firstColumn);
    const room = this.picture.length - at;
    if (room > 0) this.picture.set(frame.rgb.subarray(0, room), at);
    return false;
  }

  private show(sent: Sent): void {
    let at = 0;
    for (const [universe, size] of spacesFed(this.plan, this.controller)) {
      const bytes = this.picture.slice(at, at + size);
      if (universe === null) sent.flat.set(this.controller, bytes);
      else sent.universes.set(universe, bytes);
      at += size;
    }
  }
}
