import { bench } from '@/server/bench/bench';
import { answer } from '@/server/http';
import { shows } from '@/server/repository';

export const dynamic = 'force-dynamic';

/** Pictures a second that a window is given at most. */
const RATE_HZ = 30;
const HEADER_BYTES = 4;

/**
 * The light of the rig, picture after picture as fast as they are taken: four bytes that say how many follow (the least first), then red,
 * green, blue and white of each pixel. `?prop=` gives one prop in its data order, without it the whole show. It ends with the rig.
 */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    shows().nameOf(id);
    const propId = new URL(request.url).searchParams.get('prop');
    let last = 0;
    const stream = new ReadableStream<Uint8Array>(
      {
        pull: async (controller) => {
          const wait = last + 1000 / RATE_HZ - performance.now();
          if (wait > 0) await new Promise((resume) => setTimeout(resume, wait));
          last = performance.now();
          const light = request.signal.aborted ? null : await bench().frame(id, propId);
          if (!light) return controller.close();
          const piece = new Uint8Array(HEADER_BYTES + light.length);
          new DataView(piece.buffer).setUint32(0, light.length, true);
          piece.set(light, HEADER_BYTES);
          controller.enqueue(piece);
        },
      },
      { highWaterMark: 1 },
    );
    return new Response(stream, {
      headers: { 'content-type': 'application/octet-stream', 'cache-control': 'no-store' },
    });
  });
