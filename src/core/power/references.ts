import { NetworkError, type Network } from './network';

/** The nodes of a network as unknowns: which of them are fixed or move together, and what no supply reaches. */
export interface Settled {
  /** Unknown of each node; -1 where its voltage is fixed, or where no supply reaches it. Numbered in the order of the nodes. */
  unknownOf: Int32Array;
  unknownCount: number;
  /** Volts of a node above its unknown, or above 0 where it is fixed. */
  offset: Float64Array;
  /** 1 where a supply is joined to it by wire. */
  isLive: Uint8Array;
  /** 1 for a load that no supply reaches, or whose two ends hang on supplies that nothing joins. */
  unfed: Uint8Array;
}

/**
 * A supply ties its plus to its minus, so both are one unknown. In each part of the network that is joined by wire the minus of its first
 * supply is 0 V. Parts without a supply are left out: nothing flows there.
 *
 * @throws NetworkError where two supplies tie the same two places to different voltages.
 */
export function settle({ nodeCount, wires, supplies, loads }: Network): Settled {
  const tied = new Groups(nodeCount);
  supplies.forEach(({ plus, minus, volts }, i) => {
    if (!tied.join(plus, minus, volts))
      throw new NetworkError('Two supplies hold the same two places at different voltages.', 'supply', i);
  });
  const joined = new Groups(nodeCount);
  for (const { plus, minus } of supplies) joined.join(plus, minus, 0);
  for (let i = 0; i < wires.ohm.length; i += 1) joined.join(wires.from[i]!, wires.to[i]!, 0);

  const isPowered = new Uint8Array(nodeCount);
  /** By the group that is fixed, what its root stands at. */
  const fixed = new Map<number, number>();
  for (const { minus } of supplies) {
    const part = joined.rootOf(minus);
    if (isPowered[part]) continue;
    isPowered[part] = 1;
    fixed.set(tied.rootOf(minus), -tied.above(minus));
  }
  const unknownOf = new Int32Array(nodeCount).fill(-1);
  const offset = new Float64Array(nodeCount);
  const isLive = new Uint8Array(nodeCount);
  const ofGroup = new Int32Array(nodeCount).fill(-1);
  let unknownCount = 0;
  for (let node = 0; node < nodeCount; node += 1) {
    if (isPowered[joined.rootOf(node)] === 0) continue;
    isLive[node] = 1;
    const group = tied.rootOf(node);
    const at = fixed.get(group);
    offset[node] = tied.above(node) + (at ?? 0);
    if (at !== undefined) continue;
    if (ofGroup[group] === -1) {
      ofGroup[group] = unknownCount;
      unknownCount += 1;
    }
    unknownOf[node] = ofGroup[group]!;
  }
  const unfed = new Uint8Array(loads.plus.length);
  for (let i = 0; i < unfed.length; i += 1) {
    const part = joined.rootOf(loads.plus[i]!);
    if (!isPowered[part] || part !== joined.rootOf(loads.minus[i]!)) unfed[i] = 1;
  }
  return { unknownOf, unknownCount, offset, isLive, unfed };
}

/** Union-find in which each member also knows how far it stands above its root. */
class Groups {
  private readonly parent: Int32Array;
  private readonly aboveParent: Float64Array;

  constructor(count: number) {
    this.parent = new Int32Array(count);
    for (let i = 0; i < count; i += 1) this.parent[i] = i;
    this.aboveParent = new Float64Array(count);
  }

  rootOf(member: number): number {
    const { parent, aboveParent } = this;
    let root = member;
    let total = 0;
    while (parent[root] !== root) {
      total += aboveParent[root]!;
      root = parent[root]!;
    }
    // All on the way hang on the root from now on.
    for (let at = member; parent[at] !== root && at !== root;) {
      const next = parent[at]!;
      const step = aboveParent[at]!;
      parent[at] = root;
      aboveParent[at] = total;
      total -= step;
      at = next;
    }
    return root;
  }

  above(member: number): number {
    this.rootOf(member);
    return this.parent[member] === member ? 0 : this.aboveParent[member]!;
  }

  /** Makes one group of two, the first so far above the second. @returns false where they are one already and stand otherwise. */
  join(first: number, second: number, above: number): boolean {
    const one = this.rootOf(first);
    const other = this.rootOf(second);
    const difference = this.above(second) + above - this.above(first);
    if (one === other) return Math.abs(difference) < 1e-9;
    this.parent[one] = other;
    this.aboveParent[one] = difference;
    return true;
  }
}
