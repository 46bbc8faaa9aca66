import { PERCEIVED, SEEN_DARK } from '../diagnose/perceive';
import { Scope } from '../diagnose/scope';
import type { Plan } from '../plan/planned';
import type { ExpectedPicture } from './step';
import { plannedAt } from '../plan/records';

const WHITE = PERCEIVED.indexOf('white');

/**
 * The expected look of a step: a code for each light of the prop in data order; of a picture that moves, at one moment.
 *
 * @param prop index in the show, of a prop that is on a port
 */
export function expectedSeen(plan: Plan, prop: number, picture: ExpectedPicture): Uint8Array {
  const { pixelCount } = plannedAt(plan, prop);
  switch (picture.by) {
    case 'dark':
      return new Uint8Array(pixelCount).fill(SEEN_DARK);
    case 'upTo':
      return Uint8Array.from({ length: pixelCount }, (_, i) => (i < picture.lights ? WHITE : SEEN_DARK));
    case 'trial': {
      const scope = new Scope(plan, prop, true);
      const trial = scope.trial(picture.trial);
      if (!trial) return new Uint8Array(pixelCount);
      // A line that wanders is nowhere at its first moment.
      const moment = Math.floor(trial.moments.length / 2);
      return scope.see(scope.planned, trial).slice(moment * scope.count, (moment + 1) * scope.count);
    }
  }
}
