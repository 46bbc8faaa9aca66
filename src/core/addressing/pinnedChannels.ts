import type { Block } from './block';

/** Port of something that is pinned. */
export interface PinnedPlace {
  controller: number;
  port: number;
}

type Slots = Pick<Block, 'universe' | 'slot' | 'channels'>;

/** Channels that are taken by pins, by universe, so that what is not pinned goes around them. */
export class PinnedChannels {
  private readonly byUniverse = new Map<number, { from: number; to: number; on: PinnedPlace }[]>();

  add(on: PinnedPlace, blocks: readonly Slots[]): void {
    for (const { universe, slot, channels } of blocks) {
      const taken = { from: slot, to: slot + channels, on };
      const list = this.byUniverse.get(universe!);
      if (list) list.push(taken);
      else this.byUniverse.set(universe!, [taken]);
    }
  }

  /**
   * The place after the first pinned channels that some blocks would cover; null where they cover none.
   *
   * @param keepsApart of what is pinned on a port, that not even a universe may be shared with it
   * @returns no slot where nothing may follow in that universe
   */
  after(
    blocks: readonly Slots[],
    keepsApart: (on: PinnedPlace) => boolean,
  ): { universe: number; slot: number | null } | null {
    for (const { universe, slot, channels } of blocks) {
      const pinned = this.byUniverse.get(universe!);
      if (!pinned) continue;
      if (pinned.some(({ on }) => keepsApart(on))) return { universe: universe!, slot: null };
      const hit = pinned
        .filter(({ from, to }) => from < slot + channels && to > slot)
        .sort((a, b) => a.from - b.from)[0];
      if (hit) return { universe: universe!, slot: hit.to };
    }
    return null;
  }
}
