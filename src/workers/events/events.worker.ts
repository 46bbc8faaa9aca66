import { Hub, type FromHub, type ToHub } from './hub';

/** Shared by all pages of a browser: it holds the one stream of events. */
const ports = new Map<string, MessagePort>();
const hub = new Hub(
  (key, message) => ports.get(key)?.postMessage({ key, message } satisfies FromHub),
  (address) => new EventSource(address),
);

(self as unknown as { onconnect: (event: MessageEvent) => void }).onconnect = ({ ports: [port] }) => {
  port!.onmessage = ({ data }: MessageEvent<ToHub>) => {
    if (data.is === 'watch') {
      ports.set(data.watch.key, port!);
      hub.add(data.watch);
    } else if (data.is === 'hurry') hub.hurry();
    else {
      ports.delete(data.key);
      hub.remove(data.key);
    }
  };
};
