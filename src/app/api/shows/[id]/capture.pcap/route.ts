import { patternById, PATTERN_IDS } from '@/core/patterns/registry';
import { answer, captureHeaders, jobAnswer, numberIn, Refusal } from '@/server/http';

const MOST_FRAMES = 2400;

/** Packets of a test as a capture file; nothing is sent. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const showId = (await params).id;
    const query = new URL(request.url).searchParams;
    const pattern = query.get('pattern') ?? '';
    if (!patternById(pattern))
      throw new Refusal(400, `The pattern is one of ${PATTERN_IDS.join(', ')}; “${pattern}” is not.`);
    const propId = query.get('prop');
    return jobAnswer(
      request,
      {
        is: 'capture',
        showId,
        asked: {
          pattern,
          on: propId === null ? { on: 'show' } : { on: 'prop', propId },
          level: numberIn(query, 'level', 0, 1, 0.3),
          frames: Math.round(numberIn(query, 'frames', 1, MOST_FRAMES, 40)),
          rateHz: numberIn(query, 'rate', 1, 120, 40),
        },
      },
      captureHeaders(`${showId}-${pattern}.pcap`),
    );
  });
