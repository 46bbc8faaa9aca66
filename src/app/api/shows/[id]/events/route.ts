import { answer } from '@/server/http';
import { shows } from '@/server/repository';

export const dynamic = 'force-dynamic';

const KEEP_ALIVE_MS = 25_000;

/** Server-sent events: the sequence number now and after every change, and `removed` when the show is deleted. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const { sequence } = shows().get(id);
    const encoder = new TextEncoder();
    let stop = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = (text: string) => controller.enqueue(encoder.encode(text));
        const change = (now: number | null) =>
          send(
            now === null ? 'event: removed\ndata: {}\n\n' : `data: ${JSON.stringify({ sequence: now })}\n\n`,
          );
        const unlisten = shows().listen(id, change);
        const timer = setInterval(() => send(': still here\n\n'), KEEP_ALIVE_MS);
        stop = () => {
          unlisten();
          clearInterval(timer);
        };
        request.signal.addEventListener('abort', () => stop());
        change(sequence);
      },
      cancel: () => stop(),
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
    });
  });
