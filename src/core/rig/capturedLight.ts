import type { Plan } from '../plan/planned';
import { CaptureError, readPcap } from '../protocols/pcap';
import { countOf, groupDigits } from '../units/number';
import { Receiver } from './packets';
import { lightOfReceived } from './rig';
import { rigOf, type RigSetup } from './rigFacts';
import { plannedAt } from '../plan/records';

/** A capture file that is put before the rig. */
export interface CapturedAsked {
  /** Index in the show; null for the whole show. */
  prop: number | null;
  file: Uint8Array | null;
  setup: RigSetup;
}

interface CapturedLight {
  /** The picture at its end, four bytes for each pixel of the prop or of the show; null where it is no capture. */
  light: Uint8Array | null;
  /** Its contents, or the reason why it cannot be read. */
  words: string;
}

/** The picture of the display from the packets of a capture file, at its end. Null without a file. */
export function capturedLight(plan: Plan, { prop, file, setup }: CapturedAsked): CapturedLight | null {
  if (!file) return null;
  try {
    const { datagrams, otherPackets } = readPcap(file);
    const receiver = new Receiver(plan);
    for (const datagram of datagrams) receiver.hear(datagram);
    const { malformed, others } = receiver;
    const light = lightOfReceived(rigOf(plan, setup), receiver.sentTo);
    const { firstPixel, pixelCount } =
      prop === null ? { firstPixel: 0, pixelCount: plan.pixelCount } : plannedAt(plan, prop);
    return {
      light: light.slice(4 * firstPixel, 4 * (firstPixel + pixelCount)),
      words: `${countOf(datagrams.length + otherPackets, 'packet')}: ${groupDigits(malformed)} not well formed, ${groupDigits(others + otherPackets)} for nobody of this show. What lights is as it is at the end.`,
    };
  } catch (error) {
    if (error instanceof CaptureError) return { light: null, words: error.message };
    throw error;
  }
}
