/** So many wrong codes cost nothing: people mistype. */
const FREE = 4;
const LONGEST_MS = 60_000;
/** An address that was wrong and then quiet for so long begins anew. */
const FORGOTTEN_MS = 15 * 60_000;
/** Limit for all addresses together: at this pace the letters of a code last for thousands of years. */
const MOST_PER_MINUTE = 60;
const MOST_ADDRESSES = 1000;

/** Slows down whoever guesses: from the fifth wrong code on each costs twice the wait of the one before, up to a minute. */
export class Tries {
  private readonly wrong = new Map<string, { count: number; atMs: number }>();
  private minute = { beganMs: 0, count: 0 };

  constructor(private readonly now: () => number) {}

  /** Wait of an address before its next code is looked at. */
  waitMs(address: string): number {
    const now = this.now();
    const everybody =
      this.minute.count >= MOST_PER_MINUTE ? Math.max(0, this.minute.beganMs + 60_000 - now) : 0;
    const own = this.wrong.get(address);
    if (!own || own.count < FREE) return everybody;
    return Math.max(everybody, own.atMs + Math.min(LONGEST_MS, 1000 * 2 ** (own.count - FREE)) - now, 0);
  }

  noteWrong(address: string): void {
    const now = this.now();
    for (const [each, { atMs }] of this.wrong) if (now - atMs > FORGOTTEN_MS) this.wrong.delete(each);
    const count = (this.wrong.get(address)?.count ?? 0) + 1;
    this.wrong.delete(address);
    this.wrong.set(address, { count, atMs: now });
    const oldest = this.wrong.keys().next().value;
    if (this.wrong.size > MOST_ADDRESSES && oldest !== undefined) this.wrong.delete(oldest);
    if (now - this.minute.beganMs >= 60_000) this.minute = { beganMs: now, count: 0 };
    this.minute.count += 1;
  }

  noteRight(address: string): void {
    this.wrong.delete(address);
  }
}
