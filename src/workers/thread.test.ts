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

  it('is ended', () => {
    const { worker, terminate } = silentWorker();
    startThread(worker).stop();
    expect(terminate).toHaveBeenCalledTimes(1);
  });
});
