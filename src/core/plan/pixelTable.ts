import type { PixelTable, PlannedRun, Span } from './planned';
import { itemAt } from '../units/there';

export function emptyPixelTable(pixels: number): PixelTable {
  return {
    xMm: new Float32Array(pixels),
    yMm: new Float32Array(pixels),
    zMm: new Float32Array(pixels),
    run: new Uint32Array(pixels),
    strand: new Uint32Array(pixels),
    universe: new Uint16Array(pixels),
    channel: new Uint16Array(pixels),
    showChannel: new Uint32Array(pixels),
  };
}

/** Writes the address of each pixel's first channel, span by span. */
export function fillAddresses(table: PixelTable, runs: readonly PlannedRun[], spans: readonly Span[]): void {
  const { universe, channel, showChannel } = table;
  for (const span of spans) {
    if (span.runChannel < 0) continue;
    const run = itemAt(runs, span.run);
    const step = run.channelsPerPixel;
    // A span may start inside a pixel that began in the universe before.
    const skip = (step - (span.runChannel % step)) % step;
    let pixel = run.firstPixel + (span.runChannel + skip) / step;
    const spanUniverse = span.universe ?? 0;
    for (let offset = skip; offset < span.channelCount; offset += step, pixel += 1) {
      universe[pixel] = spanUniverse;
      channel[pixel] = span.universe === null ? 0 : span.startChannel + offset;
      showChannel[pixel] = span.startShowChannel + offset;
    }
  }
}
