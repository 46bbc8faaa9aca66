import type { ShowMessage } from '@/core/show/events';
import { Hub, type Source, type Watch } from './hub';
import { followOrLead, type Channel } from './leader';

/** Streams that the test opened and what was asked of each. */
class Streams {
  readonly open: (Source & { address: string })[] = [];
  start = (address: string): Source => {
    const source = {
      address,
      onmessage: null,
      onerror: null,
      readyState: 1,
      close: () => this.open.splice(this.open.indexOf(source), 1),
    };
    this.open.push(source);
    return source;
  };
  say(message: ShowMessage): void {
    for (const source of this.open)
      source.onmessage?.({ data: JSON.stringify(message) } as MessageEvent<string>);
  }
}

const watch = (key: string, showId = 'quay'): Watch => ({ key, showId, window: `w-${key}` });
const changed: ShowMessage = { showId: 'quay', is: 'at', sequence: 7, noted: 0 };

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('a hub', () => {
  it('opens one stream for all pages, and tells each of its own show', () => {
    const streams = new Streams();
    const heard: string[] = [];
    const hub = new Hub((key, { showId }) => heard.push(`${key} ${showId}`), streams.start);
    hub.add(watch('a'));
    hub.add(watch('b'));
    hub.add(watch('c', 'pier'));
    jest.advanceTimersByTime(100);
    expect(streams.open.map(({ address }) => address)).toEqual([
      '/api/events?watch=quay:w-a&watch=quay:w-b&watch=pier:w-c',
    ]);
    streams.say(changed);
    expect(heard).toEqual(['a quay', 'b quay']);
    hub.remove('a');
    hub.remove('c');
    jest.advanceTimersByTime(100);
    expect(streams.open.map(({ address }) => address)).toEqual(['/api/events?watch=quay:w-b']);
    hub.remove('b');
    jest.advanceTimersByTime(100);
    expect(streams.open).toEqual([]);
  });

  it('opens a stream again that was refused', () => {
    const streams = new Streams();
    const hub = new Hub(() => {}, streams.start);
    hub.add(watch('a'));
    jest.advanceTimersByTime(100);
    const [first] = streams.open;
    Object.assign(first!, { readyState: 2 });
    first!.onerror?.(new Event('error'));
    jest.advanceTimersByTime(5000);
    expect(streams.open).toHaveLength(1);
    expect(streams.open[0]).not.toBe(first);
    hub.stop();
  });

  it('takes a silent line for dead, says so, and opens it anew', () => {
    const streams = new Streams();
    const heard: string[] = [];
    const hub = new Hub((key, { is }) => heard.push(`${key} ${is}`), streams.start);
    hub.add(watch('a'));
    jest.advanceTimersByTime(100);
    const [first] = streams.open;
    for (let i = 0; i < 5; i += 1) {
      jest.advanceTimersByTime(9000);
      streams.say(changed);
    }
    expect(heard).toEqual(Array(5).fill('a at'));
    jest.advanceTimersByTime(12_000);
    expect(heard.at(-1)).toBe('a unheard');
    expect(streams.open).toHaveLength(1);
    expect(streams.open[0]).not.toBe(first);
    streams.say(changed);
    expect(heard.at(-1)).toBe('a at');
    hub.hurry();
    jest.advanceTimersByTime(1);
    expect(streams.open).toHaveLength(1);
    hub.stop();
    jest.advanceTimersByTime(60_000);
    expect(streams.open).toEqual([]);
  });
});

/** Channels of one browser: what one says all others hear, a little later. */
function channels() {
  const all = new Set<Channel>();
  return (): Channel => {
    const channel: Channel = {
      onmessage: null,
      postMessage: (data) => {
        for (const other of all)
          if (other !== channel)
            setTimeout(() => other.onmessage?.({ data: structuredClone(data) } as MessageEvent), 1);
      },
      close: () => all.delete(channel),
    };
    all.add(channel);
    return channel;
  };
}

describe('pages without a shared worker', () => {
  function browser() {
    const streams = new Streams();
    const channel = channels();
    const heard = new Map<string, number>();
    const open = (key: string) => {
      heard.set(key, 0);
      // Nobody speaks for long in these tests.
      const hear = ({ is }: ShowMessage) => is !== 'unheard' && heard.set(key, heard.get(key)! + 1);
      return followOrLead(watch(key), hear, channel(), streams.start);
    };
    return { streams, heard, open, settle: (ms = 20_000) => jest.advanceTimersByTime(ms) };
  }

  it('have one stream among them, and all hear', () => {
    const { streams, heard, open, settle } = browser();
    const keys = Array.from({ length: 10 }, (_, i) => `p${i}`);
    keys.forEach(open);
    settle();
    expect(streams.open).toHaveLength(1);
    expect(streams.open[0]!.address.split('watch=')).toHaveLength(11);
    streams.say(changed);
    settle(10);
    expect([...heard.values()]).toEqual(keys.map(() => 1));
  });

  it('go on when the one that leads is left, and when it is gone without a word', () => {
    const { streams, heard, open, settle } = browser();
    const stops = new Map(['p1', 'p2', 'p3', 'p4'].map((key) => [key, open(key).stop]));
    settle();
    const leader = () => /w-(p\d)/.exec(streams.open[0]!.address)![1]!;
    for (let left = 3; left > 0; left -= 1) {
      const key = leader();
      stops.get(key)!();
      heard.delete(key);
      stops.delete(key);
      settle();
      expect(streams.open).toHaveLength(1);
      streams.say(changed);
      settle(10);
    }
    const [[, last]] = [...heard] as [[string, number]];
    expect(last).toBe(3);
  });

  it('end with one leader where two began', () => {
    const { streams, open, settle } = browser();
    open('p1');
    settle(410);
    // Too late to be heard of by the next, which waits no longer either.
    open('p2');
    settle();
    expect(streams.open).toHaveLength(1);
  });
});
