import type { Chain } from '../rig/chain';
import type { PlacesSeen } from '../rig/fault';
import { afterPowerCut, type Rig } from '../rig/rig';
import { SEEN_DARK, UNKNOWN } from './perceive';
import { UNREACHED } from './placeCodes';
import type { Scope, Seen } from './scope';
import { joinedKey, mix, mixAgain } from './seenKey';
import { alongWireOf, type AnyKind } from './suspects';
import type { Trial } from './trials';
import { itemAt } from '../units/there';

/** The look of the places of a wire: as they are, dark, or with data that comes early or late. */
interface Way {
  /** Codes by moment and place. */
  codes: Uint8Array;
  one: Int32Array;
  other: Int32Array;
}

/**
 * A wire of a display under a trial, with a fault at any of its places. Each picture is made of what lies before the place, the place
 * itself and what lies behind it, so sums up to each place answer for all places at once.
 */
export class WireView {
  private readonly base: Way;
  private readonly dark: Way;
  private readonly late = new Map<number, Way>();
  private readonly early = new Map<number, Way>();
  /** Index of each place in the prop; -1 where it is no pixel of it. */
  private readonly index: Int32Array;
  private readonly widths: Uint8Array;
  private readonly rest: readonly [number, number];

  /** @param seen of the display as it is, and its two sums */
  constructor(
    private readonly scope: Scope,
    private readonly of: Rig,
    private readonly chain: Chain,
    private readonly trial: Trial,
    private readonly seen: Seen,
    sums: readonly [number, number],
  ) {
    this.index = Int32Array.from(chain.pixel, (pixel) => scope.slotOf(pixel));
    this.widths = Uint8Array.from(chain.order, (order) => itemAt(chain.orders, order).length);
    this.base = this.way((moment, place) => seen[moment * scope.count + this.index[place]!]!);
    this.dark = this.way(() => SEEN_DARK);
    const [one, other] = [sum(this.base.one), sum(this.base.other)];
    this.rest = [(sums[0] - one) | 0, (sums[1] - other) | 0];
  }

  /** Stands for what is seen with a fault at a place, which counts from 1. */
  key(kind: AnyKind, wanted: number): number {
    const place = this.placeOf(wanted);
    const [before, at, behind] = this.parts(kind, place);
    const total = (lane: 'one' | 'other', rest: number) =>
      (rest +
        before[lane][place - 1]! +
        (at[lane][place]! - at[lane][place - 1]!) +
        (behind[lane].at(-1)! - behind[lane][place]!)) |
      0;
    return joinedKey(total('one', this.rest[0]), total('other', this.rest[1]));
  }

  /** The picture with a fault at a place. */
  picture(kind: AnyKind, wanted: number): Seen {
    const place = this.placeOf(wanted);
    const made = Uint8Array.from(this.seen);
    const [, at, behind] = this.parts(kind, place);
    const { length } = this.index;
    for (let moment = 0; moment < this.trial.moments.length; moment += 1)
      for (let i = place - 1; i < length; i += 1)
        if (this.index[i]! >= 0)
          made[moment * this.scope.count + this.index[i]!] = (i === place - 1 ? at : behind).codes[
            moment * length + i
          ]!;
    return made;
  }

  /** For each way how many lights up to each place agree with what was seen. */
  agreeing(observed: Seen): (kind: AnyKind, place: number) => number {
    const counts = new Map<Way, Int32Array>();
    const { length } = this.index;
    const upTo = (way: Way) => {
      let found = counts.get(way);
      if (found) return found;
      found = new Int32Array(length + 1);
      for (let i = 0; i < length; i += 1) {
        let agree = 0;
        if (this.index[i]! >= 0)
          for (let moment = 0; moment < this.trial.moments.length; moment += 1) {
            const said = observed[moment * this.scope.count + this.index[i]!]!;
            if (said === UNKNOWN || said === way.codes[moment * length + i]) agree += 1;
          }
        found[i + 1] = found[i]! + agree;
      }
      counts.set(way, found);
      return found;
    };
    const whole = agreement(this.seen, observed);
    return (kind, wanted) => {
      const place = this.placeOf(wanted);
      const [before, at, behind] = this.parts(kind, place);
      return (
        whole -
        upTo(this.base)[length]! +
        upTo(before)[place - 1]! +
        (upTo(at)[place]! - upTo(at)[place - 1]!) +
        (upTo(behind)[length]! - upTo(behind)[place]!)
      );
    };
  }

  private parts(kind: AnyKind, wanted: number): readonly [Way, Way, Way] {
    const place = this.placeOf(wanted);
    const { at, behind } = alongWireOf(kind);
    return [this.base, this.seenAs(at, place), this.seenAs(behind, place)];
  }

  private seenAs(places: PlacesSeen, place: number): Way {
    const width = this.widths[place - 1]!;
    switch (places) {
      case 'asWas':
        return this.base;
      case 'dark':
        return this.dark;
      case 'late':
        return this.moved(this.late, width, width);
      case 'early':
        return this.moved(this.early, width, -width);
    }
  }

  /** A pixel that is left out makes its wire shorter: what is behind its end is at its end. */
  private placeOf(place: number): number {
    return Math.min(place, this.index.length);
  }

  private moved(known: Map<number, Way>, width: number, bytes: number): Way {
    let way = known.get(width);
    if (!way) known.set(width, (way = this.movedWay(bytes)));
    return way;
  }

  /** The places as they are seen with data that comes so many bytes late; below zero early. */
  private movedWay(bytes: number): Way {
    const { scope, chain, trial } = this;
    const rig = trial.isAfterCut ? afterPowerCut(this.of) : this.of;
    const codes = scope.codesOf(rig, chain, trial, scope.placesOf(chain), bytes);
    return this.way((moment, place) => {
      const code = codes[moment * chain.pixel.length + place]!;
      return code === UNREACHED ? SEEN_DARK : code;
    });
  }

  /** @param codeAt only asked for places of the prop */
  private way(codeAt: (moment: number, place: number) => number): Way {
    const { length } = this.index;
    const { count } = this.scope;
    const moments = this.trial.moments.length;
    const codes = new Uint8Array(moments * length);
    const one = new Int32Array(length + 1);
    const other = new Int32Array(length + 1);
    for (let place = 0; place < length; place += 1) {
      let [here, again] = [0, 0];
      const index = this.index[place]!;
      if (index >= 0)
        for (let moment = 0; moment < moments; moment += 1) {
          const code = codeAt(moment, place);
          codes[moment * length + place] = code;
          here = (here + mix(moment * count + index, code)) | 0;
          again = (again + mixAgain(moment * count + index, code)) | 0;
        }
      one[place + 1] = (one[place]! + here) | 0;
      other[place + 1] = (other[place]! + again) | 0;
    }
    return { codes, one, other };
  }
}

const sum = (upTo: Int32Array) => upTo.at(-1)!;

/** Number of pixels that look as they were seen; pixels that nobody described agree. */
export function agreement(seen: Seen, observed: Seen): number {
  let agree = 0;
  for (let i = 0; i < seen.length; i += 1) if (observed[i] === UNKNOWN || observed[i] === seen[i]) agree += 1;
  return agree;
}
