import type { Worker } from 'node:worker_threads';

/** A question to a thread, and its answer. */
export interface Call<Ask> {
  number: number;
  ask: Ask;
}
export type Reply<Answer> = { number: number; answer: Answer } | { number: number; error: string };

/** Questions by their names, each with what it is asked with and what is answered. */
export type AsksOf<Asks> = { [Is in keyof Asks]: { ask: unknown; answer: unknown } };

/** Asks a thread, and waits for what it says. */
export class ThreadCalls<Asks extends AsksOf<Asks>> {
  private number = 0;
  private readonly waiting = new Map<
    number,
    { resolve: (answer: never) => void; reject: (error: Error) => void }
  >();

  constructor(
    private readonly worker: Worker,
    /** It is gone, and with it all that it did. */
    onGone: (error: Error) => void,
  ) {
    worker.on('message', (reply: Reply<unknown>) => {
      const call = this.waiting.get(reply.number);
      this.waiting.delete(reply.number);
      if ('error' in reply) call?.reject(new Error(reply.error));
      else call?.resolve(reply.answer as never);
    });
    const gone = (error: Error) => {
      for (const { reject } of this.waiting.values()) reject(error);
      this.waiting.clear();
      onGone(error);
    };
    worker.on('error', gone);
    worker.on('exit', () => gone(new Error('The thread of the bench was ended.')));
    worker.unref();
  }

  ask<Is extends keyof Asks & string>(is: Is, ask: Asks[Is]['ask']): Promise<Asks[Is]['answer']> {
    return new Promise<Asks[Is]['answer']>((resolve, reject) => {
      this.number += 1;
      this.waiting.set(this.number, { resolve, reject });
      this.worker.postMessage({ number: this.number, ask: { is, ask } });
    });
  }

  end(): void {
    void this.worker.terminate();
  }
}
