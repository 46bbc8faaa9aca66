import path from 'node:path';
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import { Worker, type Pieces } from './jobs';
import { sendError, type FromThread, type ToThread } from './messages';

// It only reads: what it is asked about was opened, and brought up to date, by the one who asks.
const folder = (workerData as { folder: string }).folder;
const worker = new Worker(() => new Database(path.join(folder, 'rapid-lantern.sqlite'), { readonly: true }));
const running = new Map<number, Pieces>();

function send(message: FromThread): void {
  // The bytes change hands where they have a buffer to themselves.
  const own = message.is === 'piece' && message.bytes.byteLength === message.bytes.buffer.byteLength;
  parentPort!.postMessage(message, own ? [message.bytes.buffer as ArrayBuffer] : []);
}

/** Makes one piece and waits to be asked for more, so that several jobs take turns and none runs ahead of its reader. */
function step(number: number, pieces: Pieces): void {
  const next = pieces.next();
  if (next.done) {
    running.delete(number);
    send({ is: 'done', number });
  } else send({ is: 'piece', number, bytes: next.value });
}

parentPort!.on('message', (message: ToThread) => {
  const { number } = message;
  try {
    if (message.is === 'cancel') running.delete(number);
    else if (message.is === 'more') {
      const pieces = running.get(number);
      if (pieces) step(number, pieces);
    } else {
      const pieces = worker.start(message.job, (part) => send({ is: 'progress', number, part }));
      running.set(number, pieces);
      step(number, pieces);
    }
  } catch (error) {
    running.delete(number);
    send({ is: 'failed', number, error: sendError(error) });
  }
});
