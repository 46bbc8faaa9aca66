import { withFaults, type Fault } from '../rig/faults/registry';
import type { Rig } from '../rig/rig';
import type { Scope, Seen } from './scope';
import { joinedKey, seenSums } from './seenKey';
import { faultAt, type AnyPlace } from './suspects';
import type { Trial } from './trials';
import { WireView } from './wireView';

/** A picture, and two sums that stand for it. */
interface Looked {
  seen: Seen;
  sums: readonly [number, number];
}

/** A display, with or without something the matter, under the trials: what is seen, and with a fault at any place of its wires. */
export class View {
  readonly rig: Rig;
  private readonly looked = new Map<string, Looked>();
  private readonly wires = new Map<string, WireView>();

  constructor(
    private readonly scope: Scope,
    readonly faults: readonly Fault[],
    base?: View,
  ) {
    this.rig = base ? withFaults(base.rig, faults.slice(base.faults.length)) : scope.rigWith(faults);
  }

  /** The picture of a trial. */
  seen(trial: Trial): Seen {
    return this.of(trial).seen;
  }

  /** Stands for what is seen of a trial. */
  key(trial: Trial): number {
    return joinedKey(...this.of(trial).sums);
  }

  /** The same with a fault at a place of a wire. */
  seenWith(trial: Trial, anywhere: AnyPlace, place: number): Seen {
    if (trial.how === 'look') return this.readWith(trial, anywhere, place).seen;
    return this.wire(trial, anywhere.chain)?.picture(anywhere.kind, place) ?? this.seen(trial);
  }

  keyWith(trial: Trial, anywhere: AnyPlace, place: number): number {
    if (trial.how === 'look') return joinedKey(...this.readWith(trial, anywhere, place).sums);
    return this.wire(trial, anywhere.chain)?.key(anywhere.kind, place) ?? this.key(trial);
  }

  /** A wire under a trial; null where nothing is on that port. */
  wire(trial: Trial, { controller, port }: AnyPlace['chain']): WireView | null {
    const key = `${trial.id} ${controller} ${port}`;
    let known = this.wires.get(key);
    if (!known) {
      const chain = this.rig.chains.find((each) => each.controller === controller && each.port === port);
      if (!chain) return null;
      const { seen, sums } = this.of(trial);
      this.wires.set(key, (known = new WireView(this.scope, this.rig, chain, trial, seen, sums)));
    }
    return known;
  }

  /** A count is read on the page of its device; what sits on the wire is not. */
  private readWith(trial: Trial, anywhere: AnyPlace, place: number): Looked {
    if (anywhere.kind !== 'countWrong' || trial.id !== 'settings') return this.of(trial);
    const { controller, port } = anywhere.chain;
    return this.kept(`${trial.id} ${controller} ${port} ${place}`, () =>
      this.scope.see(withFaults(this.rig, [faultAt(this.scope, anywhere, place)]), trial),
    );
  }

  private of(trial: Trial): Looked {
    return this.kept(trial.id, () => this.scope.see(this.rig, trial));
  }

  private kept(key: string, see: () => Seen): Looked {
    let known = this.looked.get(key);
    if (!known) {
      const seen = see();
      this.looked.set(key, (known = { seen, sums: seenSums(seen) }));
    }
    return known;
  }
}
