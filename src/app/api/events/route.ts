import { idSchema } from '@/core/fields/fields';
import type { ShowMessage } from '@/core/show/events';
import { Refusal, answer } from '@/server/http';
import { shows } from '@/server/repository';

export const dynamic = 'force-dynamic';

const RETRY_MS = 700;
/** Several of them fit into the time after which a page takes the line for dead. */
const KEEP_ALIVE_MS = 4000;
const MOST_WATCHED = 100;

/**
 * Server-sent events of several shows over one connection: `?watch=show:window` as often as wanted. For each show its sequence number
 * comes first, then what happens to it; where it stands is said again every few seconds, so that silence is known to be a dead line.
 */
export const GET = (request: Request) =>
  answer(() => {
    const watched = new URL(request.url).searchParams.getAll('watch').map((each) => each.split(':'));
    const isWatch = (each: string[]) =>
      each.length <= 2 && each.every((id) => idSchema.safeParse(id).success);
    if (watched.length === 0 || watched.length > MOST_WATCHED || !watched.every(isWatch))
      throw new Refusal(400, 'Say what to watch: ?watch=SHOW or ?watch=SHOW:WINDOW, up to 100 times.');
    const encoder = new TextEncoder();
    const stops: (() => void)[] = [];
    const stop = () => {
      for (const each of stops.splice(0)) each();
    };
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = (text: string) => controller.enqueue(encoder.encode(text));
        const tell = (message: ShowMessage) => send(`data: ${JSON.stringify(message)}\n\n`);
        // A line that broke is taken up again within a second, so that two who tick one list soon agree.
        send(`retry: ${RETRY_MS}\n\n`);
        const sayWhere = (showId: string) => {
          const standing = shows().standing(showId);
          tell(standing ? { showId, is: 'at', ...standing } : { showId, is: 'removed' });
        };
        for (const [showId, window = null] of watched as [string, string?][]) {
          stops.push(shows().listen(showId, window, (event) => tell({ showId, ...event })));
          sayWhere(showId);
        }
        const ids = new Set(watched.map(([showId]) => showId!));
        const timer = setInterval(() => ids.forEach(sayWhere), KEEP_ALIVE_MS);
        stops.push(() => clearInterval(timer));
        request.signal.addEventListener('abort', stop);
      },
      cancel: stop,
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
    });
  });
