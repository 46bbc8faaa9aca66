import type { ShowMessage } from '@/core/show/events';
import { newId } from '@/core/fields/fields';
import type { FromHub, ToHub, Watch } from './hub';
import { followOrLead } from './leader';

/** The way on which a page hears. */
interface Line {
  stop: () => void;
  /** It may be there again after it was cut. */
  hurry: () => void;
}

/**
 * Hears what happens to a show, over one stream of events for all pages of this browser.
 *
 * @returns a way to stop
 */
export function watchShow(showId: string, window: string, hear: (message: ShowMessage) => void): () => void {
  let line = watchOnce();
  // A page that is left may come back as it was: it is not heard of in between.
  const leave = () => line.stop();
  const back = ({ persisted }: PageTransitionEvent) => {
    if (persisted) line = watchOnce();
  };
  // A line that was cut tells nobody; the browser often knows.
  const cut = () => hear({ showId, is: 'unheard' });
  const again = () => line.hurry();
  const seen = () => document.hidden || line.hurry();
  addEventListener('pagehide', leave);
  addEventListener('pageshow', back);
  addEventListener('offline', cut);
  addEventListener('online', again);
  document.addEventListener('visibilitychange', seen);
  return () => {
    removeEventListener('pagehide', leave);
    removeEventListener('pageshow', back);
    removeEventListener('offline', cut);
    removeEventListener('online', again);
    document.removeEventListener('visibilitychange', seen);
    line.stop();
  };

  function watchOnce(): Line {
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

function throughWorker(watch: Watch, hear: (message: ShowMessage) => void): Line {
  const worker = new SharedWorker(new URL('./events.worker.ts', import.meta.url), { type: 'module' });
  const say = (message: ToHub) => worker.port.postMessage(message);
  worker.port.onmessage = ({ data }: MessageEvent<FromHub>) => {
    if (data.key === watch.key) hear(data.message);
  };
  say({ is: 'watch', watch });
  return {
    stop: () => {
      say({ is: 'leave', key: watch.key });
      worker.port.close();
    },
    hurry: () => say({ is: 'hurry' }),
  };
}
