import { wrap, type Remote } from 'comlink';

/** A thread of one's own, whose functions are called as if they were here. */
interface Thread<Api> {
  remote: Remote<Api>;
  /**
   * What the thread answers.
   *
   * @throws a sentence where the thread could not be loaded or broke: it would leave the question open for ever
   */
  answer: <Result>(asked: PromiseLike<Result>) => Promise<Result>;
  /** Ends it in the middle of whatever it does; what was asked is answered no more. */
  stop: () => void;
}

/** @param worker made where its file is named, so that the build finds it */
export function startThread<Api>(worker: Worker): Thread<Api> {
  const broken = new Promise<never>((_, refuse) => {
    worker.addEventListener('error', () =>
      refuse(new Error('The part of this page that works that out did not start. Load the page again.')),
    );
  });
  // It is told with the next answer; while nothing is asked nobody waits for it.
  broken.catch(() => undefined);
  return {
    remote: wrap<Api>(worker),
    answer: (asked) => Promise.race([asked, broken]),
    stop: () => worker.terminate(),
  };
}
