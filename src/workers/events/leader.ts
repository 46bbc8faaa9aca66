import type { ShowMessage } from '@/core/show/events';
import { Hub, type FromHub, type Source, type ToHub, type Watch } from './hub';

/** As much of a BroadcastChannel as is needed here. */
export interface Channel {
  onmessage: ((event: MessageEvent) => void) | null;
  postMessage: (message: unknown) => void;
  close: () => void;
}

type Said =
  | { say: 'who leads?' }
  | { say: 'I lead'; key: string }
  | { say: 'I leave' }
  | { say: 'hub'; to: ToHub }
  | { say: 'page'; from: FromHub };

/** Wait for a leader's answer before leading oneself. */
const ANSWER_MS = 400;
/** Interval at which followers look whether the leader is still there. */
const LOOK_MS = 10_000;

/**
 * In a browser without a shared worker one of its pages leads: it holds the stream of events and passes on what the others watch. When
 * it goes, another one leads. For a moment two may lead, which costs a connection and loses nothing.
 *
 * @returns ways to stop, and to open the stream anew since the line may be there again
 */
export function followOrLead(
  watch: Watch,
  hear: (message: ShowMessage) => void,
  channel: Channel,
  open: (address: string) => Source,
): { stop: () => void; hurry: () => void } {
  let hub: Hub | null = null;
  let answered = false;
  let waiting: ReturnType<typeof setTimeout> | null = null;
  const say = (said: Said) => channel.postMessage(said);

  const lead = () => {
    waiting = null;
    if (answered || hub) return;
    hub = new Hub((key, message) => {
      if (key === watch.key) hear(message);
      else say({ say: 'page', from: { key, message } });
    }, open);
    hub.add(watch);
    say({ say: 'I lead', key: watch.key });
  };
  const elect = (afterMs: number) => {
    answered = false;
    say({ say: 'who leads?' });
    waiting ??= setTimeout(lead, afterMs);
  };

  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    switch (data.say) {
      case 'who leads?':
        if (hub) say({ say: 'I lead', key: watch.key });
        break;
      case 'I lead':
        answered = true;
        // The one with the smaller key of two that lead goes on.
        if (hub && data.key > watch.key) return say({ say: 'I lead', key: watch.key });
        hub?.stop();
        hub = null;
        say({ say: 'hub', to: { is: 'watch', watch } });
        break;
      case 'I leave':
        // Not all at once: whoever is first leads.
        if (!hub) elect(ANSWER_MS / 4 + Math.random() * ANSWER_MS);
        break;
      case 'hub':
        if (data.to.is === 'watch') hub?.add(data.to.watch);
        else if (data.to.is === 'hurry') hub?.hurry();
        else hub?.remove(data.to.key);
        break;
      case 'page':
        if (data.from.key === watch.key) hear(data.from.message);
        break;
    }
  };
  elect(ANSWER_MS);
  const look = setInterval(() => {
    if (!hub) elect(ANSWER_MS * 4);
  }, LOOK_MS);

  const stop = () => {
    clearInterval(look);
    if (waiting) clearTimeout(waiting);
    if (hub) say({ say: 'I leave' });
    else say({ say: 'hub', to: { is: 'leave', key: watch.key } });
    hub?.stop();
    hub = null;
    channel.onmessage = null;
    channel.close();
  };
  const hurry = () => (hub ? hub.hurry() : say({ say: 'hub', to: { is: 'hurry' } }));
  return { stop, hurry };
}
