import { painted, patternById } from '../patterns/registry';
import { stretchesOf, type TestSelection } from '../patterns/selection';
import type { Plan } from '../plan/planned';
import type { CapturedDatagram } from '../protocols/pcap';
import { packetsOf } from './packets';
import { send, type SenderState } from './sending';

/** A test as it is captured, without sending it. */
export interface CaptureAsked {
  pattern: string;
  on: TestSelection;
  /** 0 to 1. */
  level: number;
  frames: number;
  rateHz: number;
}

/** Any port above those that are given out. */
const FROM_PORT = 50_000;

/** Every datagram of a test, picture by picture; what a sender would put on the network. */
export function* captured(plan: Plan, sender: SenderState, asked: CaptureAsked): Generator<CapturedDatagram> {
  const pattern = patternById(asked.pattern)!;
  const stretches = stretchesOf(plan, asked.on);
  const from = plan.show.sender?.ip ?? '127.0.0.1';
  for (let frame = 0; frame < asked.frames; frame += 1) {
    const timeS = frame / asked.rateHz;
    const wanted = painted(pattern, {
      plan,
      stretches,
      timeS,
      step: null,
      level: asked.level,
      colour: [255, 255, 255, 0],
    });
    // Packets of one picture go out one after another.
    let after = 0;
    for (const packet of packetsOf(plan, send(plan, sender, wanted), frame)) {
      yield { ...packet, from, fromPort: FROM_PORT, timeUs: timeS * 1_000_000 + after };
      after += 1;
    }
  }
}
