import { startThread } from './thread';

/** A worker that answers nothing by itself. */
function silentWorker() {
  const events = new EventTarget();
  const worker = Object.assign(events, { postMessage: () => undefined, terminate: jest.fn() });
  return { worker: worker as unknown as Worker, events, terminate: worker.terminate };
}

describe('a thread', () => {
  it('gives what was answered', async () => {
    const { worker } = silentWorker();
    await expect(startThread(worker).answer(Promise.resolve(7))).resolves.toBe(7);
  });

  it('says in a sentence that it could not be loaded, to what is asked then and later', async () => {
    const { worker, events } = silentWorker();
    const thread = startThread(worker);
    const asked = thread.answer(new Promise(() => undefined));
    events.dispatchEvent(new Event('error'));
    await expect(asked).rejects.toThrow('did not start. Load the page again.');
    await expect(thread.answer(new Promise(() => undefined))).rejects.toThrow('did not start');
  });

  it('tells how far it is, and nothing more once the answer is there, however late that comes', async () => {
    const { worker } = silentWorker();
    const parts: number[] = [];
    let late: (part: number) => void = () => undefined;
    const answer = startThread(worker).answerInParts(
      (part) => parts.push(part),
      (told) => {
        told(0.5);
        late = told;
        return Promise.resolve(7);
      },
    );
    await expect(answer).resolves.toBe(7);
    late(0.9);
    expect(parts).toEqual([0.5]);
  });

  it('says nothing more of how far it is once it failed', async () => {
    const { worker } = silentWorker();
    const progress = jest.fn();
    let late: (part: number) => void = () => undefined;
    const answer = startThread(worker).answerInParts(progress, (told) => {
      late = told;
      return Promise.reject(new Error('Line 3: y is missing.'));
    });
    await expect(answer).rejects.toThrow('Line 3');
    late(0.9);
    expect(progress).not.toHaveBeenCalled();
  });

  it('is ended', () => {
    const { worker, terminate } = silentWorker();
    startThread(worker).stop();
    expect(terminate).toHaveBeenCalledTimes(1);
  });
});
