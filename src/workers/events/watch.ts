import type { ShowMessage } from '@/core/show/events';
import { newId } from '@/core/fields/fields';
import type { FromHub, ToHub, Watch } from './hub';
import { followOrLead } from './leader';

/**
 * Hears what happens to a show, over one stream of events for all pages of this browser.
 *
 * @returns a way to stop
 */
export function watchShow(showId: string, window: string, hear: (message: ShowMessage) => void): () => void {
  let stop = watchOnce();
  // A page that is left may come back as it was: it is not heard of in between.
  const leave = () => stop();
  const back = ({ persisted }: PageTransitionEvent) => {
    if (persisted) stop = watchOnce();
  };
  addEventListener('pagehide', leave);
  addEventListener('pageshow', back);
  return () => {
    removeEventListener('pagehide', leave);
    removeEventListener('pageshow', back);
    stop();
  };

  function watchOnce(): () => void {
    const watch: Watch = { key: newId('page'), showId, window };
    return typeof SharedWorker === 'undefined'
      ? followOrLead(
          watch,
          hear,
          new BroadcastChannel('rapid-lantern'),
          (address) => new EventSource(address),
        )
      : throughWorker(watch, hear);
  }
}

function throughWorker(watch: Watch, hear: (message: ShowMessage) => void): () => void {
  const worker = new SharedWorker(new URL('./events.worker.ts', import.meta.url), { type: 'module' });
  const say = (message: ToHub) => worker.port.postMessage(message);
  worker.port.onmessage = ({ data }: MessageEvent<FromHub>) => {
    if (data.key === watch.key) hear(data.message);
  };
  say({ is: 'watch', watch });
  return () => {
    say({ is: 'leave', key: watch.key });
    worker.port.close();
  };
}
