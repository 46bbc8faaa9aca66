import { showChain, type Chain } from './chain';

/** Faults that sit at a place of a wire: what they show follows from what the wire shows without them, wherever they sit. */
export const PLACE_FAMILIES = [
  'brokenJoint',
  'blockingPixel',
  'darkPixel',
  'missingPixel',
  'extraPixel',
] as const;
export type PlaceFamily = (typeof PLACE_FAMILIES)[number];

/**
 * One wire with a fault at any of its places. What is lit is worked out a few times, however many places are asked for: before the place
 * all is as it was; behind it all is dark, as it was, or reads the data of a neighbour.
 */
export class WireFamilies {
  /** Red, green, blue and white of each place as it is. */
  private readonly base: Uint8Array;
  /** The same with data that comes so many bytes late (above zero) or early. */
  private readonly moved = new Map<number, Uint8Array>();
  private readonly widths: Uint8Array;

  /**
   * @param wire what is on it
   * @param pixelCount of the plan
   * @param seed of what flickers
   */
  constructor(
    private readonly chain: Chain,
    private readonly wire: Uint8Array,
    private readonly pixelCount: number,
    private readonly seed = 0,
  ) {
    this.widths = Uint8Array.from(chain.order, (order) => chain.orders[order]!.length);
    this.base = this.shown(wire);
  }

  get places(): number {
    return this.chain.pixel.length;
  }

  /**
   * Writes what is lit with a fault at a place.
   *
   * @param place from 1, as faults count
   * @param light four bytes for each place of the wire; written over
   */
  write(kind: PlaceFamily, place: number, light: Uint8Array): void {
    const at = 4 * (place - 1);
    const width = this.widths[place - 1]!;
    light.set(this.base.subarray(0, at));
    switch (kind) {
      case 'brokenJoint':
      case 'blockingPixel':
        light.fill(0, at);
        return;
      case 'darkPixel':
        light.fill(0, at, at + 4);
        light.set(this.base.subarray(at + 4), at + 4);
        return;
      case 'missingPixel':
        light.fill(0, at, at + 4);
        light.set(this.movedBy(width).subarray(at + 4), at + 4);
        return;
      case 'extraPixel':
        light.set(this.movedBy(-width).subarray(at), at);
    }
  }

  private movedBy(bytes: number): Uint8Array {
    let found = this.moved.get(bytes);
    if (!found) {
      let wire = this.wire.subarray(Math.max(0, -bytes));
      if (bytes > 0) {
        wire = new Uint8Array(this.wire.length + bytes);
        wire.set(this.wire, bytes);
      }
      this.moved.set(bytes, (found = this.shown(wire)));
    }
    return found;
  }

  private shown(wire: Uint8Array): Uint8Array {
    const light = new Uint8Array(4 * this.pixelCount);
    showChain(this.chain, wire, light, this.seed);
    const byPlace = new Uint8Array(4 * this.chain.pixel.length);
    this.chain.pixel.forEach((pixel, place) => {
      if (pixel >= 0) byPlace.set(light.subarray(4 * pixel, 4 * pixel + 4), 4 * place);
    });
    return byPlace;
  }
}
