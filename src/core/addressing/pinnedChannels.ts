import type { Block } from './block';

/** Channels that are taken by pins, by universe, so that what is not pinned goes around them. */
export class PinnedChannels {
  private readonly byUniverse = new Map<number, { from: number; to: number }[]>();

  add(blocks: readonly Block[]): void {
    for (const { universe, slot, channels } of blocks) {
      const list = this.byUniverse.get(universe!);
      if (list) list.push({ from: slot, to: slot + channels });
      else this.byUniverse.set(universe!, [{ from: slot, to: slot + channels }]);
    }
  }

  /** The place after the first pinned channels that some blocks would cover; null where they cover none. */
  after(blocks: readonly Block[]): { universe: number; slot: number } | null {
    for (const { universe, slot, channels } of blocks) {
      const hit = this.byUniverse
        .get(universe!)
        ?.filter(({ from, to }) => from < slot + channels && to > slot)
        .sort((a, b) => a.from - b.from)[0];
      if (hit) return { universe: universe!, slot: hit.to };
    }
    return null;
  }
}
