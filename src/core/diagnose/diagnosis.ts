import type { Fault } from '../rig/faults/registry';
import { itemAt } from '../units/there';
import { weigh, type Evidence } from './evidence';
import type { Scope, Seen } from './scope';
import { BASES, KEPT, TRIPLE_BASES, stacked, type Search } from './stacking';
import { placesOn, SHARE_AFTER_MENDING, SHARE_OF_COUNT, suspectsOf, type Suspects } from './suspects';
import type { Trial } from './trials';
import { View } from './view';
import { explains, faultsOf, keyOf, pictureOf, type Way } from './ways';

/** One way in which the display may be. */
interface Suspect {
  faults: readonly Fault[];
  /** Probability among everything considered, 0 to 1. */
  share: number;
  /** Trials whose answer it does not explain. */
  against: readonly string[];
}

/** Ways that no trial tells apart, the likeliest first. */
interface SuspectClass {
  share: number;
  ways: (readonly Fault[])[];
  /** Trials whose answer they do not explain. */
  against: string[];
}

/** An answer of a trial: what is seen, who says so, and how likely that is. */
export interface PossibleAnswer {
  seen: Seen;
  share: number;
  /** The likeliest of those that show it. */
  faults: readonly Fault[];
  isAsPlanned: boolean;
}

interface NextTrial {
  trial: Trial;
  /** Information to expect from asking it, in bits. */
  bits: number;
  answers: PossibleAnswer[];
}

/** An answer that nothing explains is asked for again, but not for ever. */
const MOST_TIMES = 2;
/** An observation is checked again only where that decides something. */
const LEAST_AGAIN_BITS = 0.1;
/** Suspects with less than this share of the likeliest are left out of a trial's information. */
const NEGLIGIBLE = 1e-5;
/** Less is no reason to ask. */
const LEAST_BITS = 0.01;
/** Trials over several moments are weighed only where no single look tells as much. */
const ENOUGH_BITS = 0.6;

/** Finds what is the matter with what drives a prop, from what is seen of trials. */
export class Diagnosis {
  private readonly planned: View;
  private readonly suspects: Suspects;
  private readonly singles: Way[];
  private stacked: Way[] = [];
  private readonly evidence: Evidence[] = [];
  private readonly views = new Map<string, View>();
  private readonly keys = new Map<string, Float64Array>();

  /** Times that each trial was asked for. */
  private readonly asked = new Map<string, number>();

  /** @param options `raised`: how much more than usual a fault is suspected; `after`: what was found before, and mended */
  constructor(
    private readonly scope: Scope,
    private readonly options: {
      raised?: (fault: Fault) => number;
      after?: { of: Diagnosis; mended: readonly Fault[] };
    } = {},
  ) {
    const { raised, after } = options;
    const [none, one] = after ? SHARE_AFTER_MENDING : SHARE_OF_COUNT;
    this.planned = new View(scope, []);
    this.suspects = suspectsOf(scope, raised);
    const way = (view: View, prior: number): Way => ({ view, anywhere: null, place: 0, prior, weight: 0 });
    this.singles = [
      way(this.planned, none),
      ...this.suspects.fixed.map(({ fault, share }) => way(this.viewOf([fault], this.planned), one * share)),
      ...this.anywhereOn(this.planned, one),
    ];
    if (after) this.carry(after.of, after.mended);
    this.weigh();
  }

  /** The fault was fixed: earlier observations count on, as far as they say something about other faults. */
  mended(faults: readonly Fault[]): Diagnosis {
    const { raised } = this.options;
    return new Diagnosis(this.scope, { ...(raised && { raised }), after: { of: this, mended: faults } });
  }

  /** Before it was mended the display had what was mended, and perhaps what is the matter still: what was seen then weighs for that. */
  private carry(before: Diagnosis, mended: readonly Fault[]): void {
    const base = new View(this.scope, mended);
    const then = this.singles.map((way): Way => ({
      ...way,
      view:
        way.anywhere || way.view === this.planned
          ? base
          : new View(this.scope, [...mended, ...way.view.faults], base),
    }));
    weigh(before.evidence, then);
    const most = then.reduce((max, { weight }) => Math.max(max, weight), 0);
    if (most === 0) return;
    this.singles.forEach((way, i) => {
      // Nothing is excluded for good: what was seen may have been a slip.
      way.prior = Math.max(itemAt(then, i).weight / most, 1e-9 * way.prior);
    });
  }

  /**
   * Takes what was seen of a trial; null is “can’t tell”.
   *
   * @param isShown it was one of the answers that were shown; else somebody said that none of them is right, and what is seen instead
   */
  answer(trialId: string, seen: Seen | null, isShown = true): void {
    const trial = this.scope.trial(trialId);
    this.asked.set(trialId, (this.asked.get(trialId) ?? 0) + 1);
    if (!trial || !seen) return;
    this.evidence.push({ trial, seen, isShown });
    this.weigh();
  }

  /** The likeliest ways. What shows in no trial is no suspect: it is as planned, as far as anybody can see. */
  ranking(most = 12): Suspect[] {
    const ordered = [...this.singles, ...this.stacked].sort((a, b) => b.weight - a.weight);
    const [planned] = this.singles as [Way];
    const ranked: Suspect[] = [];
    let isPlannedThere = false;
    for (const each of ordered) {
      if (ranked.length >= most) break;
      const way = each !== planned && this.isSilent(each) ? planned : each;
      if (way === planned) {
        if (isPlannedThere) continue;
        isPlannedThere = true;
      }
      ranked.push({
        faults: faultsOf(this.scope, way),
        share: each.weight,
        against: this.against(way),
      });
    }
    return ranked;
  }

  /** A way that shows in no trial. */
  private isSilent(way: Way): boolean {
    return this.scope.trials.every((trial) => keyOf(way, trial) === this.planned.key(trial));
  }

  /** The likeliest ways in classes: within one no trial tells them apart. Their shares are those of the class. */
  classes(most = 6): SuspectClass[] {
    const found = new Map<string, { share: number; ways: Way[] }>();
    const all = [...this.singles, ...this.stacked].sort((a, b) => b.weight - a.weight);
    // A way far behind is in no class that counts.
    const near = all.filter(({ weight }, i) => i < 40 && weight >= 0.02 * itemAt(all, 0).weight);
    for (const way of near) {
      const key = this.scope.trials.map((trial) => keyOf(way, trial)).join();
      const known = found.get(key);
      if (known) {
        known.share += way.weight;
        known.ways.push(way);
      } else found.set(key, { share: way.weight, ways: [way] });
    }
    return [...found.values()]
      .sort((a, b) => b.share - a.share)
      .slice(0, most)
      .map(({ share, ways }) => ({
        share,
        ways: ways.map((way) => faultsOf(this.scope, way)),
        against: this.against(itemAt(ways, 0)),
      }));
  }

  /** Trials whose answer a way does not explain. */
  private against(way: Way): string[] {
    return this.evidence
      .filter(({ trial, seen }) => !explains(way, trial, seen))
      .map(({ trial }) => trial.id);
  }

  /** The trial that tells most for its effort; null where none tells enough. @param progress told how much is done, from 0 to 1 */
  next(progress: (part: number) => void = () => {}): NextTrial | null {
    const ways = this.weighty();
    const open = this.scope.trials.filter(({ id }) => !this.asked.has(id));
    const again = this.scope.trials.filter(({ id }) => {
      const times = this.asked.get(id) ?? 0;
      return times > 0 && times < MOST_TIMES;
    });
    const best =
      this.bestOf(
        open.filter(({ moments }) => moments.length === 1),
        ways,
        ENOUGH_BITS,
        progress,
      ) ??
      this.bestOf(open, ways, LEAST_BITS) ??
      this.bestOf(again, ways, LEAST_AGAIN_BITS);
    return best && { trial: best.trial, bits: best.bits, answers: this.answersOf(best.trial, ways) };
  }

  /** The same of a trial that is wanted, whatever it tells. */
  asking(trial: Trial): NextTrial {
    const ways = this.weighty();
    return { trial, bits: this.bitsOf(trial, ways), answers: this.answersOf(trial, ways) };
  }

  private bestOf(
    trials: readonly Trial[],
    ways: readonly Way[],
    leastBits: number,
    progress?: (part: number) => void,
  ) {
    let best: { trial: Trial; bits: number; score: number } | null = null;
    for (const [i, trial] of trials.entries()) {
      progress?.(i / trials.length);
      const bits = this.bitsOf(trial, ways);
      const score = bits / trial.effort;
      if (bits >= leastBits && (!best || score > best.score)) best = { trial, bits, score };
    }
    return best;
  }

  /** Pictures that a trial may show, the likeliest first. */
  answersOf(trial: Trial, ways: readonly Way[] = this.weighty()): PossibleAnswer[] {
    const lots = new Map<number, { share: number; way: Way }>();
    for (const way of ways) {
      const key = keyOf(way, trial);
      const lot = lots.get(key);
      if (lot) {
        lot.share += way.weight;
        if (way.weight > lot.way.weight) lot.way = way;
      } else lots.set(key, { share: way.weight, way });
    }
    const planned = this.planned.key(trial);
    return [...lots]
      .sort(([, a], [, b]) => b.share - a.share)
      .map(([key, { share, way }]) => ({
        seen: pictureOf(way, trial),
        share,
        faults: faultsOf(this.scope, way),
        isAsPlanned: key === planned,
      }));
  }

  /** Number of trials answered. */
  get evidenceCount(): number {
    return this.evidence.length;
  }

  /** Number of ways considered. */
  get count(): number {
    return this.singles.length + this.stacked.length;
  }

  private weighty(): Way[] {
    const all = [...this.singles, ...this.stacked];
    const most = all.reduce((max, { weight }) => Math.max(max, weight), 0);
    return all.filter(({ weight }) => weight > most * NEGLIGIBLE);
  }

  /** Entropy of the lots into which a trial parts what is suspected. */
  private bitsOf(trial: Trial, ways: readonly Way[]): number {
    const lots = new Map<number, number>();
    let total = 0;
    for (const way of ways) {
      const key = keyOf(way, trial);
      lots.set(key, (lots.get(key) ?? 0) + way.weight);
      total += way.weight;
    }
    if (lots.size < 2) return 0;
    let bits = 0;
    for (const weight of lots.values()) bits -= (weight / total) * Math.log2(weight / total);
    return bits;
  }

  private viewOf(faults: readonly Fault[], base?: View): View {
    const key = JSON.stringify(faults);
    let view = this.views.get(key);
    if (!view) this.views.set(key, (view = new View(this.scope, faults, base)));
    return view;
  }

  private *anywhereOn(view: View, prior: number): Generator<Way> {
    for (const anywhere of this.suspects.anywhere) {
      const places = placesOn(view.rig, anywhere);
      for (let place = 1; place <= places; place += 1)
        yield { view, anywhere, place, prior: prior * anywhere.share, weight: 0 };
    }
  }

  private weigh(): void {
    weigh(this.evidence, this.singles);
    this.stacked = [];
    // One thing explains all that was seen, or what is seen is as planned: nothing is stacked on it.
    const isExplained = () => this.evidence.every(({ trial, seen }) => explains(this.best(), trial, seen));
    if (this.evidence.length > 0 && !isExplained()) this.stack(this.singles, 2, BASES);
    if (this.stacked.length > 0 && !isExplained()) this.stack(this.stacked, 3, TRIPLE_BASES);
    const total = [...this.singles, ...this.stacked].reduce((sum, { weight }) => sum + weight, 0);
    for (const way of [...this.singles, ...this.stacked]) way.weight /= total;
  }

  /** Adds one fault more to the ways that come nearest to explaining what was seen. */
  private stack(onto: readonly Way[], faults: 2 | 3, most: number): void {
    const { scope, evidence, singles, planned } = this;
    const search: Search = {
      scope,
      evidence,
      singles,
      planned,
      viewOf: (own) => this.viewOf(own),
      anywhereOn: (view, prior) => this.anywhereOn(view, prior),
    };
    this.stacked = [...this.stacked, ...stacked(search, onto, faults, most)]
      .sort((a, b) => b.weight - a.weight)
      .slice(0, KEPT);
    // Views that nothing stands on any more are let go.
    const used = new Set([...this.singles, ...this.stacked].map(({ view }) => view));
    for (const [key, view] of this.views) if (!used.has(view)) this.views.delete(key);
  }

  private best(): Way {
    let best = itemAt(this.singles, 0);
    for (const way of this.singles) if (way.weight > best.weight) best = way;
    for (const way of this.stacked) if (way.weight > best.weight) best = way;
    return best;
  }
}
