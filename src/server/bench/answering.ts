import { parentPort } from 'node:worker_threads';
import type { AsksOf, Call, Reply } from './threadCalls';
import { messageOf } from '@/core/units/messageOf';

type Answers<All extends AsksOf<All>> = {
  [Is in keyof All]: (ask: All[Is]['ask']) => All[Is]['answer'] | Promise<All[Is]['answer']>;
};

/** In a thread: answers each question by its function, one after another. */
export function answerAll<All extends AsksOf<All>>(answers: Answers<All>): void {
  let last: Promise<void> = Promise.resolve();
  parentPort!.on('message', ({ number, ask }: Call<{ is: keyof All; ask: never }>) => {
    last = last.then(async () => {
      try {
        const answer = await answers[ask.is](ask.ask);
        const bytes = answer instanceof Uint8Array ? [answer.buffer as ArrayBuffer] : [];
        parentPort!.postMessage({ number, answer } satisfies Reply<unknown>, bytes);
      } catch (error) {
        parentPort!.postMessage({ number, error: messageOf(error) } satisfies Reply<unknown>);
      }
    });
  });
}
