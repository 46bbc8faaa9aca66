/**
 * Which of the pictures that come in a port puts out: a wire takes its time for each. While one is on the wire the newest waits, and one
 * that waited is dropped for it.
 */
export class PortClock {
  shown = 0;
  dropped = 0;
  private freeAtMs = -Infinity;
  private isWaiting = false;

  /** @param frameMs what one picture takes on the wire */
  constructor(readonly frameMs: number) {}

  /** A picture has come in. @returns whether it goes out at once; else it waits for `due` */
  offer(nowMs: number): boolean {
    if (nowMs < this.freeAtMs) {
      if (this.isWaiting) this.dropped += 1;
      this.isWaiting = true;
      return false;
    }
    this.begin(nowMs);
    return true;
  }

  /** @returns whether what waits goes out now */
  due(nowMs: number): boolean {
    if (!this.isWaiting || nowMs < this.freeAtMs) return false;
    this.begin(this.freeAtMs);
    return true;
  }

  /** Whether what it shows may be older than what came in. */
  get isBehind(): boolean {
    return this.isWaiting;
  }

  private begin(atMs: number): void {
    this.isWaiting = false;
    this.freeAtMs = atMs + this.frameMs;
    this.shown += 1;
  }
}
