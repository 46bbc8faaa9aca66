import type { ShowMessage } from '@/core/show/events';
import { ownJson } from '@/core/fields/parseJson';

/** Subscription of a page. */
export interface Watch {
  /** Id of the page that watches. */
  key: string;
  showId: string;
  /** By which the server knows whose changes are whose. */
  window: string;
}

/** As much of an EventSource as is needed here. */
export interface Source {
  onmessage: ((event: MessageEvent<string>) => void) | null;
  onerror: ((event: Event) => void) | null;
  readonly readyState: number;
  close: () => void;
}

const CLOSED = 2;
/** Pages come and go several at a time; the stream is opened anew once for all of them. */
const GATHER_MS = 20;
const RETRY_MS = 700;
/** A page that is refused, as a phone that was sent away, asks more and more seldom. */
const LONGEST_RETRY_MS = 15_000;
/** The server says every few seconds where things stand; a line that is silent for so long is dead, whatever the browser takes it for. */
const SILENT_MS = 11_000;

/**
 * One stream of events for any number of pages: a browser allows only six connections to a host. Whenever the stream is opened anew,
 * it begins with where each show stands, so that nothing is missed in between.
 */
export class Hub {
  private readonly watches = new Map<string, Watch>();
  private source: Source | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private refusals = 0;
  private silence: ReturnType<typeof setTimeout> | null = null;

  /**
   * @param tell hands a message to a page
   * @param open opens a stream of events at an address of this server
   */
  constructor(
    private readonly tell: (key: string, message: ShowMessage) => void,
    private readonly open: (address: string) => Source,
  ) {}

  get keys(): string[] {
    return [...this.watches.keys()];
  }

  add(watch: Watch): void {
    const known = this.watches.get(watch.key);
    if (known && known.showId === watch.showId && known.window === watch.window) return;
    this.watches.set(watch.key, watch);
    this.reopenIn(GATHER_MS);
  }

  remove(key: string): void {
    if (this.watches.delete(key)) this.reopenIn(GATHER_MS);
  }

  /** The line may be there again: the stream is opened anew at once. */
  hurry(): void {
    if (this.watches.size > 0) this.reopenIn(0);
  }

  stop(): void {
    this.watches.clear();
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.close();
  }

  private reopenIn(afterMs: number): void {
    this.timer ??= setTimeout(() => {
      this.timer = null;
      this.reopen();
    }, afterMs);
  }

  private reopen(): void {
    this.close();
    if (this.watches.size === 0) return;
    const watched = new Set(
      [...this.watches.values()].map(({ showId, window }) => `watch=${showId}:${window}`),
    );
    const source = this.open(`/api/events?${[...watched].join('&')}`);
    this.expectNews();
    source.onmessage = ({ data }) => {
      this.expectNews();
      this.refusals = 0;
      const message = ownJson<ShowMessage>(data);
      for (const { key, showId } of this.watches.values())
        if (showId === message.showId) this.tell(key, message);
    };
    // A stream that breaks is opened again by the browser; one that was refused is not.
    source.onerror = () => {
      if (this.source !== source) return;
      this.tellUnheard();
      if (source.readyState === CLOSED)
        this.reopenIn(Math.min(LONGEST_RETRY_MS, RETRY_MS * 2 ** (this.refusals += 1)));
    };
    this.source = source;
  }

  private expectNews(): void {
    if (this.silence) clearTimeout(this.silence);
    this.silence = setTimeout(() => {
      this.tellUnheard();
      this.reopen();
    }, SILENT_MS);
  }

  private tellUnheard(): void {
    for (const { key, showId } of this.watches.values()) this.tell(key, { showId, is: 'unheard' });
  }

  private close(): void {
    if (this.silence) clearTimeout(this.silence);
    this.silence = null;
    this.source?.close();
    this.source = null;
  }
}

/** From a page to the hub, wherever that lives. */
export type ToHub = { is: 'watch'; watch: Watch } | { is: 'leave'; key: string } | { is: 'hurry' };
/** From the hub to a page. */
export interface FromHub {
  key: string;
  message: ShowMessage;
}
