import { proxy, wrap, type Remote } from 'comlink';

/** Told how much is done, from 0 to 1. */
type Progress = (part: number) => void;

/** A thread of one's own, whose functions are called as if they were here. */
interface Thread<Api> {
  remote: Remote<Api>;
  /**
   * The answer of the thread.
   *
   * @throws a sentence where the thread could not be loaded or broke: it would leave the question open for ever
   */
  answer: <Result>(asked: PromiseLike<Result>) => Promise<Result>;
  /** The same of what takes long: `progress` is told how far it is, and nothing more once the answer is there. */
  answerInParts: <Result>(
    progress: Progress,
    ask: (progress: Progress) => PromiseLike<Result>,
  ) => Promise<Result>;
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
  const answer = <Result>(asked: PromiseLike<Result>): Promise<Result> => Promise.race([asked, broken]);
  return {
    remote: wrap<Api>(worker),
    answer,
    answerInParts: async (progress, ask) => {
      let isOpen = true;
      // Progress comes through a port of its own, so the last of it may come after the answer.
      const whileOpen = proxy((part: number) => isOpen && progress(part));
      try {
        return await answer(ask(whileOpen));
      } finally {
        isOpen = false;
      }
    },
    stop: () => worker.terminate(),
  };
}
